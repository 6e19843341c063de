import { studySchema } from '@ivlen/contract';
import { Disk } from '@ivlen/server';
import { afterAll, beforeAll, expect, it, test, vi } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

const MEGABYTE = 1024 * 1024;
let free = 10_000 * MEGABYTE;
let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication({ disk: new Disk(['/'], () => free) });
});
afterAll(() => app.close());

const TABLE = 'depth,flow\n1,2\n2,3\n3,5\n';
const importing = () => app.send('POST', '/imports?name=beds.csv', bytesOf(TABLE), { 'Content-Length': String(TABLE.length) });

it('refuses imports before they begin, and says how much is free', async () => {
  free = 12 * MEGABYTE;
  const response = await importing();
  expect(response.status).toBe(507);
  expect(await response.json()).toEqual({
    error: {
      code: 'disk-full',
      message: 'The disk is full: 12 MB free; nothing was lost.',
      hint: 'What could not be written was left out whole. Make room on the disk, or empty the deleted studies on the home page, and try again.',
    },
  });
  free = 10_000 * MEGABYTE;
  expect((await importing()).status).toBe(200);
});

it('refuses a file that is too large for what is free', async () => {
  free = 100 * MEGABYTE;
  const response = await app.send('POST', '/imports?name=beds.csv', bytesOf(TABLE), { 'Content-Length': String(20 * MEGABYTE) });
  expect(await response.json()).toMatchObject({
    error: { code: 'disk-full', message: 'The disk has no room for this: 100 MB free, about 40 MB needed.' },
  });
  free = 10_000 * MEGABYTE;
});

it('refuses exports and new studies likewise, and goes on when there is room again', async () => {
  const { id } = (await (await importing()).json()) as { id: string };
  const create = () => app.send('POST', '/studies', { importId: id, name: 'beds' });
  free = 0;
  expect((await create()).status).toBe(507);
  free = 10_000 * MEGABYTE;
  const study = studySchema.parse(await (await create()).json());
  free = 0;
  const request = { format: 'csv', revision: 1, rows: 'all', labels: false, faithful: true };
  const refused = await app.send('POST', `/studies/${study.id}/exports`, request);
  expect([refused.status, ((await refused.json()) as { error: { code: string } }).error.code]).toEqual([507, 'disk-full']);
  free = 10_000 * MEGABYTE;
  expect((await app.send('POST', `/studies/${study.id}/exports`, request)).status).toBe(200);
});

test.each([
  ['a file that could not be written', Object.assign(new Error('ENOSPC: no space left on device, write'), { code: 'ENOSPC' })],
  [
    'a database that could not write',
    Object.assign(new Error('could not extend file'), { code: '53100', severity: 'ERROR', routine: 'mdextend' }),
  ],
  [
    'a database that lets nobody in, since it cannot write what it writes then',
    Object.assign(new Error('could not write init file'), { code: 'XX000', severity: 'FATAL', routine: 'write_item' }),
  ],
  ['a database that is gone while the disk is full', Object.assign(new Error('Connection terminated'), { code: 'ECONNREFUSED' })],
])('says that the disk is full on %s', async (_, error) => {
  free = 3 * MEGABYTE;
  const broken = await openTestApplication({ disk: new Disk(['/'], () => free), failWith: error });
  const response = await broken.send('GET', '/health');
  expect([response.status, ((await response.json()) as { error: { message: string } }).error.message]).toEqual([
    507,
    'The disk is full: 3 MB free; nothing was lost.',
  ]);
  await broken.close();
});

it('logs it once, not with every request', async () => {
  const logged = vi.spyOn(console, 'error').mockImplementation(() => {});
  const full = Object.assign(new Error('ENOSPC: no space left on device, write'), { code: 'ENOSPC' });
  free = 3 * MEGABYTE;
  const broken = await openTestApplication({ disk: new Disk(['/'], () => free), failWith: full });
  for (let asked = 0; asked < 5; asked++) expect((await broken.send('GET', '/health')).status).toBe(507);
  expect(logged.mock.calls.map(([text]) => String(text).includes('The disk is full: 3 MB free'))).toEqual([true]);
  logged.mockRestore();
  await broken.close();
  const disk = new Disk([], () => 0);
  expect([0, 30_000, 59_999, 60_000, 61_000].map((now) => disk.isTimeToLog(now))).toEqual([true, false, false, true, false]);
});

it.each([
  'ROLLBACK - Client has encountered a connection error and is not queryable',
  'Connection terminated unexpectedly',
  'select 1 - Query read timeout',
])('says that the database is gone where it ended in the middle: %s', async (message) => {
  free = 10_000 * MEGABYTE;
  const broken = await openTestApplication({ disk: new Disk(['/'], () => free), failWith: new Error(message) });
  const response = await broken.send('GET', '/health');
  expect([response.status, ((await response.json()) as { error: { code: string } }).error.code]).toEqual([503, 'database-gone']);
  await broken.close();
});

it('looks at the real disk, and takes a folder that is not there for no disk', () => {
  expect(new Disk(['/']).free()).toBeGreaterThan(MEGABYTE);
  expect(new Disk(['/']).free()).toBeLessThan(1e15);
  expect(new Disk(['/nowhere/at/all']).free()).toBe(Number.POSITIVE_INFINITY);
});
