# start, stop, reset: the application with its own database.

DATA=$root/.data
PID_FILE=$DATA/server.pid
DEFAULT_PORT=4310

server_pid() {
  local pid
  pid=$(cat "$PID_FILE" 2>/dev/null) || return 1
  # The number may belong to another program by now.
  grep -q 'server/dist/main.js' "/proc/$pid/cmdline" 2>/dev/null && printf '%s' "$pid"
}

open_cluster() {
  require_postgres
  mkdir -p "$DATA"
  local place
  place=$(cluster_place "$DATA/pg")
  make_cluster "$place"
}

start_application() {
  local port= fixed=0
  while [ $# -gt 0 ]; do
    case "$1" in
      --port) port=${2:-}; shift 2 || fail "--port needs a number." ;;
      --port=*) port=${1#--port=}; shift ;;
      *) fail "start does not know “$1”. ./ivlen help lists what it takes." ;;
    esac
    [[ "$port" =~ ^[0-9]+$ ]] && [ "$port" -ge 1 ] && [ "$port" -le 65535 ] || fail "--port needs a number from 1 to 65535."
    fixed=1
  done
  require_node
  if server_pid >/dev/null; then fail "Ivlen is running already. ./ivlen stop stops it."; fi
  require_npm_packages
  require_build
  open_cluster
  trap 'stop_cluster' EXIT
  start_cluster

  IVLEN_DATABASE_URL=$PG_URL IVLEN_PORT=${port:-$DEFAULT_PORT} IVLEN_PORT_FIXED=$fixed NODE_ENV=production \
    node server/dist/main.js &
  local pid=$!
  printf '%s' "$pid" >"$PID_FILE"
  # Ctrl C reaches the server too; it closes by itself, and we wait for that before the database goes.
  trap 'kill -TERM "$pid" 2>/dev/null || true' INT TERM HUP
  local status=0
  wait "$pid" || status=$?
  while kill -0 "$pid" 2>/dev/null; do wait "$pid" || status=$?; done
  rm -f "$PID_FILE"
  [ "$status" -eq 0 ] || [ "$status" -ge 128 ] || exit "$status"
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
  if pid=$(server_pid); then
    kill -TERM "$pid"
    for try in $(seq 1 100); do
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
