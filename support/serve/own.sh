# Which processes are Rung's own. A number in a file proves nothing, since numbers are used again: each service records
# the boot, its process, when that process began and its program, and only what fits the record is ever ended.

start_time() { sed 's/.*) //' "/proc/$1/stat" 2>/dev/null | cut -d' ' -f20; }

# record NAME PROGRAM: this process is the service from here on.
record() {
    local file="$RUN/$1.own"
    echo "$(cat /proc/sys/kernel/random/boot_id) $$ $(start_time $$) $2" >"$file.new"
    mv "$file.new" "$file"
}

# The processes of a service, its children among them, also where its first process has died.
owned() {
    local boot pid start program other
    [ -f "$RUN/$1.own" ] && read -r boot pid start program <"$RUN/$1.own" || return 0
    [ "$boot" = "$(cat /proc/sys/kernel/random/boot_id)" ] || return 0
    if [ -d "/proc/$pid" ] && [ "$(start_time "$pid")" != "$start" ]; then return 0; fi
    # Field 5 of a process's record is its group, field 22 when it began; the second, its name in brackets, is taken out.
    for other in $({ cat /proc/[0-9]*/stat 2>/dev/null || true; } | sed 's/ (.*) / /' | awk -v group="$pid" -v start="$start" '$4 == group && $21 >= start && $2 != "Z" { print $1 }'); do
        if [ "$other" = "$pid" ] || [ "$(readlink "/proc/$other/exe" | sed 's/ (deleted)$//')" = "$program" ]; then echo "$other"; fi
    done
}

runs() { local boot pid; [ -f "$RUN/$1.own" ] && read -r boot pid _ <"$RUN/$1.own" && grep -qx "$pid" <<<"$(owned "$1")"; }

# end_owned NAME SIGNAL SECONDS: asks what a service left to end, waits, then makes it.
end_owned() {
    local pids i; pids=$(owned "$1")
    [ -n "$pids" ] || { rm -f "$RUN/$1.own"; return 0; }
    kill -"$2" $pids 2>/dev/null || true
    for i in $(seq $(($3 * 10))); do [ -n "$(owned "$1")" ] || break; sleep 0.1; done
    pids=$(owned "$1")
    [ -z "$pids" ] || kill -KILL $pids 2>/dev/null || true
    for i in $(seq 20); do [ -n "$(owned "$1")" ] || break; sleep 0.1; done
    rm -f "$RUN/$1.own"
}

# Earlier releases wrote down process ids alone: one is ended only if its command line names this instance's folder.
end_old_layout() {
    local file pid
    for file in scheduler nginx fpm; do
        pid=$(head -1 "$HOME_DIR/run/$file.pid" 2>/dev/null) || continue
        case "$(tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null) $(readlink "/proc/$pid/cwd")" in
            *"$HOME_DIR/run"*) kill "$pid" 2>/dev/null || true ;;
            *schedule:work*"$ROOT") kill -- "-$pid" 2>/dev/null || kill "$pid" 2>/dev/null || true ;;
        esac
    done
    pid=$(head -1 "$HOME_DIR/pg/postmaster.pid" 2>/dev/null) || return 0
    [ "$(readlink "/proc/$pid/cwd")" != "$HOME_DIR/pg" ] || quietly as "$PG_USER" "$PG_BIN/pg_ctl" -D "$HOME_DIR/pg" -m fast -w stop
}
