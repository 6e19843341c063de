import { errorSchema, importPreviewSchema, type Study, studySchema } from '@ivlen/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
let study: Study;
beforeAll(async () => {
  app = await openTestApplication();
  const preview = await app.ask(importPreviewSchema, 'POST', '/imports?name=t.csv', bytesOf('x,y,site\n1,2,a\n2,4,b\n3,5,c\n4,9,d\n'));
  study = await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name: 'Refused' });
});
afterAll(() => app.close());

async function refusal(method: string, path: string, body?: unknown, raw?: string) {
  const response =
    raw === undefined
      ? await app.send(method, path, body)
      : await app.send(method, path, bytesOf(raw), { 'Content-Type': 'application/json' });
  const text = await response.text();
  return { status: response.status, ...errorSchema.parse(JSON.parse(text)).error };
}

/** What a validator says, and no researcher. */
const JARGON = /Invalid|\bexpected (?!in)|received|NaN|undefined|null\b|uuid|regex|union|\bint32\b/i;

describe('what a request lacks or has too much of', () => {
  const cases: [what: string, method: string, path: (id: string) => string, body: unknown, says: string | RegExp][] = [
    ['a number that is none', 'GET', (id) => `/studies/${id}/revisions/1/rows?block=x`, undefined, '“block” must be a number.'],
    ['an identifier that is none', 'GET', () => '/studies/none', undefined, /^There is no study|is not the number of anything here/],
    [
      'a part that is missing',
      'POST',
      (id) => `/studies/${id}/changes`,
      { change: { type: 'note-pair', pair: ['v1', 'v2'], text: '' } },
      '“expectedHead” is missing.',
    ],
    [
      'a choice that there is not',
      'POST',
      (id) => `/studies/${id}/exports`,
      { revision: 1, format: 'doc', rows: 'all', labels: false },
      /^“format” must be one of “csv”/,
    ],
    ['a revision beyond all', 'GET', (id) => `/studies/${id}/revisions/99999999999`, undefined, /a number that is too large/],
    ['a fraction of a revision', 'GET', (id) => `/studies/${id}/revisions/1.5`, undefined, '“revision” must be a whole number.'],
    [
      'a row beyond all numbers',
      'POST',
      (id) => `/studies/${id}/changes`,
      { expectedHead: 1, change: { type: 'set-aside', choice: { rows: [[1, 1e15]] }, because: 'other' } },
      /There is no row|must be/,
    ],
  ];
  it.each(cases)('%s is said in words, with its name', async (_, method, path, body, says) => {
    const { status, message } = await refusal(method, path(study.id), body);
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    if (typeof says === 'string') expect(message).toBe(says);
    else expect(message).toMatch(says);
    expect(message).not.toMatch(JARGON);
  });

  it.each(['{"revision": 1, ', '', 'revision=1', '[', '"', '{"revision":1e999999}'])(
    'a body that is no JSON (%s) is refused',
    async (raw) => {
      const { status, message, hint } = await refusal('POST', `/studies/${study.id}/analyses`, undefined, raw);
      expect(status).toBeGreaterThanOrEqual(400);
      expect(status).toBeLessThan(500);
      expect(message).not.toMatch(JARGON);
      expect(hint?.length).toBeGreaterThan(10);
    },
  );
});

describe('a body that is no JSON', () => {
  interface Described {
    readonly paths: Readonly<
      Record<string, Readonly<Record<string, { readonly requestBody?: { readonly content?: Readonly<Record<string, unknown>> } }>>>
    >;
  }

  it('is refused with 400 and a sentence by every address that takes one', async () => {
    const { paths } = (await (await app.send('GET', '/openapi.json')).json()) as Described;
    const taking = Object.entries(paths).flatMap(([path, methods]) =>
      Object.entries(methods).flatMap(([method, { requestBody }]) =>
        requestBody?.content?.['application/json'] ? [{ method: method.toUpperCase(), path: path.replace(/^\/api/, '') }] : [],
      ),
    );
    expect(taking.length).toBeGreaterThan(15);
    for (const { method, path } of taking) {
      const address = path
        .replaceAll('{id}', study.id)
        .replaceAll('{stage}', 'correlations')
        .replaceAll(/\{(?:revision|number)\}/g, '1')
        .replaceAll(/\{\w+\}/g, study.id);
      for (const raw of ['{"a": ', '', 'x', '{"a":1}}', `{"a": "${'x'.repeat(300_000)}`]) {
        const { status, code, message, hint } = await refusal(method, address, undefined, raw);
        expect([status, code], `${method} ${address} ${raw.slice(0, 8)}`).toEqual([400, 'malformed-json']);
        expect(message).toMatch(/^The body of the request is no JSON/);
        expect(hint).toMatch(/\.$/);
      }
    }
  });
});
