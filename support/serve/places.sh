# Where an instance keeps things, and which user owns them. An instance is PostgreSQL, php-fpm, nginx and a
# scheduler on loopback, with a folder and ports of its own, so that nothing else on the machine is touched.
#
#   etc/      settings of the servers, cached configuration      root alone writes
#   run/      sockets, pid files, records of own processes       root alone writes
#   log/      what the servers say, rotated                      root alone writes
#   tmp/      bodies of requests on their way                    root owns the folder
#   backups/  daily backups, encrypted                           root alone reads
#   storage/  Laravel's storage and its log                      the web user's
#   pg/       the database                                       PostgreSQL's
#   secrets   passwords and keys                                 root alone reads
#   settings  what the person who runs the server chose          root alone writes

PG_BIN=/usr/lib/postgresql/15/bin
SITE_PARTS="app artisan bootstrap catalogue composer.json config core database docs public resources routes support vendor"

is_root() { [ "$(id -u)" = 0 ]; }

as() { if is_root && [ "$1" != root ]; then local user=$1; shift; runuser -u "$user" -- "$@"; else shift; "$@"; fi; }

use_instance() {
    case $ROOT in *[[:space:]]*) stop_here "the path of this folder must not hold a space: $ROOT" ;; esac
    INSTANCE=$1 PORT=$2 PG_PORT=$3
    HOME_DIR=$ROOT/var/$INSTANCE SITE=$ROOT
    PG_USER=$(id -un) WEB_USER=$(id -un) WEB_GROUP=$(id -gn)
    if is_root; then
        PG_USER=postgres WEB_USER=www-data WEB_GROUP=www-data
        choose_home
    fi
    ETC=$HOME_DIR/etc RUN=$HOME_DIR/run LOG=$HOME_DIR/log STORAGE=$HOME_DIR/storage PG_DATA=$HOME_DIR/pg
    local old="$ROOT/var/$INSTANCE"
    [ "$old" = "$HOME_DIR" ] || [ ! -f "$old/secrets" ] || [ -f "$HOME_DIR/secrets" ] || { mkdir -p "$HOME_DIR"; mv "$old/secrets" "$HOME_DIR/secrets"; }
    mkdir -p "$HOME_DIR"
    chmod 755 "$HOME_DIR"
    leave_old_layout
    mkdir -p "$ETC/cache" "$RUN" "$LOG" "$HOME_DIR/tmp" "$HOME_DIR/backups"
    chmod 750 "$ETC" "$ETC/cache" "$LOG"; chmod 755 "$RUN" "$HOME_DIR/tmp"; chmod 700 "$HOME_DIR/backups"
    if is_root; then chgrp "$WEB_GROUP" "$ETC" "$ETC/cache" 2>/dev/null || true; fi
    read_secrets
    [ ! -f "$HOME_DIR/settings" ] || { check_settings_file; . "$HOME_DIR/settings"; }
    : "${APP_URL:=http://127.0.0.1:$PORT}" "${TRUSTED_PROXIES:=}" "${BACKUPS_KEPT:=14}"
    : "${MAIL_MAILER:=folder}" "${MAIL_HOST:=127.0.0.1}" "${MAIL_PORT:=587}" "${MAIL_USERNAME:=}" "${MAIL_PASSWORD:=}" "${MAIL_FROM_ADDRESS:=rung@localhost}"
}

# As root, the folder must be one that the servers' users can reach and cannot write to. Where they cannot reach
# the checkout (under /root, say), the application is copied to where they can.
choose_home() {
    id www-data >/dev/null 2>&1 && id postgres >/dev/null 2>&1 || return 0
    chmod a+rx "$ROOT" "$ROOT/var" 2>/dev/null || true
    if as www-data test -r "$ROOT/artisan" && as postgres test -x "$ROOT/support/serve"; then
        for folder in "$ROOT" "$ROOT/var" "$ROOT/vendor" "$ROOT/app" "$ROOT/public"; do
            [ ! -e "$folder" ] || ! as www-data test -w "$folder" \
                || stop_here "$folder can be written by www-data, who could then change what root runs; make it root's own (chown root:root, chmod go-w)"
        done
        return 0
    fi
    HOME_DIR=/var/lib/rung/$(sha1sum <<<"$ROOT/var/$INSTANCE" | cut -c1-12)
    SITE=$HOME_DIR/site
    mkdir -p "$HOME_DIR"
    chmod 755 /var/lib/rung "$HOME_DIR"
}

# What earlier releases kept in folders of the web user is not read by root any more.
leave_old_layout() {
    [ -e "$HOME_DIR/cache" ] || return 0
    end_old_layout
    rm -rf "$HOME_DIR/cache" "$HOME_DIR/run" "$HOME_DIR/log" "$HOME_DIR/tmp"
}

# Copies the application to where the servers' users can read it, if they cannot read the checkout.
publish_site() {
    local part
    for part in $SITE_PARTS; do [ ! -e "$ROOT/$part" ] || chmod -R a+rX,go-w "$ROOT/$part"; done
    [ "$SITE" != "$ROOT" ] || return 0
    say "www-data cannot reach $ROOT, so the application is served from a copy in $SITE"
    rm -rf "$SITE.new"; mkdir -p "$SITE.new"
    tar -C "$ROOT" -cf - $SITE_PARTS | tar -C "$SITE.new" -xf - --no-same-owner
    rm -rf "$SITE.old"; [ ! -e "$SITE" ] || mv "$SITE" "$SITE.old"
    mv "$SITE.new" "$SITE"; rm -rf "$SITE.old"
}

