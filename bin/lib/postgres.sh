# A PostgreSQL of the project's own in var/postgres, on loopback.

PG_STARTED=""

# The log tells what failed, and not with which values.
PG_LOG="-c log_error_verbosity=terse -c log_min_error_statement=panic"

as_postgres() { if is_root; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi; }

# What PostgreSQL is advised to keep to itself, in MB: 128 to 2048. Source: its documentation,
# 20.4 Resource Consumption, shared_buffers.
quarter_of_memory() {
    awk '/^MemTotal:/ { mb = int($2 / 4096); print (mb < 128 ? 128 : (mb > 2048 ? 2048 : mb)) }' /proc/meminfo
}

# Paths of sockets are short: 107 bytes (Linux, unix(7)).
socket_fits() { [ "$(printf %s "$PG_SOCKET/.s.PGSQL.65535" | wc -c)" -le 107 ]; }

# The role that makes databases; the application's own role, wellspring, has what its database holds and nothing else.
ADMIN=wellspring_admin

# as_admin PROGRAM ARGUMENTS…: connected as that role.
as_admin() {
    PGHOST=127.0.0.1 PGPORT="$DB_PORT" PGUSER="$ADMIN" PGPASSWORD="$(cat "$VAR/postgres-admin")" "$@"
}

make_cluster() {
    say "Making a database in $PG_DATA"
    rm -rf "$PG_DATA" && mkdir -p "$PG_DATA"
    local secret="$VAR/run/password"
    (umask 077 && head -c 18 /dev/urandom | base64 | tr '+/' 'ab' > "$VAR/postgres-admin" \
        && cp "$VAR/postgres-admin" "$secret")
    if is_root; then chown postgres "$PG_DATA" "$secret"; fi
    as_postgres "$PG_BIN/initdb" -D "$PG_DATA" -U "$ADMIN" --pwfile="$secret" -A scram-sha-256 \
        -E UTF8 --locale=C.UTF-8 > "$VAR/log/initdb.log" 2>&1 \
        || fail "The database could not be made; $VAR/log/initdb.log says why."
    rm -f "$secret"
    # A scan is shared by the process that asks and one worker fewer than there are cores.
    cat >> "$PG_DATA/postgresql.conf" <<CONF
listen_addresses = '127.0.0.1'
unix_socket_directories = ''
shared_buffers = $(quarter_of_memory)MB
work_mem = 16MB
random_page_cost = 1.1
max_parallel_workers_per_gather = $(($(nproc) > 2 ? $(nproc) - 1 : 1))
jit = off
CONF
}

# Where the application's role was a superuser still, its data move to a database in which it is none.
move_from_superuser() {
    local dump="$VAR/run/moved.sql"
    say "The application's role may do anything in this database. Its data move to one in which it may not."
    launch_postgres
    PGPASSWORD="$DB_PASSWORD" "$PG_BIN/pg_dump" -h 127.0.0.1 -p "$DB_PORT" -U wellspring -d wellspring \
        --no-owner --no-privileges --no-comments > "$dump" || fail "The data could not be read; nothing was changed."
    stop_postgres
    mv "$PG_DATA" "$PG_DATA-before"
    make_cluster
    launch_postgres
    ensure_role
    ensure_database wellspring
    PGPASSWORD="$DB_PASSWORD" "$PG_BIN/psql" -h 127.0.0.1 -p "$DB_PORT" -U wellspring -d wellspring -qX \
        -v ON_ERROR_STOP=1 -f "$dump" > "$VAR/log/moved.log" 2>&1 \
        || fail "The data could not be moved; $VAR/log/moved.log says why. They are in $PG_DATA-before."
    rm -f "$dump"
    say "Moved. The files of before are in $PG_DATA-before until you remove them."
}

ensure_role() {
    DB_PASSWORD="$DB_PASSWORD" as_admin "$PG_BIN/psql" -d postgres -qX <<'SQL'
\getenv pass DB_PASSWORD
select format('create role wellspring login password %L', :'pass')
    where not exists (select 1 from pg_roles where rolname = 'wellspring') \gexec
alter role wellspring with nosuperuser nocreatedb nocreaterole noreplication nobypassrls password :'pass';
SQL
}

