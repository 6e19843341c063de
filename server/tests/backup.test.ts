import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync, truncateSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { studyListItemSchema, studySchema } from '@ivlen/contract';
import { loadDemo } from '@ivlen/server';
import { afterAll, beforeAll, expect, inject, it } from 'vitest';
import { z } from 'zod';
import { databaseUrl } from './database-template';
import { openTestApplication, type TestApplication } from './test-application';

const ROOT = resolve(import.meta.dirname, '../..');
const folder = mkdtempSync(join(tmpdir(), 'ivlen-backup-'));
const file = join(folder, 'all.backup');
let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
  await loadDemo(app.database, join(ROOT, 'samples'));
});
afterAll(async () => {
  await app.close();
  rmSync(folder, { recursive: true });
});

/** Runs a part of ./ivlen backup or restore on the database of these tests. */
async function withScripts(command: string): Promise<{ status: number | null; said: string }> {
  const { rows } = await app.database.raw<{ rows: { name: string }[] }>('select current_database() as name');
  const url = databaseUrl(inject('serverUrl'), rows[0]?.name ?? '');
  const script = `set -euo pipefail
source scripts/say.sh; source scripts/packages.sh; source scripts/postgres.sh; source scripts/backup.sh
PG_BIN=$(postgres_bin)
in_database() { "$PG_BIN/$1" -d "${url}" "\${@:2}"; }
${command} "$1"`;
  const { status, stderr } = spawnSync('bash', ['-c', script, 'sh', file], { cwd: ROOT, encoding: 'utf8' });
  return { status, said: stderr };
}

/** All that the application tells of every study: its state, trail, settings, report and every value. */
async function everything(): Promise<object> {
  const json = async (path: string): Promise<unknown> => (await app.send('GET', path)).json();
  const told: Record<string, unknown> = {};
  for (const { id, head } of await app.ask(z.array(studyListItemSchema), 'GET', '/studies')) {
    const study = await app.ask(studySchema, 'GET', `/studies/${id}`);
    const values: Record<string, string> = {};
    for (const variable of study.state.variables) {
      const response = await app.send('GET', `/studies/${id}/revisions/${head}/variables/${variable.id}/values`);
      values[variable.name] = createHash('sha256')
        .update(new Uint8Array(await response.arrayBuffer()))
        .digest('hex');
    }
    const parts = [`/studies/${id}/trail`, `/studies/${id}/settings/correlations`, `/studies/${id}/report`].map(json);
    const rows = await json(`/studies/${id}/revisions/${head}/rows?block=0`);
    told[id] = { study, values, rows, parts: await Promise.all(parts) };
  }
  return told;
}

it('brings every study back as the application showed it, and changes nothing where it is damaged', async () => {
  const studies = await app.ask(z.array(studyListItemSchema), 'GET', '/studies');
  const streams = studies.find(({ name }) => name === 'Aldermere streams');
  if (!streams) throw new Error('there is no demo');
  const changed = await app.ask(studySchema, 'POST', `/studies/${streams.id}/changes`, {
    expectedHead: streams.head,
    change: { type: 'set-aside', choice: { rows: [[3, 9]] }, because: 'other population' },
  });
  await app.ask(studySchema, 'POST', `/studies/${streams.id}/duplicate`);
  const before = await everything();
  expect(Object.keys(before)).toHaveLength(4);
  expect(JSON.stringify(before)).toContain('other population');

  expect(await withScripts('write_backup')).toEqual({ status: 0, said: '' });
  await app.send('DELETE', `/studies/${studies[1]?.id}`);
  await app.ask(studySchema, 'POST', `/studies/${streams.id}/changes`, {
    expectedHead: changed.head,
    change: { type: 'edit-cells', variables: ['v7'], rows: [1], cells: [['-1']] },
  });
  const after = await everything();
  expect(after).not.toEqual(before);

  const copy = join(folder, 'whole.backup');
  spawnSync('cp', [file, copy]);
  truncateSync(file, 20_000);
  const refused = await withScripts('read_backup');
  expect([refused.status, refused.said]).toEqual([1, expect.stringContaining('is no whole backup of Ivlen')]);
  expect(await everything()).toEqual(after);

  spawnSync('cp', [copy, file]);
  expect(await withScripts('read_backup')).toEqual({ status: 0, said: '' });
  // As after a start: what the application remembers of the studies is of before.
  app = app.restarted();
  expect(await everything()).toEqual(before);
}, 120_000);
