# A private PostgreSQL cluster on loopback. As root it runs as the system user postgres, since PostgreSQL refuses root;
# an ordinary user runs it directly. Debian's own cluster is never touched.

PG_USER=ivlen

postgres_bin() {
  local newest
  newest=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  if [ -n "$newest" ] && [ -x "$newest/initdb" ]; then
    printf '%s' "$newest"
  elif command -v initdb >/dev/null && command -v pg_ctl >/dev/null; then
    dirname "$(command -v initdb)"
  fi
}

require_postgres() {
  [ -n "$(postgres_bin)" ] || require_debian postgresql PostgreSQL
  PG_BIN=$(postgres_bin)
  [ -n "$PG_BIN" ] || fail "PostgreSQL was installed, but its programs are not where Debian puts them (/usr/lib/postgresql)."
}

# as_postgres COMMAND …: runs a PostgreSQL program as a user that it accepts.
as_postgres() {
  if [ "$(id -u)" -ne 0 ]; then
    (cd / && "$@")
  else
    (cd / && setpriv --reuid=postgres --regid=postgres --clear-groups "$@")
  fi
}

# Where a cluster can live: under the wanted folder if its owner can get there, else under /var/tmp.
cluster_place() {
  local wanted=$1
  mkdir -p "$wanted"
  if [ "$(id -u)" -ne 0 ]; then
    printf '%s' "$wanted"
    return
  fi
  chown postgres:postgres "$wanted"
  if as_postgres test -w "$wanted" 2>/dev/null; then
    printf '%s' "$wanted"
  else
    rmdir "$wanted" 2>/dev/null || true
    local outside
    outside=/var/tmp/ivlen-$(printf '%s' "$wanted" | sha256sum | cut -c1-12)
    mkdir -p "$outside"
    chown postgres:postgres "$outside"
    printf '%s' "$outside"
  fi
}

free_port() {
  node -e 'const s=require("node:net").createServer().listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'
}

# make_cluster FOLDER [EXTRA CONFIG LINE …]: sets PG_DATA; the password stands beside the data, for the owner's eyes only.
make_cluster() {
  PG_DATA=$1/data
  PG_LOG=$1/postgres.log
  local password_file=$1/password
  shift
  [ -s "$PG_DATA/PG_VERSION" ] && return
  say "Setting up the database …"
  local password
  password=$(node -p 'require("node:crypto").randomBytes(24).toString("hex")')
  # Not as an argument, which every user of the machine can see.
  printf '%s' "$password" | as_postgres sh -c 'umask 077; cat >"$1"' sh "$password_file"
  as_postgres "$PG_BIN/initdb" -D "$PG_DATA" -U "$PG_USER" --pwfile="$password_file" --auth=scram-sha-256 \
    -E UTF8 --locale=C.UTF-8 --wal-segsize=1 >/dev/null
  {
    printf "listen_addresses = '127.0.0.1'\nport = %s\nunix_socket_directories = ''\n" "$(free_port)"
    # What is written ahead is the larger part of a small installation: in small files, that can be given back.
    printf 'max_wal_size = 256MB\nmin_wal_size = 2MB\n'
    printf '%s\n' "$@"
  } | as_postgres sh -c 'cat >>"$1"' sh "$PG_DATA/postgresql.conf"
}

cluster_port() {
  sed -n 's/^port = \([0-9]*\)$/\1/p' "$PG_DATA/postgresql.conf" | tail -n 1
}

# The process that serves PG_DATA, if one does. The number in its file may belong to another program by now, or to one
# that has ended and waits to be forgotten; only a living server on this very folder is ours.
cluster_pid() {
  local pid
  pid=$(head -n 1 "$PG_DATA/postmaster.pid" 2>/dev/null) || return 1
  [[ "$pid" =~ ^[0-9]+$ ]] || return 1
  if [ -d /proc/self ]; then
    tr '\0' '\n' 2>/dev/null <"/proc/$pid/cmdline" | grep -qxF -- "$PG_DATA" || return 1
  else
    as_postgres "$PG_BIN/pg_ctl" -D "$PG_DATA" status >/dev/null 2>&1 || return 1
  fi
  printf '%s' "$pid"
}

cluster_answers() {
  cluster_pid >/dev/null && as_postgres "$PG_BIN/pg_isready" -q -h 127.0.0.1 -p "$(cluster_port)"
}

# A file that names a living program which is no server of ours keeps the database from starting. It gets the number of a
# program that has ended: what else it says guards against a second server on the same memory, and has to stay.
forget_stranger() {
  local pid ended
  pid=$(head -n 1 "$PG_DATA/postmaster.pid" 2>/dev/null) || return 0
  if cluster_pid >/dev/null || ! [ -d "/proc/$pid" ]; then return 0; fi
  grep -q '^State:[[:space:]]*Z' "/proc/$pid/status" 2>/dev/null && return 0
  sh -c 'exit 0' &
  ended=$!
  wait "$ended"
  sed -i "1s/.*/$ended/" "$PG_DATA/postmaster.pid"
}

# What every start says anew, so that it holds for clusters of earlier versions too: the log tells no values of a study.
CLUSTER_SETTINGS='-c log_error_verbosity=terse -c log_parameter_max_length_on_error=0 -c log_min_error_statement=panic'

# Starts the cluster in PG_DATA unless it runs. After a crash the dead server and its children may linger for a while.
# launch_cluster [ON REFUSAL]: a command to run where it does not start.
launch_cluster() {
  local try
  for try in $(seq 1 40); do
    cluster_answers && return
    if ! cluster_pid >/dev/null; then
      forget_stranger
      as_postgres "$PG_BIN/pg_ctl" -D "$PG_DATA" -l "$PG_LOG" -o "$CLUSTER_SETTINGS" -w start >/dev/null 2>&1 && continue
      [ $# -eq 0 ] || "$@"
    fi
    sleep 0.5
  done
  cluster_answers
}

# Starts the cluster in PG_DATA, on another port if its own is taken, and sets PG_URL.
start_cluster() {
  launch_cluster move_port_if_taken || fail "The database does not start. Its log: $PG_LOG"
  PG_URL="postgres://$PG_USER:$(cat "$(dirname "$PG_DATA")/password")@127.0.0.1:$(cluster_port)/postgres"
}

# in_database PROGRAM …: runs a client program on the application's database; the password stands in its environment only.
in_database() {
  PGPASSWORD=$(cat "$(dirname "$PG_DATA")/password") "$PG_BIN/$1" -h 127.0.0.1 -p "$(cluster_port)" -U "$PG_USER" -d postgres "${@:2}"
}

# Another program may have taken the port since the cluster was made.
move_port_if_taken() {
  if tail -n 5 "$PG_LOG" 2>/dev/null | grep -q 'Address already in use\|could not create any TCP/IP sockets'; then
    printf 'port = %s\n' "$(free_port)" | as_postgres sh -c 'cat >>"$1"' sh "$PG_DATA/postgresql.conf"
  fi
}

# Never signals what is no server of this folder.
stop_cluster() {
  cluster_pid >/dev/null || return 0
  as_postgres "$PG_BIN/pg_ctl" -D "$PG_DATA" -w -m fast stop >/dev/null 2>&1 || true
}
