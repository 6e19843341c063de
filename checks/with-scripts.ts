import { spawnSync } from 'node:child_process';

/** Runs commands with the scripts that keep the database and the server; what they print, in lines. */
export function withScripts(commands: string): { lines: string[]; status: number | null; errors: string } {
  const script = `set -euo pipefail
root=$PWD
source scripts/say.sh; source scripts/packages.sh; source scripts/postgres.sh; source scripts/keep-running.sh; source scripts/backup.sh
require_postgres
folder=$(mktemp -d /var/tmp/ivlen-check.XXXXXX)
chmod 755 "$folder"
place=$(cluster_place "$folder/pg")
trap 'stop_cluster; rm -rf "$folder" "$place"' EXIT
make_cluster "$place" 'fsync = off'
${commands}`;
  const { stdout, stderr, status } = spawnSync('bash', ['-c', script], { encoding: 'utf8' });
  return { lines: stdout.trim().split('\n'), status, errors: stderr };
}
