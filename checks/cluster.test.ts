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

describe('a backup', () => {
  it(
    'brings everything back as it was, whole or not at all',
    () => {
      const { lines, status, errors } = withScripts(`
start_cluster
sql() { in_database psql -qAt -v ON_ERROR_STOP=1 -c "$1"; }
sql "create table study (id int primary key, name text, data bytea); create table note (study int references study, text text)"
sql "insert into study select i, 'study ' || i, sha256(i::text::bytea) from generate_series(1, 500) i; insert into note select i, 'n' from generate_series(1, 500) i"
all() { sql "select md5(string_agg(s::text || coalesce(n.text, ''), ',' order by s.id)) from study s left join note n on n.study = s.id"; }
before=$(all)
write_backup "$folder/all.backup"
[ -e "$folder/all.backup.part" ] && echo "part left"
stat -c 'mode %a' "$folder/all.backup"
sql "delete from note; delete from study where id > 20; update study set name = 'other'"
head -c 3000 "$folder/all.backup" >"$folder/cut.backup"
changed=$(all)
(read_backup "$folder/cut.backup") 2>&1 || true
[ "$(all)" = "$changed" ] && echo "unchanged by half a backup"
read_backup "$folder/all.backup"
[ "$(all)" = "$before" ] && echo "as before"
`);
      expect(lines, errors).toContain('mode 600');
      expect(lines.some((line) => line.includes('is no whole backup of Ivlen'))).toBe(true);
      expect(lines).not.toContain('part left');
      expect([lines.slice(-2), status], errors).toEqual([['unchanged by half a backup', 'as before'], 0]);
    },
    3 * MINUTE,
  );
});
