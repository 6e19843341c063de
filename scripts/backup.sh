# backup, restore: all studies of an installation in one file.

# Whether a file is a whole backup: it is read to its end, and what comes out is thrown away.
is_whole_backup() {
  "$PG_BIN/pg_restore" -f /dev/null "$1" >/dev/null 2>&1
}

# The path as the caller means it, who may stand in another folder.
from_where_called() {
  case "$1" in /*) printf '%s' "$1" ;; *) printf '%s/%s' "$OLDPWD" "$1" ;; esac
}

# write_backup FILE: under another name until it is whole.
write_backup() {
  local part=$1.part
  (umask 077 && in_database pg_dump -Fc -f "$part") || { rm -f "$part"; fail "The backup was not written; nothing was changed. Is there room on the disk?"; }
  is_whole_backup "$part" || { rm -f "$part"; fail "The backup could not be read back, and was not kept."; }
  mv "$part" "$1"
}

# read_backup FILE: all of it or nothing.
read_backup() {
  is_whole_backup "$1" || fail "“$1” is no whole backup of Ivlen: it is cut off, damaged, or another kind of file. Nothing was changed."
  in_database pg_restore --clean --if-exists --no-owner --single-transaction --exit-on-error "$1" >/dev/null ||
    fail "The backup could not be brought in. Nothing was changed: all studies are as they were."
}

back_up() {
  [ -n "${1:-}" ] || fail "Where to? ./ivlen backup FILE"
  local file
  file=$(from_where_called "$1")
  [ -e "$file" ] && fail "There is a file $file already. Choose another name."
  [ -d "$(dirname "$file")" ] || fail "There is no folder $(dirname "$file")."
  open_cluster
  cluster_pid >/dev/null || trap 'stop_cluster' EXIT
  start_cluster
  write_backup "$file"
  say "All studies are in $file ($(du -h "$file" | cut -f 1))."
}

restore_backup() {
  [ -n "${1:-}" ] || fail "Which backup? ./ivlen restore FILE --yes"
  local file
  file=$(from_where_called "$1")
  [ -r "$file" ] || fail "There is no file $file that can be read."
  if is_running; then fail "Ivlen is running. ./ivlen stop stops it."; fi
  [ "${2:-}" = --yes ] || fail "This puts the studies of the backup in the place of all that are here. If you mean it: ./ivlen restore $1 --yes"
  open_cluster
  trap 'stop_cluster' EXIT
  start_cluster
  read_backup "$file"
  say "The studies are those of the backup. ./ivlen start opens them."
}
