# ./rung test, bench and shots: each with an instance of its own that is ended when it is done.

begin_instance() {
    use_instance "$1" "$2" "$3"
    trap stop_instance EXIT
    stop_instance
    # What an earlier run left would be taken for this one: a cached setting, a database.
    rm -rf "$PG_HOME/pg" "$HOME_DIR"/cache/*
}

step() { say "$1"; shift; "$@" || stop_here "failed: $*"; }

check_all() {
    WITH_BROWSER=1
    begin_instance test 8081 54330
    install_all
    mkdir -p tests/browser
    step "code style" php vendor/bin/php-cs-fixer check --quiet --config=.php-cs-fixer.php
    step "static analysis and layering" php -d memory_limit=2G vendor/bin/phpstan analyse --no-progress --configuration=phpstan.neon
    step "core" php vendor/bin/phpunit --testsuite=core
    start_postgres
    own_files
    step "features" env APP_ENV=testing SESSION_DRIVER=database php vendor/bin/phpunit --testsuite=feature
    build_front_end
    step "types" npm run --silent types
    step "JavaScript style" npm run --silent lint
    artisan migrate:fresh --force --quiet
    serve
    artisan rung:demo
    step "browser" env RUNG_URL="http://127.0.0.1:$PORT" npx playwright test --config=tests/browser/playwright.config.ts
    say "all checks passed"
}

bench() {
    begin_instance bench 8082 54331
    install_all
    build_front_end
    serve
    artisan rung:demo
    php -d opcache.enable_cli=1 support/bench/core.php
    php support/bench/server.php "http://127.0.0.1:$PORT" "13 cases"
    php support/bench/crowd.php 150 history
    php support/bench/server.php "http://127.0.0.1:$PORT" "163 cases, 150 of 26 weeks"
    php support/bench/crowd.php 5000
    php support/bench/server.php "http://127.0.0.1:$PORT" "5163 cases"
}

shots() {
    WITH_BROWSER=1
    begin_instance shots 8083 54332
    install_all
    build_front_end
    serve
    artisan rung:demo
    RUNG_URL="http://127.0.0.1:$PORT" npx playwright test --config=tests/browser/shots.config.ts
}
