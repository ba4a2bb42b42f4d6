# The database: its cluster, its roles, and its backups.
#
#   rung        the cluster's highest role; used here alone, to make the other two
#   rung_owner  owns the tables and migrates
#   rung_app    the application: reads and writes rows of the practice that it names, changes no table

# psql as a role, statements from standard input; the password never stands on a command line.
sql() {
    local role=$1 word=$2 database=$3; shift 3
    PGPASSWORD=$word psql -qAtX -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$PG_PORT" -U "$role" -d "$database" "$@"
}
admin_sql() { sql rung "$DB_ADMIN_PASSWORD" "$@"; }
owner_sql() { sql rung_owner "$DB_OWNER_PASSWORD" "$@"; }

make_cluster() {
    [ ! -f "$PG_DATA/PG_VERSION" ] || return 0
    say "making the database cluster"
    mkdir -p "$PG_DATA"; ! is_root || chown "$PG_USER" "$PG_DATA"; chmod 700 "$PG_DATA"
    local word; word=$(as "$PG_USER" mktemp); as "$PG_USER" tee "$word" >/dev/null <<<"$DB_ADMIN_PASSWORD"
    (cd / && quietly as "$PG_USER" "$PG_BIN/initdb" -D "$PG_DATA" -U rung --pwfile="$word" --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 --data-checksums)
    as "$PG_USER" rm -f "$word"
}

wait_for_postgres() {
    local i
    for i in $(seq 150); do "$PG_BIN/pg_isready" -q -h 127.0.0.1 -p "$PG_PORT" && return 0; sleep 0.1; done
    tail -n 20 "$LOG/postgres.log" >&2
    stop_here "PostgreSQL does not answer on port $PG_PORT; its log is $LOG/postgres.log"
}

make_roles() {
    # Earlier releases gave the application the cluster's highest role: its password is changed.
    if ! admin_sql postgres -c 'select 1' >/dev/null 2>&1; then
        sql rung "$DB_OLD_PASSWORD" postgres <<<"alter role rung password '$DB_ADMIN_PASSWORD'" || stop_here "PostgreSQL refuses the password in $HOME_DIR/secrets"
        sed -i '/^DB_OLD_PASSWORD=/d' "$HOME_DIR/secrets"
    fi
    admin_sql postgres <<SQL
select 'create role ' || name from unnest(array['rung_owner', 'rung_app']) as name where not exists (select 1 from pg_roles where rolname = name) \gexec
alter role rung_owner login nosuperuser nocreatedb nocreaterole noreplication nobypassrls password '$DB_OWNER_PASSWORD';
alter role rung_app login nosuperuser nocreatedb nocreaterole noreplication nobypassrls password '$DB_APP_PASSWORD';
alter role rung_owner set timezone = 'UTC';
alter role rung_app set timezone = 'UTC';
alter role rung_app set statement_timeout = '60s';
alter role rung_app set idle_in_transaction_session_timeout = '60s';
select 'create database rung owner rung_owner' where not exists (select 1 from pg_database where datname = 'rung') \gexec
alter database rung owner to rung_owner;
revoke all on database rung, postgres, template1 from public;
grant connect on database rung to rung_app;
SQL
    admin_sql rung <<'SQL'
alter schema public owner to rung_owner;
revoke all on schema public from public;
grant usage on schema public to rung_app;
select format('alter %s public.%I owner to rung_owner', case relkind when 'S' then 'sequence' else 'table' end, relname)
    from pg_class where relnamespace = 'public'::regnamespace and relkind in ('r', 'p', 'v') and relowner <> 'rung_owner'::regrole \gexec
select format('alter function public.%I() owner to rung_owner', proname)
    from pg_proc where pronamespace = 'public'::regnamespace and proowner <> 'rung_owner'::regrole and pronargs = 0 \gexec
SQL
}

# How many rows each table holds, a line a table.
counts() {
    owner_sql "$1" <<'SQL'
select format('select %L || '' '' || count(*) from public.%I', relname, relname)
    from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' order by relname \gexec
SQL
}

passphrase() { printf '%s' "${RUNG_BACKUP_PASSPHRASE:-$BACKUP_PASSPHRASE}"; }
seal() { openssl enc -aes-256-cbc -pbkdf2 -iter 600000 -md sha256 -salt -pass fd:3 3< <(passphrase); }
unseal() { openssl enc -d -aes-256-cbc -pbkdf2 -iter 600000 -md sha256 -pass fd:3 3< <(passphrase); }

