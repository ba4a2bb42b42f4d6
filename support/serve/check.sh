# ./rung test, bench and shots: each with an instance of its own that is ended when it is done.

begin_instance() {
    use_instance "$1" "$2" "$3"
    trap end_instance EXIT
    stop_instance
    # What an earlier run left would be taken for this one: a cached setting, a database.
    rm -rf "$PG_DATA" "$ETC" "$STORAGE" "$LOG" "$HOME_DIR/backups" "$HOME_DIR/without-demo"
    use_instance "$1" "$2" "$3"
}

# Checks that go on beside others, each with what it says: process by name, file by name.
declare -A BESIDE=() BESIDE_SAID=()

# beside NAME COMMAND…: begins a check that goes on beside the next ones, until wait_for.
beside() {
    local name=$1; shift
    BESIDE_SAID[$name]=$(mktemp)
    # A group of its own, so that it can be ended with all that it began.
    set -m
    (BESIDE=(); "$@") >"${BESIDE_SAID[$name]}" 2>&1 </dev/null &
    set +m
    BESIDE[$name]=$!
}

# wait_for NAME: shows what the check said, and is what it came to.
wait_for() {
    local code=0; wait "${BESIDE[$1]}" || code=$?
    unset "BESIDE[$1]"
    cat "${BESIDE_SAID[$1]}"; rm -f "${BESIDE_SAID[$1]}"
    return "$code"
}

# What still runs beside is ended first.
end_instance() {
    local name
    for name in "${!BESIDE[@]}"; do
        kill -TERM -- "-${BESIDE[$name]}" || true
        wait_for "$name" || true
    done
    stop_instance
}

step() { say "$1"; shift; "$@" || stop_here "failed: $*"; }

# The feature tests reach the database as the application does; what they need of the owner is named apart.
# They go in two processes at a time, the second with a copy of the empty database.
feature_tests() (
    owner_artisan migrate:fresh --force --quiet
    drop_database rung_2
    admin_sql postgres <<'SQL'
select pg_terminate_backend(pid) from pg_stat_activity where datname = 'rung' \g /dev/null
create database rung_2 template rung owner rung_owner;
revoke all on database rung_2 from public;
grant connect on database rung_2 to rung_app;
SQL
    export_settings
    export APP_ENV=testing SESSION_DRIVER=database DB_PERSISTENT=true LARAVEL_STORAGE_PATH=$ETC/phpunit APP_CONFIG_CACHE=$ETC/phpunit/none.php
    export APP_ROUTES_CACHE=$ETC/phpunit/none.php APP_PACKAGES_CACHE=$ETC/phpunit/packages.php APP_SERVICES_CACHE=$ETC/phpunit/services.php
    export VIEW_COMPILED_PATH=$ETC/phpunit/framework/views LOG_PATH=$ETC/phpunit/rung.log RUNG_INSTANCE=$INSTANCE OWNER_PASSWORD=$DB_OWNER_PASSWORD
    rm -rf "$ETC/phpunit"; mkdir -p "$ETC/phpunit/framework/views"
    local code=0
    php vendor/bin/paratest --processes=2 --testsuite=feature "$@" || code=$?
    drop_database rung_2
    exit "$code"
)

# Larastan starts the application to know its models; nothing of it is kept and no database is asked.
static_analysis() (
    mkdir -p "$ROOT/var/phpstan/app"
    export APP_CONFIG_CACHE=$ROOT/var/phpstan/app/none.php APP_ROUTES_CACHE=$ROOT/var/phpstan/app/none.php APP_PACKAGES_CACHE=$ROOT/var/phpstan/app/packages.php
    export APP_SERVICES_CACHE=$ROOT/var/phpstan/app/services.php LARAVEL_STORAGE_PATH=$ROOT/var/phpstan/app APP_KEY=base64:AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA=
    php -d memory_limit=3G vendor/bin/phpstan analyse --no-progress --configuration=phpstan.neon
)

