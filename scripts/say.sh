# Messages to the person at the terminal.
say() { printf '%s\n' "$*" >&2; }
fail() { printf 'ivlen: %s\n' "$*" >&2; exit 1; }
