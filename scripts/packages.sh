# What must be on the machine: Node, Debian packages, npm packages, a current build.

NEEDED_NODE=20

require_node() {
  command -v node >/dev/null || fail "Node.js $NEEDED_NODE or newer is needed. Install it, then run this again."
  local major
  major=$(node -p 'process.versions.node.split(".")[0]')
  [ "$major" -ge "$NEEDED_NODE" ] || fail "Node.js $NEEDED_NODE or newer is needed; this is $(node --version)."
}

# require_debian PACKAGE WHAT: installs a Debian package as root, or says who should.
require_debian() {
  local package=$1 what=$2
  if [ "$(id -u)" -ne 0 ] || ! command -v apt-get >/dev/null; then
    fail "$what is missing. Ask for it to be installed (on Debian: sudo apt-get install $package), then run this again."
  fi
  say "Installing $what (Debian package $package) …"
  local log
  log=$(mktemp)
  if ! { apt-get update && install_without_own_service "$package"; } >"$log" 2>&1; then
    tail -n 20 "$log" >&2
    fail "$what could not be installed; the last lines above say why."
  fi
  rm -f "$log"
}

# Debian's PostgreSQL would make and start a cluster of its own; ours is private.
install_without_own_service() {
  local policy=/usr/sbin/policy-rc.d made=
  if [ ! -e "$policy" ]; then
    printf '#!/bin/sh\nexit 101\n' >"$policy"
    chmod +x "$policy"
    made=yes
  fi
  DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "$1"
  local status=$?
  [ -z "$made" ] || rm -f "$policy"
  return "$status"
}

# A fingerprint of files: changes when any of them does.
fingerprint() { cat "$@" | sha256sum | cut -d' ' -f1; }

require_npm_packages() {
  local stamp=node_modules/.ivlen-lock want
  want=$(fingerprint package-lock.json)
  if [ "$(cat "$stamp" 2>/dev/null)" != "$want" ]; then
    say "Installing npm packages …"
    npm ci --no-audit --no-fund --loglevel=error >&2 || fail "The npm packages could not be installed; the lines above say why."
    printf '%s' "$want" >"$stamp"
  fi
}

# Builds web and server if their sources changed since the last build.
require_build() {
  local stamp=server/dist/.ivlen-sources want
  # A file that git still lists but that was deleted is no reason to stop.
  want=$(git ls-files -co --exclude-standard -z core contract server web package-lock.json ':!**/tests/**' |
    { xargs -0 -r sha256sum 2>/dev/null || true; } | sha256sum | cut -d' ' -f1)
  if [ "$(cat "$stamp" 2>/dev/null)" != "$want" ]; then
    say "Building …"
    local log
    log=$(mktemp)
    npm run build >"$log" 2>&1 || { tail -n 40 "$log" >&2; fail "The build failed; the lines above say why."; }
    rm -f "$log"
    printf '%s' "$want" >"$stamp"
  fi
}
