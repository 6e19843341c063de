import { afterAll, beforeAll, expect, it } from 'vitest';
import { openTestApplication, type TestApplication } from './test-application';

const KEY = 'a-key-of-thirty-two-characters-00';
let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication({ key: KEY });
});
afterAll(() => app.close());
const asked = (path: string, headers: Record<string, string> = {}) =>
  app.send('GET', path, undefined, { Host: '127.0.0.1:4310', ...headers });

it('refuses in words who has no key, or another one', async () => {
  for (const headers of [{}, { Cookie: 'ivlen-4310=another' }, { Cookie: `ivlen-4311=${KEY}` }] as Record<string, string>[]) {
    const response = await asked('/studies', headers);
    expect(response.status).toBe(401);
    expect(await response.json()).toEqual({
      error: {
        code: 'no-key',
        message: 'This Ivlen was started with a key, and opens only to who has it.',
        hint: 'Open the whole address that ./ivlen start printed, once in this browser.',
      },
    });
  }
  expect((await asked(`/studies?key=${KEY}x`)).status).toBe(401);
  expect((await app.send('POST', `/studies?key=${KEY}`, {})).status).toBe(401);
});

it('turns the key of the printed address into a cookie that no script and no other site can use', async () => {
  const response = await asked(`/studies?key=${KEY}&a=b`);
  expect(response.status).toBe(303);
  expect(response.headers.get('location')).toBe('/api/studies?a=b');
  const cookie = response.headers.get('set-cookie') ?? '';
  expect(cookie).toContain(`ivlen-4310=${KEY};`);
  for (const part of ['HttpOnly', 'SameSite=Strict', 'Path=/']) expect(cookie).toContain(part);
  expect((await asked('/studies', { Cookie: cookie.split(';')[0] ?? '' })).status).toBe(200);
});

it('asks for no key where none was given', async () => {
  const open = await openTestApplication();
  expect((await open.send('GET', '/studies')).status).toBe(200);
  await open.close();
});
