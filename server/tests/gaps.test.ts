import { gapsResultSchema, importPreviewSchema, studySchema } from '@ivlen/contract';
import { littleTest, maximumLikelihood, pearson } from '@ivlen/core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

const N = 60;
const none = Number.NaN;
const depth = Float64Array.from({ length: N }, (_, row) => 10 + ((row * 7) % 31));
const flow = depth.map((value, row) => (row % 5 === 0 ? none : value / 2 + ((row * 11) % 13)));
const silt = depth.map((value, row) => (row % 7 === 3 ? none : 40 - value + ((row * 5) % 17)));
let app: TestApplication;
let id: string;
beforeAll(async () => {
  app = await openTestApplication();
  const cell = (value: number | undefined) => (value === value ? String(value) : '');
  const lines = Array.from(depth, (value, row) => [value, cell(flow[row]), cell(silt[row])].join(','));
  const file = await app.ask(importPreviewSchema, 'POST', '/imports?name=beds.csv', bytesOf(`depth,flow,silt\n${lines.join('\n')}\n`));
  ({ id } = await app.ask(studySchema, 'POST', '/studies', { importId: file.id, name: 'beds' }));
});
afterAll(() => app.close());

const ask = (variables: string[]) =>
  app.ask(gapsResultSchema, 'POST', `/studies/${id}/analyses`, { revision: 1, analysis: { kind: 'gaps', variables } });

it('sets three ways side by side, each as the core has it, in a table with a fifth missing', async () => {
  const result = await ask(['v1', 'v2', 'v3']);
  const found = maximumLikelihood([depth, flow, silt]);
  const little = littleTest([depth, flow, silt]);
  expect([result.n, result.completeRows, result.converged]).toEqual([
    N,
    depth.filter((_, row) => row % 5 !== 0 && row % 7 !== 3).length,
    true,
  ]);
  expect(result.little).toEqual({ statistic: little.statistic, df: little.df, pValue: little.pValue, patterns: 4 });
  const pair = result.pairs.find(({ a, b }) => a === 'v2' && b === 'v3');
  expect(pair?.pairwise).toBeCloseTo(pearson(flow, silt).coefficient, 14);
  expect(pair?.likely).toBeCloseTo(found.coefficient[5] ?? none, 14);
  const complete = (column: Float64Array) => column.filter((_, row) => row % 5 !== 0 && row % 7 !== 3);
  expect(result.pairs[0]?.listwise).toBeCloseTo(pearson(complete(depth), complete(flow)).coefficient, 14);
  // Without gaps the likely SD is the SD.
  expect(result.variables[0]?.likelySd).toBeCloseTo(result.variables[0]?.sd ?? none, 8);
  expect(result.variables[1]?.likelyMean).toBeCloseTo(found.means[1] ?? none, 12);
});

it('refuses more than it can estimate together, and a single variable', async () => {
  for (const variables of [['v1'], Array.from({ length: 31 }, () => 'v1')]) {
    const response = await app.send('POST', `/studies/${id}/analyses`, { revision: 1, analysis: { kind: 'gaps', variables } });
    expect(response.status).toBe(422);
  }
});
