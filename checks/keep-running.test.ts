import { describe, expect, it } from 'vitest';
import { withScripts } from './with-scripts';

const MINUTE = 60_000;
/** A server that stands still, and tells each of its starts. */
const SERVER = `
launch_server() {
  sleep 300 >/dev/null 2>&1 &
  SERVER_PID=$!
  printf '%s' "$SERVER_PID" >"$folder/pid"
  echo "launched" >>"$folder/launches"
  touch "$folder/ready"
}
touch "$folder/wanted"
launches() { wc -l <"$folder/launches"; }
until_launched() { for i in $(seq 1 100); do [ "$(launches 2>/dev/null)" = "$1" ] && return; sleep 0.1; done; return 1; }
`;

describe('a server that runs', () => {
  it(
    'is started again when it ends, each time after a longer pause, until it is asked to stop',
    () => {
      const { lines, errors } = withScripts(`${SERVER}
(keep_server_running "$folder/wanted" "$folder/ready"; echo "ended in peace") >"$folder/said" 2>&1 &
watcher=$!
for n in 1 2; do until_launched $n; sleep 0.3; kill -9 $(cat "$folder/pid"); done
until_launched 3
sleep 0.3
kill -TERM $watcher
wait $watcher || true
kill -0 $(cat "$folder/pid") 2>/dev/null && echo "still running"
cat "$folder/said"; launches
`);
      expect(lines, errors).not.toContain('still running');
      expect(lines.filter((line) => line.startsWith('The server ended'))).toEqual([
        'The server ended by signal 9. Starting it again in 1 s …',
        'The server ended by signal 9. Starting it again in 2 s …',
      ]);
      expect(lines.at(-1), errors).toBe('3');
    },
    MINUTE,
  );

  it(
    'is not started a second time where its first start fails, nor where somebody stopped it meanwhile',
    () => {
      const { lines, errors } = withScripts(`
launch_server() { sh -c 'exit 3' & SERVER_PID=$!; }
touch "$folder/wanted"
status=0; keep_server_running "$folder/wanted" "$folder/ready" || status=$?
echo "failed with $status"
launch_server() { sh -c "rm -f $folder/wanted; sleep 0.2; exit 9" & SERVER_PID=$!; touch "$folder/ready"; }
status=0; keep_server_running "$folder/wanted" "$folder/ready" || status=$?
echo "stopped with $status"
`);
      expect(lines, errors).toEqual(['failed with 3', 'stopped with 0']);
    },
    MINUTE,
  );

  it('waits twice as long each time, up to half a minute', () => {
    const { lines } = withScripts('pause=1; for i in 1 2 3 4 5 6 7; do echo $pause; pause=$(next_pause $pause); done');
    expect(lines).toEqual(['1', '2', '4', '8', '16', '30', '30']);
  }, 60_000);
});

describe('a database that runs', () => {
  it(
    'is started again on its own port when it ends, and left alone once the application was stopped',
    () => {
      const { lines, errors } = withScripts(`
start_cluster
touch "$folder/wanted"
port=$(cluster_port)
watch_database $$ "$folder/wanted" 2>"$folder/said" &
watcher=$!
sleep 0.3
kill -9 $(cluster_pid) $(pgrep -P $(cluster_pid))
for i in $(seq 1 100); do grep -q back "$folder/said" && break; sleep 0.1; done
cluster_answers && [ "$(cluster_port)" = "$port" ] && echo "answers on its port"
rm "$folder/wanted"
stop_cluster
sleep 2.5
cluster_pid >/dev/null && echo "started against the will"
kill -0 $watcher 2>/dev/null && echo "still watching"
cat "$folder/said"
`);
      expect(lines, errors).toEqual(['answers on its port', 'The database has ended. Starting it again …', 'The database is back.']);
    },
    MINUTE,
  );
});