launch_postgres() {
    DB_PORT="$(free_port "${WELLSPRING_DB_PORT:-54320}")"
    [ -n "${KEEP_LOG:-}" ] || : > "$VAR/log/postgres.log"
    if is_root; then chown postgres "$VAR/log/postgres.log"; fi
    mkdir -p "$PG_SOCKET" && chmod 711 "$PG_SOCKET"; if is_root; then chown postgres "$PG_SOCKET"; fi
    # Noted before it is there: a script that ends while it starts ends it, too.
    owned postgres "$PG_DATA" "$PG_BIN" "$(is_root && printf postgres)"
    PG_STARTED=1
    as_postgres "$PG_BIN/pg_ctl" -D "$PG_DATA" -l "$VAR/log/postgres.log" -w -t 60 start \
        -o "-p $DB_PORT -k '$(socket_fits && printf %s "$PG_SOCKET")' $PG_LOG" \
        >/dev/null 2>&1 \
        || fail "PostgreSQL did not start; $VAR/log/postgres.log says why."
}

start_postgres() {
    PG_BIN="$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)"
    [ -n "$PG_BIN" ] || fail "PostgreSQL is not installed."
    PG_DATA="$VAR/postgres"
    PG_SOCKET="$VAR/run/socket"
    DB_PASSWORD="$(sed -n 's/^DB_PASSWORD=//p' "$ROOT/.env")"
    [ -f "$PG_DATA/PG_VERSION" ] || make_cluster
    if as_postgres "$PG_BIN/pg_ctl" -D "$PG_DATA" status >/dev/null 2>&1; then
        DB_PORT="$(sed -n 4p "$PG_DATA/postmaster.pid")"
        [ -f "$VAR/postgres-admin" ] || fail "The database is of an older release and in use. Stop what uses it first."
    elif [ -f "$VAR/postgres-admin" ]; then
        launch_postgres
    else
        move_from_superuser
    fi
    ensure_role
    # Within the machine a socket is the shorter way; who comes by loopback is let in as well.
    DB_HOST=127.0.0.1; [ ! -S "$PG_SOCKET/.s.PGSQL.$DB_PORT" ] || DB_HOST="$PG_SOCKET"
    export DB_PORT DB_HOST DB_USERNAME=wellspring DB_PASSWORD
    # Of the site's own: what other copies of it use goes by the environment alone.
    [ -n "${KEEP_ENV:-}" ] || sed -i "s/^DB_PORT=.*/DB_PORT=$DB_PORT/" "$ROOT/.env"
}

ensure_database() {
    as_admin "$PG_BIN/psql" -d postgres -AtqX -c "select 1 from pg_database where datname = '$1'" | grep -q 1 \
        || as_admin "$PG_BIN/createdb" -O wellspring "$1"
}

# copy_database FROM TO: nobody may be connected to the first.
copy_database() { as_admin "$PG_BIN/createdb" -O wellspring -T "$1" "$2"; }

# The answer of a query on the database, empty where it cannot be asked: ask_database NAME SQL.
ask_database() { as_admin "$PG_BIN/psql" -d "$1" -AtqX -c "$2" 2>/dev/null || true; }

drop_database() { as_admin "$PG_BIN/dropdb" --if-exists --force "$1"; }

postgres_runs() {
    local pid; pid="$(head -n 1 "$PG_DATA/postmaster.pid" 2>/dev/null)" || true
    [ -n "$pid" ] && kill -0 "$pid" 2>/dev/null
}

# On the port it had, and without ending this script where it does not start.
restart_postgres() { (WELLSPRING_DB_PORT="$DB_PORT" KEEP_LOG=1 start_postgres) && PG_STARTED=1; }

stop_postgres() {
    [ -n "$PG_STARTED" ] || return 0
    as_postgres "$PG_BIN/pg_ctl" -D "$PG_DATA" -m fast -w stop >/dev/null 2>&1 || true
    sed -i '/^postgres\t/d' "$VAR/run/owned-$$" 2>/dev/null || true
    PG_STARTED=""
}
