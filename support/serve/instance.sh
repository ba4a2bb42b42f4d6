# Starting and stopping an instance. The supervisor keeps its services running; this starts the supervisor, brings the
# database up to date, and ends what was started.

ROOT_SERVE=$ROOT/support/serve

ctl() { supervisorctl -c "$ETC/supervisord.conf" "$@"; }

start_supervisor() {
    if runs supervisor && ctl pid >/dev/null 2>&1; then return 0; fi
    end_services
    say "starting the supervisor"
    rm -f "$RUN/supervisor.sock" "$RUN/supervisord.pid"
    # It goes on when the command that started it ends, so it must hold nothing of that command's.
    (umask 027; cd /; close_inherited; env -i PATH="$PATH" RUN="$RUN" setsid "$ROOT_SERVE/service" supervisor "$(id -un)" /usr/bin/python3 "$(command -v supervisord)" -n -c "$ETC/supervisord.conf" >/dev/null 2>>"$LOG/supervisor.log" </dev/null &)
    local i
    for i in $(seq 100); do ctl pid >/dev/null 2>&1 && return 0; sleep 0.1; done
    tail -n 20 "$LOG/supervisor.log" >&2
    stop_here "the supervisor does not answer; its log is $LOG/supervisor.log"
}

close_inherited() {
    local fd
    for fd in /proc/self/fd/*; do
        fd=${fd##*/}
        [ "$fd" -le 2 ] || [ "$fd" = 255 ] || eval "exec $fd>&-" 2>/dev/null || true
    done
}

# start_service NAME: starts it, or starts it again where its settings have changed since.
start_service() {
    local now; now=$({ cat "$ETC/supervisord.conf" "$ETC/$1.conf" "$ETC/app.conf" 2>/dev/null || true; } | sha1sum)
    if runs "$1"; then
        [ "$(cat "$RUN/$1.settings" 2>/dev/null)" != "$now" ] || return 0
        say "starting $1 again: its settings have changed"
        ctl restart "$1" >/dev/null || true
    else
        say "starting $1"
        ctl start "$1" >/dev/null || true
    fi
    echo "$now" >"$RUN/$1.settings"
}

start_postgres() {
    make_cluster
    write_settings
    start_supervisor
    ctl update >/dev/null
    start_service postgres
    wait_for_postgres
    make_roles
}

serve() {
    make_storage
    start_postgres
    owner_artisan migrate --force --quiet
    cache_settings
    # A scheduler that was killed leaves its locks; nothing of it runs now.
    runs scheduler || artisan schedule:clear-cache >/dev/null
    start_service fpm
    start_service nginx
    start_service worker
    local i
    for i in $(seq 100); do curl -fs -o /dev/null "http://127.0.0.1:$PORT/bare" && return 0; sleep 0.1; done
    tail -n 5 "$LOG"/*.log >&2
    ! grep -q 'Address already in use' "$LOG/nginx.log" 2>/dev/null || say "port $PORT is taken by something that is not Rung's: end it and run this again"
    stop_here "the application does not answer; its logs are in $LOG and $STORAGE/logs"
}

SERVICES="backups worker scheduler nginx fpm postgres"

# Ends services whose supervisor is gone.
end_services() {
    local name
    for name in $SERVICES; do end_owned "$name" "$([ "$name" = postgres ] && echo INT || echo TERM)" 20; done
}

stop_instance() {
    if [ -n "$(owned supervisor)" ]; then
        say "ending Rung ($INSTANCE)"
        end_owned supervisor TERM 60
    fi
    end_services
}

demo_is_loaded() { [ "$(owner_sql rung -c 'select count(*) from practices where demo' 2>/dev/null)" != 0 ]; }

# The way in for the first owner, as long as there is no practice.
tell_setup() {
    local code; code=$(artisan rung:setup-code)
    [ -z "$code" ] || say "there is no practice yet: make one on $APP_URL with this code: $code"
}

tell_demo() {
    demo_is_loaded || return 0
    say "demo practitioner: ola.vance@ropewalk.example   password: $DEMO_PASSWORD"
    say "demo athlete:      juno.tamsin@ropewalk.example password: $DEMO_PASSWORD   (on $APP_URL/athlete)"
}
