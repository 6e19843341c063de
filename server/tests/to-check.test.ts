import { importPreviewSchema, type Study, studySchema, suspiciousResultSchema } from '@ivlen/contract';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

async function bring(lines: readonly string[]): Promise<Study> {
  const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=people.csv', bytesOf(lines.join('\n')));
  return app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'People' });
}
const toCheck = (study: Study) =>
  app.ask(suspiciousResultSchema, 'POST', `/studies/${study.id}/analyses`, { revision: study.head, analysis: { kind: 'suspicious' } });
const decide = (study: Study, change: object) =>
  app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change });

/** Ages and heights of 40 persons with whole numbers beyond their ordinary ones: 999 for no age, and a few large incomes. */
const PEOPLE = [
  'age,height,income,visits',
  ...Array.from({ length: 40 }, (_, i) => {
    const age = i === 11 || i === 30 ? 999 : 20 + ((i * 7) % 41);
    const height = i === 5 ? 17.2 : 160 + ((i * 11) % 25) + 0.5;
    const visits = i === 30 ? 999 : (i * 5) % 9;
    return `${age},${height},${2000 + ((i * 37) % 400) + (i === 20 ? 900 : 0)},${visits}`;
  }),
];

it('a number that means missing comes first, with what hangs on it and the variables that hold it too', async () => {
  const study = await bring(PEOPLE);
  const { suspicions } = await toCheck(study);
  expect(suspicions.slice(0, 2)).toMatchObject([
    { type: 'missing-code', variable: 'v1', value: 999, count: 2, rows: [12, 31], also: ['v4'] },
    { type: 'missing-code', variable: 'v4', value: 999, count: 1, rows: [31], also: ['v1'] },
  ]);
  const [first] = suspicions;
  if (first?.type !== 'missing-code') throw new Error('no code was found');
  // 38 ages without the codes: their mean and both together by hand.
  const ages = Array.from({ length: 40 }, (_, i) => 20 + ((i * 7) % 41)).filter((__, i) => i !== 11 && i !== 30);
  const sum = ages.reduce((total, age) => total + age, 0);
  expect(first.effect.meanWithout).toBeCloseTo(sum / 38, 10);
  expect(first.effect.mean).toBeCloseTo((sum + 2 * 999) / 40, 10);
  // No row of these is listed a second time as far out.
  expect(suspicions.filter((item) => item.type === 'value' && item.variable === 'v1')).toEqual([]);
});

it('a slip comes before what is only far out', async () => {
  const { suspicions } = await toCheck(await bring(PEOPLE));
  const values = suspicions.flatMap((item) => (item.type === 'value' ? [[item.variable, item.row, item.reason, item.suggestion]] : []));
  expect(values).toEqual([
    ['v2', 6, 'decimal-slip', 172],
    ['v3', 21, 'far-out', null],
  ]);
});

it('“means missing” is one decision for one or several variables, and takes the values out', async () => {
  const study = await bring(PEOPLE);
  const decided = await decide(study, { type: 'mean-missing', code: '999', variables: ['v1', 'v4'] });
  expect(decided.state.variables.map(({ missingCodes }) => missingCodes)).toEqual([['999'], [], [], ['999']]);
  const { suspicions } = await toCheck(decided);
  expect(suspicions.some(({ type }) => type === 'missing-code')).toBe(false);
  const again = await app.send('POST', `/studies/${study.id}/changes`, {
    expectedHead: decided.head,
    change: { type: 'mean-missing', code: '999', variables: ['v1'] },
  });
  expect(again.status).toBe(422);
});

it('a code found right is no longer asked about', async () => {
  const study = await bring(PEOPLE);
  const decided = await decide(study, { type: 'accept-value', variable: 'v4', row: 31, value: 999 });
  const codes = (await toCheck(decided)).suspicions.flatMap((item) => (item.type === 'missing-code' ? [item.variable] : []));
  expect(codes).toEqual(['v1']);
});

it('a study of orders starts with them ticked, and with ranks', async () => {
  const lines = ['q1,q2,q3', ...Array.from({ length: 30 }, (_, i) => `${1 + (i % 5)},${1 + ((i * 2) % 5)},${1 + ((i * 3) % 5)}`)];
  const study = await bring(lines);
  expect(study.state.variables.map(({ kind }) => kind)).toEqual(['ordinal', 'ordinal', 'ordinal']);
  const settings = async (scope: string) =>
    ((await (await app.send('GET', `/studies/${study.id}/settings/${scope}`)).json()) as { settings: object }).settings;
  expect(await settings('working-set')).toEqual({ variables: ['v1', 'v2', 'v3'] });
  expect(await settings('correlations')).toMatchObject({ methods: ['spearman'], alternative: 'two-sided' });
});
