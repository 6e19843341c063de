import { afterEach, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { isOutage, RequestError, request } from '../src/api/client';

afterEach(() => vi.unstubAllGlobals());

function answerWith(status: number, body: unknown) {
  vi.stubGlobal('fetch', async () => new Response(JSON.stringify(body), { status }));
}

const failure = (promise: Promise<unknown>) => promise.then(() => null).catch((error: unknown) => error);

it('passes the server’s words on', async () => {
  answerWith(422, { error: { code: 'invalid-request', message: 'A study needs a name.', where: 'name', hint: 'Write one.' } });
  const error = await failure(request('/studies', z.unknown()));
  expect(error).toBeInstanceOf(RequestError);
  expect(error).toMatchObject({ code: 'invalid-request', message: 'A study needs a name.', where: 'name', hint: 'Write one.' });
  expect(isOutage(error)).toBe(false);
});

it.each([
  ['a database that is away', () => answerWith(503, { error: { code: 'database-gone', message: 'It does not answer.' } })],
  [
    'a full disk, on which the database lets nobody in',
    () => answerWith(507, { error: { code: 'disk-full', message: 'The disk is full.' } }),
  ],
  ['a server that is being stopped', () => answerWith(503, { error: { code: 'server-stopping', message: 'It is being stopped.' } })],
  ['a server that is away', () => vi.stubGlobal('fetch', () => Promise.reject(new TypeError('failed to fetch')))],
])('takes %s for an outage', async (_, prepare) => {
  prepare();
  expect(isOutage(await failure(request('/studies', z.unknown())))).toBe(true);
});

it('says of an answer in another form that the page may be of another version, and not that a pin is', async () => {
  answerWith(200, { status: 'odd' });
  const error = await failure(request('/health', z.object({ status: z.literal('ok') })));
  expect(error).not.toBeInstanceOf(z.ZodError);
  expect((error as Error).message).toBe(
    'The server answers in a form that this page does not know. Reload the page: it may be of another version.',
  );
});
