#!/usr/bin/env bash
# Ends what a script has started and has not ended itself: the script was killed, or a signal came at a bad moment.
#   guard.sh PID LIST SECONDS    waits for the process PID to end; then services have so many seconds to end.
#                        LIST has a line for each service (“service PID SIGNAL”) and
#                        for PostgreSQL (“postgres DATA BIN USER”), parted by tabs.
set -u
IFS=$'\t'
trap '' INT TERM HUP
script="$1" list="$2" seconds="$3"
# The script waits for this file before it starts a service.
: > "$list.guarded"
while kill -0 "$script" 2>/dev/null; do sleep 0.3; done
rm -f "$list.guarded"
[ -f "$list" ] || exit 0
# A service leads a session of its own; another process that got the number meanwhile does not.
leads() { [ "$(sed 's/.*) //' "/proc/$1/stat" 2>/dev/null | cut -d ' ' -f 4)" = "$1" ]; }
left=()
while read -r kind pid signal _; do
    if [ "$kind" = service ] && leads "$pid"; then
        left+=("$pid")
        kill -s "$signal" "$pid" 2>/dev/null
    fi
done < "$list"
for ((tries = 0; tries < seconds * 2; tries++)); do
    running=""
    for pid in ${left[@]+"${left[@]}"}; do ! leads "$pid" || running=1; done
    [ -n "$running" ] || break
    sleep 0.5
done
# What the services have started themselves is in their groups.
for pid in ${left[@]+"${left[@]}"}; do kill -KILL -- "-$pid" 2>/dev/null; done
while read -r kind data bin user; do
    [ "$kind" = postgres ] || continue
    if [ -n "$user" ]; then
        (cd / && runuser -u "$user" -- "$bin/pg_ctl" -D "$data" -m fast -w stop)
    else
        "$bin/pg_ctl" -D "$data" -m fast -w stop
    fi
done < "$list" > /dev/null 2>&1
rm -f "$list"
