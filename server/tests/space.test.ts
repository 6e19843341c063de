import { emptiedSchema, importPreviewSchema, spaceSchema, studySchema } from '@ivlen/contract';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { z } from 'zod';
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
