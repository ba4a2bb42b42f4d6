# An instance is PostgreSQL, php-fpm and nginx on loopback with a folder and ports of their own, so
# that the application, the tests and anything else on the machine do not touch each other.

PG_BIN=/usr/lib/postgresql/15/bin

use_instance() {
    INSTANCE=$1 PORT=$2 PG_PORT=$3
    HOME_DIR=$ROOT/var/$INSTANCE RUN=$ROOT/var/$INSTANCE/run LOG=$ROOT/var/$INSTANCE/log
    mkdir -p "$RUN" "$LOG" "$HOME_DIR/storage/framework/views" "$HOME_DIR/storage/logs" "$HOME_DIR/cache" "$HOME_DIR/tmp"
    choose_users
    [ -f "$HOME_DIR/secrets" ] || make_secrets
    set -a; . "$HOME_DIR/secrets"
    APP_ENV=production APP_URL=http://127.0.0.1:$PORT
    DB_HOST=127.0.0.1 DB_PORT=$PG_PORT DB_DATABASE=rung DB_USERNAME=rung
    LOG_PATH=$LOG/rung.log LARAVEL_STORAGE_PATH=$HOME_DIR/storage VIEW_COMPILED_PATH=$HOME_DIR/storage/framework/views
    APP_CONFIG_CACHE=$HOME_DIR/cache/config.php APP_ROUTES_CACHE=$HOME_DIR/cache/routes.php
    APP_EVENTS_CACHE=$HOME_DIR/cache/events.php APP_PACKAGES_CACHE=$HOME_DIR/cache/packages.php
    APP_SERVICES_CACHE=$HOME_DIR/cache/services.php
    set +a
}

# As root the servers run as Debian's own users for them, who must be able to read this folder.
choose_users() {
    PG_HOME=$HOME_DIR PG_USER=$(id -un) WEB_USER=$(id -un)
    [ "$(id -u)" = 0 ] || return 0
    PG_USER=postgres WEB_USER=www-data
    local folder
    for folder in app bootstrap catalogue config core database public resources routes support vendor artisan; do
        [ ! -e "$folder" ] || chmod -R a+rX "$folder"
    done
    chmod a+rx "$ROOT" "$ROOT/var" "$HOME_DIR"
    if ! as www-data test -r "$ROOT/artisan"; then
        say "www-data cannot reach $ROOT, so the application runs as root"
        WEB_USER=root
    fi
    if id postgres >/dev/null 2>&1 && ! as postgres test -x "$HOME_DIR"; then
        PG_HOME=/var/lib/rung/$(sha1sum <<<"$HOME_DIR" | cut -c1-12)
        mkdir -p "$PG_HOME"
    fi
}

random() { head -c 256 /dev/urandom | tr -dc 'a-z0-9' | head -c "$1"; }

make_secrets() {
    (umask 077; cat >"$HOME_DIR/secrets" <<TEXT
APP_KEY=base64:$(head -c 32 /dev/urandom | base64)
DB_PASSWORD=$(random 24)
DEMO_PASSWORD=$(random 4)-$(random 4)-$(random 4)
TEXT
    )
}

as() { if [ "$(id -u)" = 0 ] && [ "$1" != root ]; then local user=$1; shift; runuser -u "$user" -- "$@"; else shift; "$@"; fi; }

artisan() { as "$WEB_USER" php artisan "$@"; }

alive() { [ -f "$1" ] && kill -0 "$(head -1 "$1")" 2>/dev/null; }

own_files() { [ "$(id -u)" != 0 ] || chown -R "$WEB_USER" "$LOG" "$HOME_DIR/storage" "$HOME_DIR/cache" "$HOME_DIR/tmp" "$RUN"; }

start_postgres() {
    alive "$PG_HOME/pg/postmaster.pid" && return 0
    say "starting PostgreSQL on 127.0.0.1:$PG_PORT"
    mkdir -p "$PG_HOME/pg" "$PG_HOME/pgrun"
    [ "$(id -u)" != 0 ] || chown "$PG_USER" "$PG_HOME/pg" "$PG_HOME/pgrun"
    chmod 700 "$PG_HOME/pg"
    if [ ! -f "$PG_HOME/pg/PG_VERSION" ]; then
        local word; word=$(mktemp); echo "$DB_PASSWORD" >"$word"
        [ "$(id -u)" != 0 ] || chown "$PG_USER" "$word"
        quietly as "$PG_USER" "$PG_BIN/initdb" -D "$PG_HOME/pg" -U rung --pwfile="$word" --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8
        rm -f "$word"
    fi
    local fast=""; [ "$INSTANCE" = main ] || fast="-c fsync=off -c synchronous_commit=off -c full_page_writes=off"
    quietly as "$PG_USER" "$PG_BIN/pg_ctl" -D "$PG_HOME/pg" -l "$PG_HOME/pgrun/postgres.log" -w \
        -o "-p $PG_PORT -c listen_addresses=127.0.0.1 -c unix_socket_directories=$PG_HOME/pgrun $fast" start
    PGPASSWORD=$DB_PASSWORD psql -qAt -h 127.0.0.1 -p "$PG_PORT" -U rung -d postgres \
        -c "select 1 from pg_database where datname = 'rung'" | grep -q 1 \
        || PGPASSWORD=$DB_PASSWORD psql -q -h 127.0.0.1 -p "$PG_PORT" -U rung -d postgres -c 'create database rung'
    PGPASSWORD=$DB_PASSWORD psql -q -h 127.0.0.1 -p "$PG_PORT" -U rung -d postgres -c "alter role rung set timezone = 'UTC'"
}

