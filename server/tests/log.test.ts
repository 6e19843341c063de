import { connect, loggable } from '@ivlen/server';
import { afterAll, beforeAll, expect, inject, it } from 'vitest';
import { databaseUrl } from './database-template';

const SECRET = 'Margarethe Quillfeather, 47';
let database: ReturnType<typeof connect>;
beforeAll(() => {
  database = connect(databaseUrl(inject('serverUrl'), inject('template')));
});
afterAll(() => database.destroy());
const failure = (work: PromiseLike<unknown>): Promise<unknown> =>
  Promise.resolve(work).then(
    () => null,
    (error: unknown) => error,
  );

it('keeps nothing of a value that the database refused, but where and why it was', async () => {
  const failures = [
    await failure(database('study').insert({ id: SECRET, name: 'x', head: 1 })),
    await failure(database('study').insert({ id: crypto.randomUUID(), name: null, note: SECRET, head: 1 })),
    await failure(database.raw('select ?::int', [SECRET])),
    await failure(database.raw('select ?::jsonb', [`{"name": ${SECRET}}`])),
  ];
  for (const error of failures) {
    const line = loggable(error);
    expect(line).not.toMatch(/Quillfeather|Margarethe/);
    expect(line).toMatch(/code \d\w{4}/);
  }
  expect(loggable(failures[1])).toContain('column name');
  expect(loggable(failures[1])).toContain('table study');
});

it('keeps nothing of a text that a parser refused', async () => {
  const error = await failure(Promise.resolve().then(() => JSON.parse(`${SECRET} {`)));
  expect(loggable(error)).not.toContain('Marg');
  expect(loggable(error)).toMatch(/^SyntaxError: .*\n\s+at /);
});

it('keeps the words of our own errors, and where they come from', () => {
  expect(loggable(new Error('a worker answered with something else than an outcome'))).toMatch(/^Error: a worker answered .*\n\s+at /);
  expect(loggable('text')).toBe('string');
});
