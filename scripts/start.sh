# start, stop, reset: the application with its own database.

DATA=$root/.data
PID_FILE=$DATA/server.pid
# Stands from the start until somebody stops the application, and names the process that watches over it.
WATCH_FILE=$DATA/watch.pid
PORT_FILE=$DATA/port
KEY_FILE=$DATA/key
DEFAULT_PORT=4310

server_pid() {
  local pid
  pid=$(cat "$PID_FILE" 2>/dev/null) || return 1
  # The number may belong to another program by now.
  grep -q 'server/dist/main.js' "/proc/$pid/cmdline" 2>/dev/null && printf '%s' "$pid"
}

# The process of ./ivlen start, which starts the server again while it lives.
watcher_pid() {
  local pid
  pid=$(cat "$WATCH_FILE" 2>/dev/null) || return 1
  tr '\0' ' ' 2>/dev/null <"/proc/$pid/cmdline" | grep -q 'ivlen start' && printf '%s' "$pid"
}

is_running() {
  server_pid >/dev/null || watcher_pid >/dev/null
}

open_cluster() {
  require_postgres
  mkdir -p "$DATA"
  local place
  place=$(cluster_place "$DATA/pg")
  make_cluster "$place"
}

start_application() {
  local port= fixed=0 keyed=0
  while [ $# -gt 0 ]; do
    case "$1" in
      --key) keyed=1; shift; continue ;;
      --port) port=${2:-}; shift 2 || fail "--port needs a number." ;;
      --port=*) port=${1#--port=}; shift ;;
      *) fail "start does not know “$1”. ./ivlen help lists what it takes." ;;
    esac
    [[ "$port" =~ ^[0-9]+$ ]] && [ "$port" -ge 1 ] && [ "$port" -le 65535 ] || fail "--port needs a number from 1 to 65535."
    fixed=1
  done
  require_node
  if is_running; then fail "Ivlen is running already. ./ivlen stop stops it."; fi
  require_npm_packages
  require_build
  open_cluster
  trap 'stop_cluster' EXIT
  start_cluster

  server_key=
  if [ "$keyed" -eq 1 ]; then server_key=$(installation_key); fi
  server_port=${port:-$DEFAULT_PORT}
  port_fixed=$fixed
  printf '%s' "$BASHPID" >"$WATCH_FILE"
  watch_database "$BASHPID" "$WATCH_FILE" &
  local database_watcher=$! status=0
  trap 'rm -f "$PID_FILE" "$WATCH_FILE"; kill -TERM "$database_watcher" 2>/dev/null || true; wait "$database_watcher" || true; stop_cluster' EXIT
  keep_server_running "$WATCH_FILE" "$PORT_FILE" || status=$?
  exit "$status"
}

# The same at each start, so that browsers which know it go on; for the owner's eyes only.
installation_key() {
  [ -s "$KEY_FILE" ] || (umask 077 && node -p 'require("node:crypto").randomBytes(24).toString("base64url")' >"$KEY_FILE")
  cat "$KEY_FILE"
}

# Started again, it is where its pages look for it.
launch_server() {
  if [ -e "$PORT_FILE" ]; then
    server_port=$(cat "$PORT_FILE")
    port_fixed=1
  fi
  # In a shell of its own and by export: an argument could be seen by every user of the machine.
  (
    export IVLEN_DATABASE_URL=$PG_URL IVLEN_DATABASE_FOLDER=$PG_DATA NODE_ENV=production
    export IVLEN_PORT=$server_port IVLEN_PORT_FIXED=$port_fixed IVLEN_PORT_FILE=$PORT_FILE
    [ -z "$server_key" ] || export IVLEN_KEY=$server_key
    exec node server/dist/main.js
  ) &
  SERVER_PID=$!
  printf '%s' "$SERVER_PID" >"$PID_FILE"
}

# In a database of its own, so that no study is touched; a running application and its database go on.
replay_archive() {
  local archive=${1:-}
  [ -n "$archive" ] || fail "Which archive? ./ivlen replay ARCHIVE"
  case "$archive" in /*) ;; *) archive=$OLDPWD/$archive ;; esac
  [ -r "$archive" ] || fail "There is no file $archive that can be read."
  require_node
  require_npm_packages
  require_build
  open_cluster
  cluster_pid >/dev/null || trap 'stop_cluster' EXIT
  start_cluster
  local status=0
  IVLEN_DATABASE_URL=$PG_URL NODE_ENV=production node server/dist/replay.js "$archive" || status=$?
  exit "$status"
}

stop_application() {
  local pid try
  if pid=$(watcher_pid || server_pid); then
    # What has ended meanwhile is not to be started again.
    rm -f "$WATCH_FILE"
    kill -TERM "$pid" 2>/dev/null || true
    for try in $(seq 1 150); do
      kill -0 "$pid" 2>/dev/null || break
      sleep 0.1
    done
    say "Stopped."
  else
    say "Ivlen is not running."
  fi
  # A server that was killed leaves its database behind.
  if [ -n "$(postgres_bin)" ] && [ -d "$DATA" ]; then
    PG_BIN=$(postgres_bin)
    PG_DATA=$(cluster_place "$DATA/pg")/data
    [ -s "$PG_DATA/PG_VERSION" ] && stop_cluster
  fi
  return 0
}

reset_data() {
  [ "${1:-}" = --yes ] || fail "This deletes all studies of this installation. If you mean it: ./ivlen reset --yes"
  stop_application
  if [ -d "$DATA" ]; then
    local place
    place=$(cluster_place "$DATA/pg")
    rm -rf "$place" "$DATA"
  fi
  say "All data are deleted. The next start settles the demo studies anew."
}
