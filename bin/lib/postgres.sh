# A PostgreSQL of the project's own in var/postgres, on loopback.

PG_STARTED=""

as_postgres() { if is_root; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi; }

# What PostgreSQL is advised to keep to itself, in MB: 128 to 2048. Source: its documentation,
# 20.4 Resource Consumption, shared_buffers.
quarter_of_memory() {
    awk '/^MemTotal:/ { mb = int($2 / 4096); print (mb < 128 ? 128 : (mb > 2048 ? 2048 : mb)) }' /proc/meminfo
}

# Paths of sockets are short: 107 bytes (Linux, unix(7)).
socket_fits() { [ "$(printf %s "$PG_SOCKET/.s.PGSQL.65535" | wc -c)" -le 107 ]; }

start_postgres() {
    PG_BIN="$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)"
    [ -n "$PG_BIN" ] || fail "PostgreSQL is not installed."
    PG_DATA="$VAR/postgres"
    PG_SOCKET="$VAR/run/socket"
    local pass; pass="$(sed -n 's/^DB_PASSWORD=//p' "$ROOT/.env")"
    if [ ! -f "$PG_DATA/PG_VERSION" ]; then
        say "Making a database in $PG_DATA"
        rm -rf "$PG_DATA" && mkdir -p "$PG_DATA"
        local secret="$VAR/run/password"
        (umask 077 && printf '%s' "$pass" > "$secret")
        if is_root; then chown postgres "$PG_DATA" "$secret"; fi
        as_postgres "$PG_BIN/initdb" -D "$PG_DATA" -U wellspring --pwfile="$secret" -A scram-sha-256 \
            -E UTF8 --locale=C.UTF-8 > "$VAR/log/initdb.log" 2>&1 \
            || fail "The database could not be made; $VAR/log/initdb.log says why."
        rm -f "$secret"
        cat >> "$PG_DATA/postgresql.conf" <<CONF
listen_addresses = '127.0.0.1'
unix_socket_directories = ''
shared_buffers = $(quarter_of_memory)MB
work_mem = 16MB
random_page_cost = 1.1
max_parallel_workers_per_gather = $(( $(nproc) > 2 ? $(nproc) - 1 : 1 ))
jit = off
CONF
    fi
    if as_postgres "$PG_BIN/pg_ctl" -D "$PG_DATA" status >/dev/null 2>&1; then
        DB_PORT="$(sed -n 4p "$PG_DATA/postmaster.pid")"
    else
        DB_PORT="$(free_port "${WELLSPRING_DB_PORT:-54320}")"
        : > "$VAR/log/postgres.log"; if is_root; then chown postgres "$VAR/log/postgres.log"; fi
        mkdir -p "$PG_SOCKET"; if is_root; then chown postgres "$PG_SOCKET"; fi
        as_postgres "$PG_BIN/pg_ctl" -D "$PG_DATA" -l "$VAR/log/postgres.log" -w -t 60 start \
            -o "-p $DB_PORT -k '$(socket_fits && printf %s "$PG_SOCKET")'" \
            >/dev/null 2>&1 \
            || fail "PostgreSQL did not start; $VAR/log/postgres.log says why."
        PG_STARTED=1
    fi
    # Within the machine a socket is the shorter way; who comes by loopback is let in as well.
    DB_HOST=127.0.0.1; [ ! -S "$PG_SOCKET/.s.PGSQL.$DB_PORT" ] || DB_HOST="$PG_SOCKET"
    export DB_PORT DB_HOST DB_USERNAME=wellspring DB_PASSWORD="$pass"
    sed -i "s/^DB_PORT=.*/DB_PORT=$DB_PORT/" "$ROOT/.env"
}

ensure_database() {
    PGPASSWORD="$DB_PASSWORD" "$PG_BIN/psql" -h 127.0.0.1 -p "$DB_PORT" -U wellspring -d postgres -Atq \
        -c "select 1 from pg_database where datname = '$1'" | grep -q 1 \
        || PGPASSWORD="$DB_PASSWORD" "$PG_BIN/createdb" -h 127.0.0.1 -p "$DB_PORT" -U wellspring "$1"
}

# copy_database FROM TO: nobody may be connected to the first.
copy_database() { PGPASSWORD="$DB_PASSWORD" "$PG_BIN/createdb" -h 127.0.0.1 -p "$DB_PORT" -U wellspring -T "$1" "$2"; }

drop_database() {
    PGPASSWORD="$DB_PASSWORD" "$PG_BIN/dropdb" --if-exists --force -h 127.0.0.1 -p "$DB_PORT" -U wellspring "$1"
}

stop_postgres() {
    [ -z "$PG_STARTED" ] || as_postgres "$PG_BIN/pg_ctl" -D "$PG_DATA" -m fast -w stop >/dev/null 2>&1 || true
    PG_STARTED=""
}
