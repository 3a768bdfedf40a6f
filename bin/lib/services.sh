# Processes that run as long as the site is served. What ends by itself is started again.

declare -A SERVICE_COMMAND SERVICE_LOG SERVICE_STOP SERVICE_PID
# By name: when it was begun, how often running it has ended at once, when it is tried again, and whether it ever ran.
declare -A BEGUN FAILED DUE HAS_RUN
SERVICES=""

# What ends within so many seconds has failed to start.
FAILS_WITHIN=2
# Seconds before it is tried again, longer each time. After the last, what has never run is given up; what has run waits
# for something else that is down, a database that recovers for minutes perhaps, and is tried every so many seconds.
PAUSES=(0 1 2 4 8)
# Seconds that a service has to end what it has in hand.
LAST_REQUESTS=10

# Whatever way this script ends, nothing that it has started stays: owned WORD…, a line for bin/lib/guard.sh.
owned() {
    OWNED="$VAR/run/owned-$$"
    (IFS=$'\t'; printf '%s\n' "$*" >> "$OWNED")
    [ -z "${GUARD_PID:-}" ] || return 0
    rm -f "$OWNED.guarded"
    setsid bash "$ROOT/bin/lib/guard.sh" "$$" "$OWNED" "$LAST_REQUESTS" < /dev/null > /dev/null 2>&1 &
    GUARD_PID=$!
    disown "$GUARD_PID"
    # The guard must have left the process group of this script before a service starts. Otherwise a signal to the group
    # could kill the script and the guard, but not the service.
    until [ -e "$OWNED.guarded" ] || ! kill -0 "$GUARD_PID" 2>/dev/null; do sleep 0.01; done
}

# run_service NAME SIGNAL LOG COMMAND…: starts it; the signal asks it to finish what it has in hand, and end.
run_service() {
    local name="$1"
    SERVICE_STOP[$name]="$2"; SERVICE_LOG[$name]="$3"
    shift 3
    SERVICE_COMMAND[$name]="$(printf '%q ' "$@")"
    SERVICES="$SERVICES $name"
    begin_service "$name"
}

begin_service() {
    # A group of its own, of which nothing is left when it is started again: workers may live longer than their master.
    [ -z "${SERVICE_PID[$1]:-}" ] || kill -KILL -- "-${SERVICE_PID[$1]}" 2>/dev/null || true
    owned
    # The process notes its own number before it becomes the service, so that no moment is left in which it is unknown.
    (
        printf 'service\t%s\t%s\n' "$BASHPID" "${SERVICE_STOP[$1]}" >> "$OWNED"
        eval "exec setsid ${SERVICE_COMMAND[$1]}"
    ) >> "${SERVICE_LOG[$1]}" 2>&1 &
    SERVICE_PID[$1]=$!
    # That it was killed is said here, and not by the shell as well.
    disown "$!"
    printf '%s' "$!" > "$VAR/run/$1.pid"
    BEGUN[$1]=$SECONDS
}

# Those started last end first.
stop_services() {
    local name pid turned="" end
    for name in $SERVICES; do turned="$name $turned"; done
    for name in $turned; do
        pid="${SERVICE_PID[$name]}"
        kill -s "${SERVICE_STOP[$name]}" "$pid" 2>/dev/null || continue
        end=$((SECONDS + LAST_REQUESTS))
        while kill -0 "$pid" 2>/dev/null && [ "$SECONDS" -lt "$end" ]; do sleep 0.1; done
        if kill -0 "$pid" 2>/dev/null; then
            say "$name did not end within $LAST_REQUESTS seconds and is killed."
        fi
        kill -KILL -- "-$pid" 2>/dev/null || true
    done
    SERVICES=""
}

# again NAME LOG COMMAND…: does what starts it, after a pause where it has failed to start before.
again() {
    local name="$1" log="$2" last=$((${#PAUSES[@]} - 1)) pause; shift 2
    FAILED[$name]="${FAILED[$name]:-0}"
    if [ -z "${DUE[$name]:-}" ]; then
        if [ $((SECONDS - ${BEGUN[$name]:-0})) -gt "$FAILS_WITHIN" ]; then FAILED[$name]=0; HAS_RUN[$name]=1; fi
        if [ "${FAILED[$name]}" -gt "$last" ]; then
            [ -n "${HAS_RUN[$name]:-}" ] \
                || fail "$name has ended at once, ${#PAUSES[@]} times in a row. Giving up; see $log."
            FAILED[$name]="$last"
        fi
        pause="${PAUSES[${FAILED[$name]}]}"
        FAILED[$name]=$((FAILED[$name] + 1))
        DUE[$name]=$((SECONDS + pause))
        say "$(date '+%H:%M:%S') $name has ended; it is started again$([ "$pause" = 0 ] || printf ' in %s s' "$pause")."
    fi
    [ "$SECONDS" -ge "${DUE[$name]}" ] || return 0
    DUE[$name]=""
    BEGUN[$name]=$SECONDS
    "$@" || true
}

# A log that has grown to so many bytes begins anew; the one before is kept beside it.
LOG_BYTES=$((50 * 1024 * 1024))
rotate_logs() {
    local log
    find "$VAR/log" -maxdepth 1 -name '*.log' -size +"$LOG_BYTES"c | while read -r log; do
        # Whoever writes goes on at its end, which is its beginning then.
        cp "$log" "$log.1" && : > "$log"
    done
}

# Watches PostgreSQL and the services until a signal comes, or one of them ends again and again.
watch_services() {
    local name rotated="$SECONDS"
    while true; do
        if [ "$SECONDS" -ge $((rotated + 60)) ]; then rotate_logs; rotated="$SECONDS"; fi
        if ! postgres_runs; then
            again PostgreSQL "$VAR/log/postgres.log" restart_postgres
        fi
        for name in $SERVICES; do
            if ! kill -0 "${SERVICE_PID[$name]}" 2>/dev/null; then
                again "$name" "${SERVICE_LOG[$name]}" begin_service "$name"
            fi
        done
        # In the background: a signal is answered at once.
        sleep 0.5 & wait $! || true
    done
}
