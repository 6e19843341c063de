import { join, resolve } from 'node:path';
import { cautionsResultSchema, repeatedRowsResultSchema, studyListItemSchema, studySchema } from '@ivlen/contract';
import { betweenGroups, withinGroup } from '@ivlen/core';
import { loadDemo } from '@ivlen/server';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { z } from 'zod';
import { openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
let id: string;
const ids: Record<string, string> = {};
beforeAll(async () => {
  app = await openTestApplication();
  await loadDemo(app.database, join(resolve(import.meta.dirname, '../..'), 'samples'));
  const studies = await app.ask(z.array(studyListItemSchema), 'GET', '/studies');
  id = studies.find(({ name }) => name === 'Aldermere streams')?.id ?? '';
  const study = await app.ask(studySchema, 'GET', `/studies/${id}`);
  for (const variable of study.state.variables) ids[variable.name] = variable.id;
});
afterAll(() => app.close());

async function values(name: string): Promise<Float64Array> {
  return new Float64Array(await (await app.send('GET', `/studies/${id}/revisions/1/variables/${ids[name]}/values`)).arrayBuffer());
}
const pair = () => ({ x: ids.water_temp, y: ids.dissolved_oxygen });

it('is within, between and over all rows what the core says of the demo’s stations, the same by the same seed', async () => {
  const analysis = { kind: 'repeated-rows', ...pair(), by: ids.station, alternative: 'two-sided', level: 0.95, replicates: 400, seed: 3 };
  const ask = () => app.ask(repeatedRowsResultSchema, 'POST', `/studies/${id}/analyses`, { revision: 1, analysis });
  const result = await ask();
  const [x, y, station] = [await values('water_temp'), await values('dissolved_oxygen'), await values('station')];
  const within = withinGroup(x, y, station, { method: 'pearson' });
  expect([result.within.coefficient, result.within.df, result.within.pValue]).toEqual([
    within.coefficient,
    within.statistic?.df,
    within.pValue,
  ]);
  const { weighted } = betweenGroups(x, y, station);
  expect([result.between.coefficient, result.between.df]).toEqual([weighted.coefficient, weighted.df]);
  expect([result.repeating, result.repeatedRows]).toEqual([12, 24]);
  for (const { coefficient, interval } of Object.values(result.whole)) {
    expect(interval?.low).toBeLessThan(coefficient ?? Number.NaN);
    expect(interval?.high).toBeGreaterThan(coefficient ?? Number.NaN);
  }
  expect(app.computed.filter((kind) => kind === 'repeated-rows')).toHaveLength(1);
});

it('is the remedy of the caution, told as a note where few rows repeat', async () => {
  const analysis = {
    kind: 'cautions',
    variables: [ids.water_temp, ids.dissolved_oxygen],
    method: 'pearson',
    byVariable: {},
    shapeRule: { kind: 'limits', skewness: 2, excessKurtosis: 7 },
    groupBy: null,
    alpha: 0.05,
  };
  const { pairs } = await app.ask(cautionsResultSchema, 'POST', `/studies/${id}/analyses`, { revision: 1, analysis });
  const found = pairs[0]?.cautions.find(({ code }) => code === 'rows-not-independent');
  expect([found?.level, found?.remedy?.kind]).toEqual(['note', 'within-cases']);
});

it('asks for an identifier that is there', async () => {
  const analysis = { kind: 'repeated-rows', ...pair(), by: 'v99', alternative: 'two-sided', level: 0.95, replicates: 400, seed: 3 };
  expect((await app.send('POST', `/studies/${id}/analyses`, { revision: 1, analysis })).status).toBe(404);
});
