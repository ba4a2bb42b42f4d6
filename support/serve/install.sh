# Installs what is missing: Debian's packages, then PHP's and JavaScript's dependencies. WITH_DEV=1 asks for what the
# tests need as well.

missing_packages() {
    command -v php >/dev/null || echo php8.2-cli
    command -v composer >/dev/null || echo composer
    command -v node >/dev/null || echo nodejs
    command -v npm >/dev/null || echo npm
    command -v curl >/dev/null || echo curl
    command -v git >/dev/null || echo git
    command -v unzip >/dev/null || echo unzip
    command -v openssl >/dev/null || echo openssl
    command -v supervisord >/dev/null || echo supervisor
    command -v nginx >/dev/null || [ -x /usr/sbin/nginx ] || echo nginx-light
    [ -x /usr/sbin/php-fpm8.2 ] || echo php8.2-fpm
    [ -d /usr/lib/postgresql/15/bin ] || echo postgresql
    local have; have=$(php -m 2>/dev/null || true)
    local extension
    for extension in pgsql:pdo_pgsql curl:curl zip:zip intl:intl xml:dom mbstring:mbstring; do
        grep -qix "${extension#*:}" <<<"$have" || echo "php8.2-${extension%%:*}"
    done
    # Papers are made into PDFs by it.
    command -v weasyprint >/dev/null || echo weasyprint
    if [ "${WITH_DEV:-}" = 1 ]; then
        command -v chromium-headless-shell >/dev/null || echo chromium-headless-shell
        command -v pdftotext >/dev/null || echo poppler-utils
    fi
}

install_packages() {
    local wanted; wanted=$(missing_packages | sort -u | tr '\n' ' ')
    [ -n "${wanted// /}" ] || return 0
    is_root || stop_here "these Debian packages are missing: $wanted
      install them as root (apt-get install $wanted) and run this again"
    say "installing Debian packages: $wanted"
    # Debian starts a service as soon as it is installed; Rung brings up its own beside it.
    local hold=/usr/sbin/policy-rc.d held=
    if [ ! -e $hold ]; then printf '#!/bin/sh\nexit 101\n' >$hold; chmod +x $hold; held=1; fi
    local code=0
    { quietly apt-get update && DEBIAN_FRONTEND=noninteractive quietly apt-get install -y --no-install-recommends $wanted; } || code=$?
    [ -z "$held" ] || rm -f $hold
    [ "$code" = 0 ] || stop_here "the packages could not be installed"
}

stamp_of() { cat "$@" 2>/dev/null | sha1sum | cut -d' ' -f1; }

# once NAME STAMP COMMAND…: runs the command unless it ran before for the same stamp.
once() {
    local file="var/stamps/$1" stamp=$2; shift 2
    [ "$(cat "$file" 2>/dev/null)" = "$stamp" ] && return 0
    "$@"
    mkdir -p var/stamps; echo "$stamp" >"$file"
}

# install_php [--no-dev]: every package at exactly the version that composer.versions.json records.
install_php() {
    say "installing PHP dependencies"
    php support/serve/versions.php pin var/composer.json
    COMPOSER=var/composer.json COMPOSER_VENDOR_DIR=vendor COMPOSER_ALLOW_SUPERUSER=1 quietly composer update --no-interaction --no-progress "$@"
    rm -f var/composer.json
}

check_php() {
    local differs
    differs=$(php support/serve/versions.php check "$@" 2>&1) || stop_here "vendor/ does not hold the versions that are recorded in composer.versions.json:
$differs
      If they are meant to change: ./rung versions accept, then look at the difference and commit it.
      If not: remove vendor/ and run this again."
}

# install_js [--omit=dev]
install_js() {
    say "installing JavaScript dependencies"
    quietly npm ci "$@"
}

# What the tests need holds all that serving needs, so that serving never takes anything away from a machine that tests.
install_all() {
    install_packages
    mkdir -p var
    local php js; php=$(stamp_of composer.json composer.versions.json) js=$(stamp_of package.json package-lock.json)
    [ -d vendor ] || rm -f var/stamps/php*
    [ -d node_modules ] || rm -f var/stamps/js*
    if [ "${WITH_DEV:-}" = 1 ]; then
        once php-dev "$php" install_php
        once js-dev "$js" install_js
        check_php dev
    else
        [ "$(cat var/stamps/php-dev 2>/dev/null)" = "$php" ] || once php "$php" install_php --no-dev
        [ "$(cat var/stamps/js-dev 2>/dev/null)" = "$js" ] || once js "$js" install_js --omit=dev
        check_php
    fi
    # The users that the servers run as may be new.
    use_instance "$INSTANCE" "$PORT" "$PG_PORT"
    publish_site
}

run_build() {
    say "building the front end"
    quietly npm run --silent api
    quietly npm run --silent build
}

build_front_end() {
    [ -f public/build/manifest.json ] && [ -f public/build/stills.mjs ] && [ -f web/api/contract.generated.ts ] || rm -f var/stamps/build
    local files; files=$(find web docs/formats/api.yaml vite.config.ts vite.stills.config.ts package-lock.json -type f ! -name '*.generated.ts' ! -name '*.test.ts*' | sort)
    once build "$(stamp_of $files)" run_build
    publish_site
}
