# Watches the server and its database while the application runs, and starts again what has ended by itself.

# A check that kills again and again has no time for long pauses.
LONGEST_PAUSE=${IVLEN_LONGEST_PAUSE:-30}
# Seconds after which an end is a new mishap, and no longer the last one that goes on.
STEADY=60
WATCH_EVERY=1

# next_pause PAUSE: twice as long, up to the longest.
next_pause() {
  local next=$(($1 * 2))
  printf '%s' $((next > LONGEST_PAUSE ? LONGEST_PAUSE : next))
}

# A pause that a signal cuts short.
rest() {
  sleep "$1" &
  wait $! || true
}

# ended_how STATUS: what a process ended by, in words.
ended_how() {
  if [ "$1" -gt 128 ]; then printf 'by signal %s' $(($1 - 128)); else printf 'with error %s' "$1"; fi
}

# Says that a disk is full where it is: then nothing else has to be looked for.
disk_in_words() {
  local free
  free=$(df -Pm "$1" 2>/dev/null | awk 'NR == 2 { print $4 }')
  [ -n "$free" ] && [ "$free" -lt 64 ] && printf ' The disk is full: %s MB free in %s; nothing was lost.' "$free" "$1"
  return 0
}

# Starts the cluster in PG_DATA again whenever it has ended, while the process OWNER lives and the file WANTED stands.
# Never on another port: the server knows this one.
watch_database() {
  local owner=$1 wanted=$2 pause=1
  trap 'exit 0' TERM
  while kill -0 "$owner" 2>/dev/null; do
    rest "$WATCH_EVERY"
    cluster_pid >/dev/null && continue
    [ -e "$wanted" ] || return 0
    say "The database has ended. Starting it again …"
    pause=1
    until launch_cluster && cluster_answers; do
      kill -0 "$owner" 2>/dev/null && [ -e "$wanted" ] || return 0
      say "The database does not start.$(disk_in_words "$PG_DATA") Trying again in $pause s; its log: $PG_LOG"
      rest "$pause"
      pause=$(next_pause "$pause")
    done
    say "The database is back."
  done
}

# keep_server_running WANTED READY: runs launch_server, which sets SERVER_PID, again whenever it has ended by itself, until
# it ends in peace or SIGTERM comes. A first start that ends before the file READY stands is a mistake that no second try
# mends: its status is returned.
keep_server_running() {
  local wanted=$1 ready=$2 pause=1 begun status stopping=0
  SERVER_PID=
  trap 'stopping=1; [ -z "$SERVER_PID" ] || kill -TERM "$SERVER_PID" 2>/dev/null || true' INT TERM HUP
  rm -f "$ready"
  while :; do
    begun=$SECONDS
    launch_server
    [ "$stopping" -eq 0 ] || kill -TERM "$SERVER_PID" 2>/dev/null || true
    status=0
    # The shell would print the whole command of a server that was killed.
    wait "$SERVER_PID" 2>/dev/null || status=$?
    # A signal to us ends the waiting, not the server, which closes by itself.
    while kill -0 "$SERVER_PID" 2>/dev/null; do status=0; wait "$SERVER_PID" 2>/dev/null || status=$?; done
    [ "$stopping" -eq 0 ] && [ "$status" -ne 0 ] && [ -e "$wanted" ] || return 0
    [ -e "$ready" ] || return "$status"
    [ $((SECONDS - begun)) -lt "$STEADY" ] || pause=1
    say "The server ended $(ended_how "$status").$(disk_in_words "$(dirname "$wanted")") Starting it again in $pause s …"
    rest "$pause"
    [ "$stopping" -eq 0 ] || return 0
    pause=$(next_pause "$pause")
  done
}
