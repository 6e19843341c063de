import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { studyListItemSchema, studySchema } from '@ivlen/contract';
import { loadDemo } from '@ivlen/server';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { z } from 'zod';
import type { BackupHead } from '../src/backup/backup-head';
import { readBackup } from '../src/backup/read-backup';
import { writeBackup } from '../src/backup/write-backup';
import { connect } from '../src/database/connect';
import { migrate } from '../src/database/migrate';
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

async function urlHere(): Promise<string> {
  const { rows } = await app.database.raw<{ rows: { name: string }[] }>('select current_database() as name');
  return databaseUrl(inject('serverUrl'), rows[0]?.name ?? '');
}
const refused = async (path: string) =>
  readBackup(await urlHere(), path).then(
    () => 'taken',
    (error: { code?: string }) => error.code,
  );

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

it('brings every study back as the application showed it', async () => {
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

  await writeBackup(await urlHere(), file);
  expect(statSync(file).mode & 0o077).toBe(0);
  await app.send('DELETE', `/studies/${studies[1]?.id}`);
  await app.ask(studySchema, 'POST', `/studies/${streams.id}/changes`, {
    expectedHead: changed.head,
    change: { type: 'edit-cells', variables: ['v7'], rows: [1], cells: [['-1']] },
  });
  expect(await everything()).not.toEqual(before);
  await readBackup(await urlHere(), file);
  // As after a start: what the application remembers of the studies is of before.
  app = app.restarted();
  expect(await everything()).toEqual(before);
  // Nothing of the way there is left, and what was made is up to date.
  const { rows } = await app.database.raw<{ rows: { name: string }[] }>(
    `select nspname as name from pg_namespace where nspname ~ '^(restore|before)_' union select rolname from pg_roles where rolname ~ '^ivlen_restore_'`,
  );
  expect(rows).toEqual([]);
  await migrate(app.database);
}, 120_000);

describe('a file that is not taken leaves every study as it was', () => {
  const at = (name: string) => join(folder, name);
  /** The backup with its content changed, packed anew with a checksum that fits. */
  function forged(name: string, change: (head: BackupHead, body: Buffer) => [unknown, Buffer]): string {
    const content = gunzipSync(readFileSync(file));
    const end = content.indexOf(10);
    const [head, body] = change(JSON.parse(content.subarray(0, end).toString()), content.subarray(end + 1, -32));
    const whole = Buffer.concat([Buffer.from(`${JSON.stringify(head)}\n`), body]);
    writeFileSync(at(name), gzipSync(Buffer.concat([whole, createHash('sha256').update(whole).digest()])));
    return at(name);
  }

  it('damaged, foreign, newer, or with tables that are none of ours', async () => {
    const before = await everything();
    const packed = readFileSync(file);
    writeFileSync(at('short'), packed.subarray(0, 20_000));
    const flipped = Buffer.from(packed);
    flipped.writeUInt8(flipped.readUInt8(packed.length >> 1) ^ 4, packed.length >> 1);
    writeFileSync(at('flipped'), flipped);
    const unpacked = gunzipSync(packed);
    unpacked.writeUInt8(unpacked.readUInt8(unpacked.length - 40) ^ 1, unpacked.length - 40);
    writeFileSync(at('other-cell'), gzipSync(unpacked));
    writeFileSync(at('more'), gzipSync(Buffer.concat([gunzipSync(packed), Buffer.from('x')])));
    for (const name of ['short', 'flipped', 'other-cell', 'more']) expect(await refused(at(name)), name).toBe('damaged-backup');

    expect(await refused(at('missing'))).toBe('ENOENT');
    expect(await refused(folder)).toBe('EISDIR');
    writeFileSync(at('text'), 'a,b\n1,2\n');
    writeFileSync(at('empty'), '');
    writeFileSync(at('packed-text'), gzipSync('create function f() returns void as $$ $$ language sql;'));
    writeFileSync(at('dump'), Buffer.concat([Buffer.from('PGDMP'), Buffer.alloc(2000, 7)]));
    writeFileSync(at('long-line'), gzipSync('x'.repeat(3_000_000)));
    for (const name of ['text', 'empty', 'packed-text', 'dump', 'long-line']) expect(await refused(at(name)), name).toBe('no-backup');

    const newerTables = forged('newer', (head, body) => [{ ...head, migrations: [...head.migrations, '0099-later'] }, body]);
    expect(await refused(newerTables)).toBe('newer-backup');
    expect(await refused(forged('newer-format', (head, body) => [{ ...head, version: 2 }, body]))).toBe('newer-backup');
    expect(await refused(forged('other-migrations', (head, body) => [{ ...head, migrations: ['0001-elsewhere'] }, body]))).toBe(
      'no-backup',
    );
    const renamed = (name: string, columns?: string[]) => (head: BackupHead, body: Buffer) =>
      [{ ...head, tables: head.tables.map((table, i) => (i === 0 ? { name, columns: columns ?? table.columns } : table)) }, body] as [
        unknown,
        Buffer,
      ];
    expect(await refused(forged('catalog', renamed('pg_authid')))).toBe('no-backup');
    expect(await refused(forged('quoted', renamed('study"; drop table study; --')))).toBe('no-backup');
    expect(await refused(forged('columns', renamed('study', ['id', 'name'])))).toBe('damaged-backup');
    // Rows that the table does not take, with a checksum that fits.
    expect(await refused(forged('rows', (head, body) => [head, Buffer.from(body).fill('z', 4, 12)]))).toBe('damaged-backup');
    expect(await everything()).toEqual(before);
  }, 120_000);

  it('nor does one whose restore ends in the middle; the next clears up', async () => {
    const before = await everything();
    const url = await urlHere();
    const reading = readBackup(url, file).catch((error: unknown) => error);
    let ended = 0;
    while (ended === 0) {
      const { rows } = await app.database.raw<{ rows: { pid: number }[] }>(
        `select pg_terminate_backend(pid) as pid from pg_stat_activity where application_name = 'ivlen restore' and query like 'copy %'`,
      );
      ended = rows.length;
    }
    expect(await reading).toBeInstanceOf(Error);
    expect(await everything()).toEqual(before);
    await readBackup(url, file);
    app = app.restarted();
  }, 120_000);
});

it('one of an earlier version is brought up to date', async () => {
  const name = `ivlen_older_${Date.now()}`;
  await app.database.raw(`create database ${name}`);
  const url = databaseUrl(inject('serverUrl'), name);
  const older = connect(url);
  const id = '7f0c2a44-0000-4000-8000-000000000001';
  try {
    await migrate(older, 4);
    await older('study').insert({ id, name: 'Older', head: 1 });
    await older('pin').insert({ id, study: id, place: 1, stage: 'shape', thing: 'table', title: 'Shape', settings: '{}' });
    await writeBackup(url, join(folder, 'older.backup'));
  } finally {
    await older.destroy();
  }
  await readBackup(await urlHere(), join(folder, 'older.backup'));
  expect(await app.database('study').pluck('name')).toEqual(['Older']);
  // Pins became blocks of the report with the fifth migration; the sixth says that the demo was there.
  expect((await app.database('report_block').first())?.content).toMatchObject({ kind: 'pin', pin: { title: 'Shape' } });
  expect(await app.database('installation').pluck('demo_loaded')).toHaveLength(1);
  await app.database.raw(`drop database ${name}`);
}, 60_000);
