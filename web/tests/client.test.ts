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
  ['a server that is away', () => vi.stubGlobal('fetch', () => Promise.reject(new TypeError('failed to fetch')))],
])('takes %s for an outage', async (_, prepare) => {
  prepare();
  expect(isOutage(await failure(request('/studies', z.unknown())))).toBe(true);
});

it('does not take an answer of another shape', async () => {
  answerWith(200, { status: 'odd' });
  await expect(request('/health', z.object({ status: z.literal('ok') }))).rejects.toBeInstanceOf(z.ZodError);
});
