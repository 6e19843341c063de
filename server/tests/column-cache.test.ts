import { expect, it } from 'vitest';
import { ColumnCache } from '../src/columns/column-cache';

const MEGABYTE = 1024 * 1024;

it('makes what is asked for once, and lets go of what was longest unused', async () => {
  const cache = new ColumnCache(3 * MEGABYTE);
  const made: string[] = [];
  const get = (key: string) =>
    cache.get(key, MEGABYTE, async () => {
      made.push(key);
      return key;
    });
  for (const key of ['a', 'b', 'c', 'a', 'd', 'a', 'b']) expect(await get(key)).toBe(key);
  expect(made).toEqual(['a', 'b', 'c', 'd', 'b']);
});

it('keeps no failed read: who asks next reads again', async () => {
  const cache = new ColumnCache();
  let tries = 0;
  const read = () =>
    cache.get('column', 8, async () => {
      tries++;
      if (tries === 1) throw new Error('the disk stalled');
      return tries;
    });
  await expect(read()).rejects.toThrow('stalled');
  expect(await read()).toBe(2);
  expect(await read()).toBe(2);
});

it('a read that fails late takes nothing from the one that was begun after it', async () => {
  const cache = new ColumnCache(10);
  let fail = (_: Error) => {};
  const first = cache.get('column', 8, () => new Promise((_, reject) => (fail = reject)));
  // Another takes its room, so that the same column is read a second time while the first read goes on.
  await cache.get('other', 8, async () => 'other');
  let reads = 0;
  const again = () =>
    cache.get('column', 8, async () => {
      reads++;
      return 'column';
    });
  await again();
  fail(new Error('too late'));
  await expect(first).rejects.toThrow('too late');
  expect(await again()).toBe('column');
  expect(reads).toBe(1);
});
