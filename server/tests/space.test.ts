import { readdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { emptiedSchema, importPreviewSchema, spaceSchema, studySchema } from '@ivlen/contract';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { z } from 'zod';
import type { Database } from '../src/database/connect';
import { emptyDeleted } from '../src/space/empty-deleted';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

const done = z.object({ done: z.literal(true) });
let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

async function newStudy(name: string, rows: number): Promise<string> {
  const lines = Array.from({ length: rows }, (_, row) => [row, row * 1.5, (row * 7) % 101, (row * row) % 997].join(','));
  const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=beds.csv', bytesOf(`a,b,c,d\n${lines.join('\n')}\n`));
  return (await app.ask(studySchema, 'POST', '/studies', { importId: id, name })).id;
}
const remove = (id: string) => app.ask(done, 'DELETE', `/studies/${id}`);
const space = () => app.ask(spaceSchema, 'GET', '/space');
const empty = () => app.ask(emptiedSchema, 'DELETE', '/deleted-studies');
async function databaseBytes(): Promise<number> {
  const { rows } = await app.database.raw<{ rows: { bytes: string }[] }>('select pg_database_size(current_database()) as bytes');
  return Number(rows[0]?.bytes);
}

it('tells what studies take, and what the deleted ones take that wait', async () => {
  expect(await space()).toEqual({ studies: 0, bytes: 0, deleted: null });
  const kept = await newStudy('kept', 2000);
  const gone = await newStudy('gone', 4000);
  const before = await space();
  expect(before).toMatchObject({ studies: 2, deleted: null });
  // Four columns of 6,000 values of 8 bytes, and what describes them.
  expect(before.bytes).toBeGreaterThan(4 * 6000 * 8);
  expect(before.bytes).toBeLessThan(4 * 6000 * 8 + 20_000);
  await remove(gone);
  const after = await space();
  expect(after.studies).toBe(1);
  expect(after.bytes + (after.deleted?.bytes ?? 0)).toBe(before.bytes);
  expect(after.deleted?.studies).toBe(1);
  const days = (Date.parse(after.deleted?.lastGoes ?? '') - Date.now()) / 86_400_000;
  expect(days).toBeGreaterThan(29.9);
  expect(days).toBeLessThan(30.1);
  expect((await empty()).studies).toBe(1);
  expect(await space()).toEqual({ studies: 1, bytes: after.bytes, deleted: null });
  expect((await app.send('POST', `/studies/${gone}/restore`)).status).toBe(404);
  await remove(kept);
  await empty();
});

it('removes nothing that is not deleted', async () => {
  await newStudy('stays', 100);
  expect(await empty()).toEqual({ studies: 0, bytes: 0 });
  expect((await space()).studies).toBe(1);
});

it('removes none that is restored while it is at work, nor one deleted a moment ago where days are kept', async () => {
  const [first, second] = [await newStudy('first', 50), await newStudy('second', 50)];
  await remove(first);
  await remove(second);
  // Each is judged as it goes: both were deleted when the list was made, and one is restored before its turn.
  let restored = false;
  const meanwhile = new Proxy(app.database, {
    apply(target, self, [name]: [string]) {
      const query = Reflect.apply(target, self, [name]);
      if (name !== 'study') return query;
      const { delete: remover } = query;
      query.delete = async function (this: typeof query) {
        if (!restored) {
          restored = true;
          await app.database('study').whereIn('id', [first, second]).update({ deleted: null });
        }
        return remover.call(query);
      };
      return query;
    },
  });
  const emptied = await emptyDeleted(meanwhile as Database, 0, { signal: new AbortController().signal, tell: () => {} } as never);
  expect(emptied.studies).toBe(0);
  expect((await app.send('GET', `/studies/${first}`)).status).toBe(200);
  await remove(first);
  expect((await emptyDeleted(app.database, 30, { signal: new AbortController().signal, tell: () => {} } as never)).studies).toBe(0);
  expect((await app.send('POST', `/studies/${first}/restore`)).status).toBe(200);
});

it('keeps files that wait to be brought in to their owner alone', async () => {
  await app.ask(importPreviewSchema, 'POST', '/imports?name=beds.csv', bytesOf('a,b,site\n1,<0.5,north\n2,3,south\n4,4,north\n'));
  const names = await readdir(app.folder);
  expect(names.some((name) => name.endsWith('.source'))).toBe(true);
  expect(names.length).toBeGreaterThan(2);
  for (const name of names) expect((await stat(join(app.folder, name))).mode & 0o077, name).toBe(0);
});

it('gives the disk back what five hundred studies took', async () => {
  const model = await newStudy('model', 500);
  await empty();
  const before = await databaseBytes();
  for (let made = 0; made < 500; made++) {
    const { id } = await app.ask(studySchema, 'POST', `/studies/${model}/duplicate`);
    await remove(id);
  }
  const full = await databaseBytes();
  expect(full).toBeGreaterThan(1.5 * before);
  const emptied = await empty();
  const after = await databaseBytes();
  expect(emptied.studies).toBe(500);
  expect(after).toBeLessThan(1.1 * before);
  expect(Math.abs(emptied.bytes - (full - after))).toBeLessThan(500_000);
}, 120_000);
