# What bin/start, bin/test and bin/bench share. Sourced, with ROOT set.

# Secrets, letters and drafts are for those who serve the site alone.
umask 027

say() { printf '%s\n' "$*"; }
fail() { printf '\n%s\n' "$*" >&2; exit 1; }
# during WHAT COMMAND…: says what is done, and every 20 seconds that it still is.
during() {
    local what="$1" code=0 beat; shift
    say "$what …"
    (while sleep 20 > /dev/null 2>&1 && kill -0 "$$" 2>/dev/null; do
        say "  still at it: $what ($SECONDS seconds since the start)"
    done) & beat=$!
    "$@" || code=$?
    { kill "$beat" && wait "$beat"; } 2>/dev/null || true
    return "$code"
}
# quietly LOG COMMAND…: in the project's folder, what it says going to the log of that name.
quietly() { local log="$VAR/log/$1.log"; shift; (cd "$ROOT" && "$@") > "$log" 2>&1; }
is_root() { [ "$(id -u)" = 0 ]; }

# PostgreSQL refuses to run as root, so root lends it to Debian's own users.
choose_places() {
    VAR="${WELLSPRING_VAR:-$ROOT/var}"
    mkdir -p "$VAR" 2>/dev/null \
        || fail "The folder $VAR cannot be made. Choose another with WELLSPRING_VAR=/some/folder."
    # The users of the database and the web server pass through; nobody else reads.
    chmod 711 "$VAR"
    if is_root && id postgres >/dev/null 2>&1 && ! runuser -u postgres -- test -x "$VAR"; then
        VAR="/var/tmp/wellspring-$(printf '%s' "$ROOT" | sha256sum | cut -c1-12)"
        mkdir -p "$VAR"
        say "The database's user cannot enter $ROOT, so its files go to $VAR."
    fi
    mkdir -p "$VAR/log" "$VAR/run" "$VAR/cache" "$VAR/stamps"
    chmod 711 "$VAR" "$VAR/run"
    chmod 750 "$VAR/log" "$VAR/cache" "$VAR/stamps"
    # Files of an older release may be open to all.
    find "$VAR/run" -maxdepth 1 -type f -exec chmod o-rwx {} + 2>/dev/null || true
    if is_root && id postgres >/dev/null 2>&1; then chgrp postgres "$VAR/log"; fi
    WEB_USER=""
    if is_root; then
        WEB_USER=root
        if runuser -u www-data -- test -r "$ROOT/artisan" 2>/dev/null; then WEB_USER=www-data; fi
    fi
}

as_web() { if [ -n "$WEB_USER" ] && [ "$WEB_USER" != root ]; then runuser -u "$WEB_USER" -- "$@"; else "$@"; fi; }

# A stamp tells whether something has to be done again: stamp_is NAME SUM, set_stamp NAME SUM.
stamp_is() { [ "$(cat "$VAR/stamps/$1" 2>/dev/null)" = "$2" ]; }
set_stamp() { printf '%s' "$2" > "$VAR/stamps/$1"; }
sum_of() {
    (cd "$ROOT" && find "$@" -type f -print0 2>/dev/null | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-64)
}

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
free_port() { local port="$1"; until port_is_free "$port"; do port=$((port + 1)); done; printf '%s' "$port"; }