make_storage() {
    local folder
    for folder in "$STORAGE" "$STORAGE/framework" "$STORAGE/framework/views" "$STORAGE/logs"; do
        [ -d "$folder" ] && [ ! -L "$folder" ] || { rm -rf "$folder"; mkdir "$folder"; }
        ! is_root || chown -h "$WEB_USER:$WEB_GROUP" "$folder"
    done
    chmod 750 "$STORAGE"
    # Earlier releases wrote here as whoever ran them.
    rm -f "$STORAGE/framework/catalogue.kept"
}

random() { head -c 512 /dev/urandom | tr -dc 'a-z0-9' | head -c "$1"; }

read_secrets() {
    local file=$HOME_DIR/secrets
    [ -f "$file" ] || install -m 600 /dev/null "$file"
    chmod 600 "$file"
    # The password that earlier releases gave to the application was the database's highest: it is changed at the next start.
    sed -i 's/^DB_PASSWORD=/DB_OLD_PASSWORD=/' "$file"
    secret APP_KEY "base64:$(head -c 32 /dev/urandom | base64)"
    secret DB_ADMIN_PASSWORD "$(random 32)"
    secret DB_OWNER_PASSWORD "$(random 32)"
    secret DB_APP_PASSWORD "$(random 32)"
    secret BACKUP_PASSPHRASE "$(random 32)"
    secret METRICS_KEY "$(random 32)"
    secret DEMO_PASSWORD "$(random 4)-$(random 4)-$(random 4)"
    DB_OLD_PASSWORD=
    . "$file"
}

secret() { grep -q "^$1=" "$HOME_DIR/secrets" || printf "%s='%s'\n" "$1" "$2" >>"$HOME_DIR/secrets"; }

check_settings_file() {
    local owner mode
    read -r owner mode < <(stat -c '%u %a' "$HOME_DIR/settings")
    [ "$owner" = "$(id -u)" ] && [ $((0$mode & 022)) = 0 ] || stop_here "$HOME_DIR/settings must belong to $(id -un) and be writable by nobody else"
}

# The settings that say where Laravel finds what was made for it; none of them is secret.
laravel_places() {
    echo "LARAVEL_STORAGE_PATH=$STORAGE"
    local cache
    for cache in config:config routes:routes-v7 events:events packages:packages services:services; do
        local name=${cache%%:*}
        echo "APP_${name^^}_CACHE=$ETC/cache/${cache#*:}.php"
    done
}

# Puts into the environment what Laravel's settings are made of; for a subshell.
export_settings() {
    local line
    while IFS= read -r line; do export "${line?}"; done < <(
        laravel_places
        printf '%s\n' APP_ENV=production APP_KEY="$APP_KEY" APP_URL="$APP_URL" TRUSTED_PROXIES="$TRUSTED_PROXIES" \
            DB_HOST=127.0.0.1 DB_PORT="$PG_PORT" DB_DATABASE=rung DB_USERNAME=rung_app DB_PASSWORD="$DB_APP_PASSWORD" \
            METRICS_KEY="$METRICS_KEY" MAIL_MAILER="$MAIL_MAILER" MAIL_HOST="$MAIL_HOST" MAIL_PORT="$MAIL_PORT" MAIL_USERNAME="$MAIL_USERNAME" MAIL_PASSWORD="$MAIL_PASSWORD" MAIL_FROM_ADDRESS="$MAIL_FROM_ADDRESS" \
            DEMO_PASSWORD="$DEMO_PASSWORD" LOG_PATH="$STORAGE/logs/rung.log" VIEW_COMPILED_PATH="$STORAGE/framework/views"
    )
}

# Laravel's own commands, as the web user and with what the web user may know.
artisan() { (cd "$SITE" && as "$WEB_USER" env -i PATH="$PATH" $(laravel_places) php artisan "$@"); }

# Commands that need the owner of the tables. What the web user can write is neither read nor written by them.
owner_artisan() {
    mkdir -p "$ETC/owner/framework/views"
    (
        export_settings
        export APP_CONFIG_CACHE=$ETC/owner/none.php LARAVEL_STORAGE_PATH=$ETC/owner LOG_CHANNEL=stderr VIEW_COMPILED_PATH=$ETC/owner/framework/views
        export DB_USERNAME=rung_owner DB_PASSWORD=$DB_OWNER_PASSWORD
        cd "$SITE" && php artisan "$@"
    )
}

# Reads the settings once and keeps them where the web user may read them and not write them. The web user itself
# makes them, in a folder of its own; root takes no more than the text.
cache_settings() {
    local work part; work=$(as "$WEB_USER" mktemp -d)
    (
        umask 027
        export_settings
        export DB_PERSISTENT=true APP_CONFIG_CACHE=$work/config.php APP_ROUTES_CACHE=$work/routes-v7.php
        export APP_PACKAGES_CACHE=$work/packages.php APP_SERVICES_CACHE=$work/services.php APP_EVENTS_CACHE=$work/events.php
        cd "$SITE"
        quietly as "$WEB_USER" php artisan config:cache
        quietly as "$WEB_USER" php artisan route:cache
        for part in packages services routes-v7 config; do
            as "$WEB_USER" cat "$work/$part.php" >"$ETC/cache/$part.new"
            chmod 640 "$ETC/cache/$part.new"
            ! is_root || chgrp "$WEB_GROUP" "$ETC/cache/$part.new"
            mv "$ETC/cache/$part.new" "$ETC/cache/$part.php"
        done
    ) || stop_here "the settings could not be cached"
    as "$WEB_USER" rm -rf "$work"
}
