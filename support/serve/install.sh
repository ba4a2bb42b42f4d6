# Installs what is missing: Debian's packages, then PHP's and JavaScript's dependencies.

missing_packages() {
    command -v php >/dev/null || echo php8.2-cli
    command -v composer >/dev/null || echo composer
    command -v node >/dev/null || echo nodejs
    command -v npm >/dev/null || echo npm
    command -v curl >/dev/null || echo curl
    command -v git >/dev/null || echo git
    command -v unzip >/dev/null || echo unzip
    command -v nginx >/dev/null || [ -x /usr/sbin/nginx ] || echo nginx-light
    [ -x /usr/sbin/php-fpm8.2 ] || echo php8.2-fpm
    [ -d /usr/lib/postgresql/15/bin ] || echo postgresql
    local have; have=$(php -m 2>/dev/null || true)
    local extension
    for extension in pgsql:pdo_pgsql curl:curl zip:zip intl:intl xml:dom mbstring:mbstring; do
        grep -qix "${extension#*:}" <<<"$have" || echo "php8.2-${extension%%:*}"
    done
    if [ "${WITH_BROWSER:-}" = 1 ]; then command -v chromium >/dev/null || echo chromium; fi
}

install_packages() {
    local wanted; wanted=$(missing_packages | sort -u | tr '\n' ' ')
    [ -n "${wanted// /}" ] || return 0
    [ "$(id -u)" = 0 ] || stop_here "these Debian packages are missing: $wanted
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

install_php() {
    say "installing PHP dependencies"
    COMPOSER_ALLOW_SUPERUSER=1 quietly composer update --no-interaction --no-progress
}

install_js() {
    say "installing JavaScript dependencies"
    quietly npm ci
}

install_all() {
    install_packages
    [ -d vendor ] || rm -f var/stamps/php
    [ -d node_modules ] || rm -f var/stamps/js
    once php "$(stamp_of composer.json)" install_php
    once js "$(stamp_of package-lock.json)" install_js
    # What was just installed must be readable for the users that the servers run as.
    choose_users
}

run_build() {
    say "building the front end"
    quietly npm run --silent api
    quietly npm run --silent build
}

build_front_end() {
    [ -f public/build/manifest.json ] && [ -f web/api/contract.generated.ts ] || rm -f var/stamps/build
    local files; files=$(find web docs/formats/api.yaml vite.config.ts package-lock.json -type f ! -name '*.generated.ts' | sort)
    once build "$(stamp_of $files)" run_build
}
