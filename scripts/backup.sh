# backup, restore: all studies of an installation in one file.

# The path as the caller means it, who may stand in another folder.
from_where_called() {
  case "$1" in /*) printf '%s' "$1" ;; *) printf '%s/%s' "$OLDPWD" "$1" ;; esac
}

# backup_program write|read FILE: what it says is why it was refused.
backup_program() {
  IVLEN_DATABASE_URL=$PG_URL NODE_ENV=production node server/dist/backup.js "$@"
}

back_up() {
  [ -n "${1:-}" ] || fail "Where to? ./ivlen backup FILE"
  local file
  file=$(from_where_called "$1")
  [ -e "$file" ] && fail "There is a file $file already. Choose another name."
  [ -d "$(dirname "$file")" ] || fail "There is no folder $(dirname "$file")."
  require_node
  require_npm_packages
  require_build
  open_cluster
  cluster_pid >/dev/null || trap 'stop_cluster' EXIT
  start_cluster
  backup_program write "$file" || fail "The backup was not written; nothing was changed. Is there room on the disk?"
  say "All studies are in $file ($(du -h "$file" | cut -f 1))."
}

restore_backup() {
  [ -n "${1:-}" ] || fail "Which backup? ./ivlen restore FILE --yes"
  local file
  file=$(from_where_called "$1")
  [ -r "$file" ] || fail "There is no file $file that can be read."
  if is_running; then fail "Ivlen is running. ./ivlen stop stops it."; fi
  [ "${2:-}" = --yes ] || fail "This puts the studies of the backup in the place of all that are here. If you mean it: ./ivlen restore $1 --yes"
  require_node
  require_npm_packages
  require_build
  open_cluster
  trap 'stop_cluster' EXIT
  start_cluster
  backup_program read "$file" || fail "“$1” was not brought in. Nothing was changed: all studies are as they were."
  say "The studies are those of the backup. ./ivlen start opens them."
}