write_settings() {
    local user=""; [ "$(id -u)" = 0 ] && user="user = $WEB_USER
group = $WEB_USER
listen.owner = $WEB_USER"
    cat >"$RUN/fpm.conf" <<TEXT
[global]
pid = $RUN/fpm.pid
error_log = $LOG/fpm.log
daemonize = yes
[rung]
$user
listen = $RUN/fpm.sock
pm = static
pm.max_children = 4
clear_env = no
php_admin_value[error_log] = $LOG/php.log
php_admin_value[memory_limit] = 256M
php_admin_flag[expose_php] = off
TEXT
    cat >"$RUN/nginx.conf" <<TEXT
$([ "$(id -u)" = 0 ] && echo "user $WEB_USER;")
worker_processes 1;
pid $RUN/nginx.pid;
error_log $LOG/nginx.log warn;
events { worker_connections 512; }
http {
    types { text/html html; text/css css; text/javascript js; image/svg+xml svg; font/woff2 woff2; application/json json webmanifest; image/png png; }
    default_type application/octet-stream;
    access_log off;
    server_tokens off;
    client_max_body_size 4m;
    gzip on; gzip_types text/css text/javascript application/json image/svg+xml;
    client_body_temp_path $HOME_DIR/tmp/body; proxy_temp_path $HOME_DIR/tmp/proxy; fastcgi_temp_path $HOME_DIR/tmp/fastcgi;
    uwsgi_temp_path $HOME_DIR/tmp/uwsgi; scgi_temp_path $HOME_DIR/tmp/scgi;
    server {
        listen 127.0.0.1:$PORT;
        root $ROOT/public;
        location /build/ { add_header Cache-Control "public, max-age=31536000, immutable"; try_files \$uri =404; }
        location / { try_files \$uri @app; }
        location @app {
            fastcgi_pass unix:$RUN/fpm.sock;
            include /etc/nginx/fastcgi_params;
            fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
            fastcgi_param SCRIPT_NAME /index.php;
        }
    }
}
TEXT
}

serve() {
    start_postgres
    write_settings
    own_files
    DB_PERSISTENT=true artisan config:cache --quiet
    artisan route:cache --quiet
    artisan migrate --force --quiet
    if ! alive "$RUN/fpm.pid"; then
        say "starting php-fpm"
        /usr/sbin/php-fpm8.2 $([ "$WEB_USER" != root ] || echo -R) -y "$RUN/fpm.conf" -d opcache.enable=1 -d opcache.revalidate_freq=1
    fi
    if ! alive "$RUN/nginx.pid"; then
        say "starting nginx on 127.0.0.1:$PORT"
        nginx -c "$RUN/nginx.conf" -p "$RUN" -e "$LOG/nginx.log" || stop_here "port $PORT is taken; end what uses it and run this again"
    fi
    local i
    for i in $(seq 50); do curl -fs -o /dev/null "http://127.0.0.1:$PORT/bare" && return 0; sleep 0.1; done
    tail -n 20 "$LOG"/*.log >&2
    stop_here "the application does not answer; its logs are in $LOG"
}

start_scheduler() {
    alive "$RUN/scheduler.pid" && return 0
    say "starting the scheduler"
    if [ "$(id -u)" = 0 ]; then setsid runuser -u "$WEB_USER" -- php artisan schedule:work >>"$LOG/scheduler.log" 2>&1 </dev/null &
    else setsid php artisan schedule:work >>"$LOG/scheduler.log" 2>&1 </dev/null & fi
    echo $! >"$RUN/scheduler.pid"
}

end_by() {
    alive "$1" || return 0
    local pid; pid=$(head -1 "$1")
    say "ending $2"
    [ "$2" = scheduler ] && kill -- "-$pid" 2>/dev/null || kill "$pid" 2>/dev/null || true
    local i
    for i in $(seq 50); do kill -0 "$pid" 2>/dev/null || break; sleep 0.1; done
    rm -f "$1"
}

stop_instance() {
    end_by "$RUN/scheduler.pid" scheduler
    end_by "$RUN/nginx.pid" nginx
    end_by "$RUN/fpm.pid" php-fpm
    if alive "$PG_HOME/pg/postmaster.pid"; then
        say "ending PostgreSQL"
        quietly as "$PG_USER" "$PG_BIN/pg_ctl" -D "$PG_HOME/pg" -m fast -w stop
    fi
}

load_demo_if_empty() { artisan rung:demo --if-empty; }

tell_demo() {
    say "demo practitioner: ola.vance@ropewalk.example   password: $DEMO_PASSWORD"
    say "demo athlete:      juno.tamsin@ropewalk.example password: $DEMO_PASSWORD   (on http://127.0.0.1:$PORT/athlete)"
}
