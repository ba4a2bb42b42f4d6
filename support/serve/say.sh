# Words to the person at the keyboard.
say() { printf '\033[1m%s\033[0m\n' "rung: $*"; }
stop_here() { printf 'rung: %s\n' "$*" >&2; exit 1; }

# Runs a step quietly; shows its output only when it fails.
quietly() {
    local log; log=$(mktemp)
    if "$@" >"$log" 2>&1; then rm -f "$log"; else
        local code=$?; tail -n 60 "$log" >&2; rm -f "$log"; return "$code"
    fi
}
