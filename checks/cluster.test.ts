import { describe, expect, it } from 'vitest';
import { withScripts } from './with-scripts';

const MINUTE = 60_000;

describe('the database of an installation', () => {
  it(
    'starts at once after it was killed with all that belongs to it, again and again',
    () => {
      const { lines, status, errors } = withScripts(`
for i in 1 2 3; do
  start_cluster
  kill -9 $(cluster_pid) $(pgrep -P $(cluster_pid)) 2>/dev/null || true
done
start_cluster
cluster_answers && echo "answers"
`);
      expect([lines.at(-1), status], errors).toEqual(['answers', 0]);
    },
    3 * MINUTE,
  );

  it(
    'starts where its file names another living program, and leaves that one alone',
    () => {
      const { lines, status, errors } = withScripts(`
start_cluster
kill -9 $(cluster_pid)
as_postgres sleep 300 >/dev/null 2>&1 &
sleep 0.5
stranger=$(pgrep -n -f '^sleep 300$')
sed -i "1s/.*/$stranger/" "$PG_DATA/postmaster.pid"
cluster_pid >/dev/null && echo "taken for ours"
stop_cluster
start_cluster
cluster_answers && echo "answers"
stop_cluster
kill -0 "$stranger" && echo "stranger lives"
kill "$stranger"
`);
      expect([lines.slice(-2), status], errors).toEqual([['answers', 'stranger lives'], 0]);
      expect(lines).not.toContain('taken for ours');
    },
    3 * MINUTE,
  );

  it(
    'that runs already is used as it is',
    () => {
      const { lines, errors } = withScripts(`
start_cluster
first=$(cluster_pid)
start_cluster
[ "$first" = "$(cluster_pid)" ] && echo "the same"
`);
      expect(lines.at(-1), errors).toBe('the same');
    },
    3 * MINUTE,
  );
});