# backup FILE: the whole database, checked by restoring it into a scratch database, then encrypted.
backup() (
    umask 077
    local file work; file=$(readlink -f -- "$1")
    work=$(mktemp -d "$HOME_DIR/backups/.work.XXXXXX")
    trap 'rm -rf "$work"' EXIT
    PGPASSWORD=$DB_OWNER_PASSWORD "$PG_BIN/pg_dump" -h 127.0.0.1 -p "$PG_PORT" -U rung_owner -Fc -f "$work/dump" rung
    restore_into rung_scratch "$work/dump"
    counts rung_scratch >"$work/counts"
    drop_database rung_scratch
    [ -s "$work/counts" ] || stop_here "the backup restores to nothing"
    (cd "$work" && sha256sum dump counts >sums && tar -cf - dump counts sums) | seal >"$work/sealed"
    mv "$work/sealed" "$file"
    # Whoever is erased later is erased again after this is restored; the list holds ids alone.
    if [ -f "$STORAGE/app/erased.jsonl" ]; then cp "$STORAGE/app/erased.jsonl" "$file.erased"; fi
    say "backup written: $file ($(awk '{ n += $2 } END { print n }' "$work/counts") rows in $(wc -l <"$work/counts") tables, restored once to check)"
)

# restore FILE: into a scratch database first; only what is whole takes the place of what is there, which is kept aside.
restore() (
    umask 077
    local file work; file=$(readlink -f -- "$1")
    [ -f "$file" ] || stop_here "there is no file $1"
    work=$(mktemp -d "$HOME_DIR/backups/.work.XXXXXX")
    trap 'rm -rf "$work"' EXIT
    { unseal <"$file" 2>/dev/null | tar -C "$work" -xf - 2>/dev/null; } && (cd "$work" && sha256sum --quiet -c sums >/dev/null 2>&1) \
        || stop_here "$1 is no backup of Rung, is damaged, or was made with another passphrase (RUNG_BACKUP_PASSPHRASE); nothing was changed"
    restore_into rung_scratch "$work/dump"
    if ! diff <(cat "$work/counts") <(counts rung_scratch) >"$work/differs"; then
        drop_database rung_scratch
        stop_here "the restored rows do not match what the backup counted; nothing was changed"
    fi
    drop_database rung_before
    admin_sql postgres <<'SQL'
select pg_terminate_backend(pid) from pg_stat_activity where datname in ('rung', 'rung_scratch') \g /dev/null
alter database rung rename to rung_before;
alter database rung_scratch rename to rung;
grant connect on database rung to rung_app;
SQL
    say "restored from $file; what was there before is kept as database rung_before"
)

restore_into() {
    drop_database "$1"
    admin_sql postgres <<<"create database $1 owner rung_owner"
    admin_sql "$1" <<<'alter schema public owner to rung_owner; revoke all on schema public from public; grant usage on schema public to rung_app'
    PGPASSWORD=$DB_OWNER_PASSWORD quietly "$PG_BIN/pg_restore" -h 127.0.0.1 -p "$PG_PORT" -U rung_owner -d "$1" --exit-on-error --no-comments \
        --use-list=<("$PG_BIN/pg_restore" --list "$2" | grep -v ' SCHEMA - public ' ) "$2"
}

drop_database() { admin_sql postgres <<<"set client_min_messages = warning; drop database if exists $1 with (force)"; }

# A backup a day, as many kept as the settings say; run by the supervisor.
daily_backups() {
    while true; do
        local newest; newest=$(find "$HOME_DIR/backups" -name 'rung-*.backup' -mmin -1435 | head -1)
        if [ -z "$newest" ] && "$PG_BIN/pg_isready" -q -h 127.0.0.1 -p "$PG_PORT"; then
            backup "$HOME_DIR/backups/rung-$(date +%Y-%m-%d).backup" || true
            ls -1 "$HOME_DIR"/backups/rung-*.backup 2>/dev/null | sort -r | tail -n "+$((BACKUPS_KEPT + 1))" | while read -r old; do rm -f "$old"; done
        fi
        sleep 300
    done
}