# What needs neither a server nor a database.
style_and_types() (
    npm run --silent style
    php vendor/bin/php-cs-fixer check --quiet --config=.php-cs-fixer.php
    static_analysis
    npm run --silent lint
    npm run --silent unit
)

core_tests() { php vendor/bin/paratest --processes=2 --testsuite=core; }

# A demo practice for each file of browser tests, which signs in at its own; half of them are loaded beside the rest.
demo_practices() {
    local file prefixes=()
    for file in tests/browser/*.spec.ts; do prefixes+=("--prefix=$(basename "$file" .spec.ts)."); done
    local half=$((${#prefixes[@]} / 2)) first
    artisan rung:demo "${prefixes[@]:0:half}" & first=$!
    artisan rung:demo "${prefixes[@]:half}"
    wait "$first"
}

# From an empty installation to a practice with people; what it made is thrown away.
first_owner() { SETUP_CODE=$(artisan rung:setup-code) browser_tests tests/browser/first.config.ts; }

browser_tests() ( export RUNG_URL=http://127.0.0.1:$PORT DEMO_PASSWORD; npx playwright test --config="$@" )

# Kills, backups, privileges: what holds of an instance as it stands on the machine. It has one of its own, so that
# nothing else is there when it is killed; it waits more than it works.
operations_tests() (
    begin_instance operations 8084 54333
    export RUNG_INSTANCE=$INSTANCE RUNG_URL=http://127.0.0.1:$PORT RUNG_PG_PORT=$PG_PORT RUNG_HOME=$HOME_DIR RUNG_WEB_USER=$WEB_USER
    php vendor/bin/phpunit --testsuite=operations "$@"
)

check_all() {
    WITH_DEV=1
    begin_instance test 8081 54330
    install_all
    mkdir -p tests/browser
    build_front_end
    say "style, static analysis, layering, types and tests of the browser code begin, and go on beside what follows"
    beside style style_and_types
    step "the core" core_tests
    make_storage
    start_postgres
    say "operations begin, and go on beside what follows"
    beside operations operations_tests
    step "features" feature_tests
    owner_artisan migrate:fresh --force --quiet
    serve
    step "first owner" first_owner
    owner_artisan migrate:fresh --force --quiet
    artisan rung:demo
    demo_practices
    step "style, static analysis, layering, types and tests of the browser code" wait_for style
    step "browser" browser_tests tests/browser/playwright.config.ts
    step "operations" wait_for operations
    say "all checks passed"
}

bench() {
    WITH_DEV=1
    begin_instance bench 8082 54331
    install_all
    build_front_end
    serve
    artisan rung:demo
    php -d opcache.enable_cli=1 support/bench/core.php
    bench_server "14 cases"
    php_as_owner support/bench/crowd.php 150 history
    php_as_app -d opcache.enable_cli=1 support/bench/history.php
    bench_server "164 cases, 150 of 26 weeks"
    php_as_owner support/bench/crowd.php 5000
    bench_server "5164 cases"
}

php_as_app() ( export_settings; export APP_CONFIG_CACHE=$ETC/owner/none.php LOG_CHANNEL=stderr LARAVEL_STORAGE_PATH=$ETC/owner; php "$@" )
php_as_owner() ( export DB_HOST=127.0.0.1 DB_PORT=$PG_PORT DB_DATABASE=rung DB_USERNAME=rung_owner DB_PASSWORD=$DB_OWNER_PASSWORD; php "$@" )
bench_server() { php_as_app support/bench/server.php "http://127.0.0.1:$PORT" "$1"; }

# figures [FOLDER [untitled]]: every figure on contact sheets.
figures() {
    WITH_DEV=1
    use_instance shots 8083 54332
    install_all
    build_front_end
    mkdir -p var
    php support/figures/drawn.php >var/figures.json
    node support/figures/sheets.mjs var/figures.json "${1:-docs/figures}" ${2:+"$2"}
    rm -f var/figures.json
}

shots() {
    WITH_DEV=1
    begin_instance shots 8083 54332
    install_all
    build_front_end
    serve
    artisan rung:demo
    browser_tests tests/browser/shots.config.ts
}
