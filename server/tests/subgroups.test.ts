import { readFileSync } from 'node:fs';
import {
  correlationResultSchema,
  dependentResultSchema,
  equalMatricesResultSchema,
  groupPermutationResultSchema,
  importPreviewSchema,
  type Study,
  studyListItemSchema,
  studySchema,
  subgroupDescriptivesResultSchema,
  subgroupPairResultSchema,
  subgroupsResultSchema,
} from '@ivlen/contract';
import {
  compareMatrices,
  compareNonOverlapping,
  compareSlopes,
  correlationMatrix,
  type Method,
  partialCorrelation,
  pearson,
  spearman,
} from '@ivlen/core';
import { loadDemo } from '@ivlen/server';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

/** Computed outside by reference/generate.py with scipy and mpmath. */
const reference = JSON.parse(readFileSync('reference/groups.json', 'utf8')).demo as {
  catchments: string[];
  pairs: ({ x: string; y: string; n: number[]; within: number } & Record<
    Method,
    { groups: number[]; pooled: number; q?: number; p?: number }
  >)[];
};
const lines = readFileSync('samples/aldermere-streams.csv', 'utf8').trim().split(/\r?\n/);
const head = (lines[0] ?? '').split(',');
const texts = (name: string) => lines.slice(1).map((line) => line.split(',')[head.indexOf(name)] ?? '');
const numbers = (name: string) => Float64Array.from(texts(name), (text) => (text === '' ? Number.NaN : Number(text)));

let app: TestApplication;
let survey: Study;
beforeAll(async () => {
  app = await openTestApplication();
  await loadDemo(app.database, 'samples');
  const studies = await app.ask(z.array(studyListItemSchema), 'GET', '/studies');
  survey = await app.ask(studySchema, 'GET', `/studies/${studies.find(({ name }) => name === 'Aldermere streams')?.id}`);
});
afterAll(() => app.close());

const id = (name: string, study = survey) => study.state.variables.find((variable) => variable.name === name)?.id ?? '';
const ask = <S extends z.ZodType>(schema: S, analysis: object, study = survey) =>
  app.ask(schema, 'POST', `/studies/${study.id}/analyses`, { revision: study.head, analysis });
const near = (got: number | null | undefined, wanted: number | undefined) =>
  expect(
    Math.abs((got ?? Number.NaN) - (wanted ?? Number.NaN)) / Math.max(1e-12, Math.abs(wanted ?? 1)),
    `${got} for ${wanted}`,
  ).toBeLessThan(1e-9);
const groups = (more: object = {}) => ({ by: id('catchment'), ...more });
const request = (names: readonly string[], more: object = {}) => ({
  kind: 'subgroups',
  variables: names.map((name) => id(name)),
  method: 'pearson',
  byVariable: {},
  alternative: 'two-sided',
  level: 0.95,
  groups: groups(),
  ...more,
});

/** The label of each stored value, so that results can be put into the order of the reference. */
async function catchmentOf(): Promise<Map<number, string>> {
  const { categories } = await app.ask(
    z.object({ categories: z.array(z.object({ text: z.string(), value: z.number() })) }),
    'GET',
    `/studies/${survey.id}/revisions/${survey.head}/variables/${id('catchment')}/categories`,
  );
  return new Map(categories.map(({ text, value }) => [value, text]));
}

describe('pairs across groups', () => {
  it.each(['pearson', 'spearman', 'kendall'] as const)('by %s are as computed outside, all 28 of them', async (method) => {
    const names = [...new Set(reference.pairs.flatMap(({ x, y }) => [x, y]))];
    const found = await ask(subgroupsResultSchema, request(names, { method }));
    const labels = await catchmentOf();
    const order = reference.catchments.map((name) => found.groups.findIndex(({ value }) => labels.get(value ?? -1) === name));
    expect(found.groups.map(({ rows }) => rows).reduce((sum, rows) => sum + rows, 0)).toBe(248);
    expect([found.pairs.length, found.rowsWithout]).toEqual([28, 0]);
    for (const wanted of reference.pairs) {
      const pair = found.pairs.find(({ a, b }) => [a, b].includes(id(wanted.x)) && [a, b].includes(id(wanted.y)));
      expect(order.map((place) => pair?.groups[place]?.n)).toEqual(wanted.n);
      order.forEach((place, k) => void near(pair?.groups[place]?.coefficient, wanted[method].groups[k]));
      near(pair?.pooled.coefficient, wanted[method].pooled);
      if (method !== 'kendall') {
        near(pair?.homogeneity.q, wanted[method].q);
        expect(Math.abs((pair?.homogeneity.pValue ?? 1) - (wanted[method].p ?? 0))).toBeLessThan(1e-9);
      }
      if (method === 'pearson') near(pair?.within.coefficient, wanted.within);
    }
  });

  it('ticking one variable more computes only its own pairs, another order nothing', async () => {
    const three = request(['elevation', 'nitrate', 'phosphate'], { level: 0.9 });
    const before = await ask(subgroupsResultSchema, three);
    app.pairsKnown.length = 0;
    const four = await ask(subgroupsResultSchema, request(['elevation', 'nitrate', 'phosphate', 'mayfly_taxa'], { level: 0.9 }));
    expect(app.pairsKnown).toEqual([3]);
    const key = ({ a, b }: { a: string; b: string }) => `${a} ${b}`;
    const kept = new Map(four.pairs.map((pair) => [key(pair), pair]));
    for (const pair of before.pairs) expect(kept.get(key(pair))).toEqual(pair);
    await ask(subgroupsResultSchema, request(['mayfly_taxa', 'elevation', 'phosphate', 'nitrate'], { level: 0.9 }));
    expect(app.pairsKnown).toEqual([3, 6]);
  });

  it('some groups alone have the numbers of a matrix of their rows; all of them together those of the chosen', async () => {
    const values = [...(await catchmentOf())];
    const [aster, dray] = ['Aster', 'Dray'].map((name) => values.find(([, text]) => text === name)?.[0] ?? -1);
    const only = [aster ?? -1, dray ?? -1].sort((a, b) => a - b);
    const found = await ask(subgroupsResultSchema, request(['nitrate', 'mayfly_taxa'], { groups: groups({ only }) }));
    const [pair] = found.pairs;
    expect(found.groups.map(({ value }) => value)).toEqual(only);
    for (const [place, value] of only.entries()) {
      const alone = await ask(correlationResultSchema, {
        ...request(['nitrate', 'mayfly_taxa']),
        kind: 'correlation',
        rows: { completeFor: [], group: { by: id('catchment'), value } },
      });
      near(pair?.groups[place]?.coefficient, alone.coefficient[1] ?? undefined);
      near(pair?.groups[place]?.low, alone.low[1] ?? undefined);
    }
    const chosen = texts('catchment').map((name) => name === 'Aster' || name === 'Dray');
    const of = (name: string) => numbers(name).filter((_, row) => chosen[row]);
    near(pair?.pooled.coefficient, pearson(of('nitrate'), of('mayfly_taxa')).coefficient);
    // Two groups: the first less the second.
    near(pair?.two?.difference, (pair?.groups[0]?.coefficient ?? 0) - (pair?.groups[1]?.coefficient ?? 0));
    expect(pair?.homogeneity.df).toBe(1);
    expect(pair?.random).toBeNull();
  });

  it('one group against the rest is compared with all others as one', async () => {
    const aster = [...(await catchmentOf())].find(([, text]) => text === 'Aster')?.[0] ?? -1;
    const found = await ask(subgroupsResultSchema, request(['nitrate', 'mayfly_taxa'], { groups: groups({ against: aster }) }));
    expect(found.groups).toEqual([
      { is: 'group', value: aster, rows: 63 },
      { is: 'rest', value: null, rows: 185 },
    ]);
    const rest = texts('catchment').map((name) => name !== 'Aster');
    const of = (name: string) => numbers(name).filter((_, row) => rest[row]);
    near(found.pairs[0]?.groups[1]?.coefficient, pearson(of('nitrate'), of('mayfly_taxa')).coefficient);
  });

  it('holds others constant, rests on complete rows, and draws bootstrap intervals', async () => {
    const held = await ask(subgroupsResultSchema, request(['nitrate', 'mayfly_taxa'], { control: [id('elevation')] }));
    const labels = await catchmentOf();
    const in0 = texts('catchment').map((name) => name === labels.get(held.groups[0]?.value ?? -1));
    const of = (name: string) => numbers(name).filter((_, row) => in0[row]);
    near(
      held.pairs[0]?.groups[0]?.coefficient,
      partialCorrelation(of('nitrate'), of('mayfly_taxa'), [of('elevation')], { method: 'pearson' }).coefficient,
    );
    const two = await ask(
      subgroupsResultSchema,
      request(['nitrate', 'mayfly_taxa'], { method: 'kendall', control: [id('elevation'), id('ph')] }),
    );
    expect(two.pairs[0]).toMatchObject({
      pooled: { coefficient: null, because: 'one-control-only' },
      untested: [0, 1, 2, 3],
      homogeneity: { pValue: null },
    });

    const complete = ['nitrate', 'mayfly_taxa', 'chlorophyll', 'dissolved_oxygen'].map((name) => id(name));
    const listwise = await ask(
      subgroupsResultSchema,
      request(['nitrate', 'mayfly_taxa'], { rows: { completeFor: complete, group: null } }),
    );
    const whole = ['nitrate', 'mayfly_taxa', 'chlorophyll', 'dissolved_oxygen'].map(numbers);
    const rows = [...numbers('nitrate').keys()].filter((row) => whole.every((column) => !Number.isNaN(column[row])));
    expect(listwise.pairs[0]?.pooled.n).toBe(rows.length);
    const drawn = await ask(subgroupsResultSchema, request(['nitrate', 'mayfly_taxa'], { interval: 'bootstrap' }));
    const plain = await ask(subgroupsResultSchema, request(['nitrate', 'mayfly_taxa']));
    expect(drawn.pairs[0]?.groups[0]?.low).not.toBe(plain.pairs[0]?.groups[0]?.low);
    expect(drawn.pairs[0]?.homogeneity).toEqual(plain.pairs[0]?.homogeneity);
  });
});

describe('an opened pair', () => {
  it('has slopes, spreads and every two groups; lines of y on x', async () => {
    const found = await ask(subgroupPairResultSchema, {
      kind: 'subgroup-pair',
      x: id('phosphate'),
      y: id('canopy_cover'),
      groups: groups(),
      method: 'pearson',
      level: 0.95,
      adjust: 'holm',
    });
    const labels = await catchmentOf();
    const codes = Float64Array.from(texts('catchment'), (name) => found.groups.findIndex(({ value }) => labels.get(value ?? -1) === name));
    const wanted = compareSlopes(numbers('phosphate'), numbers('canopy_cover'), codes);
    near(found.slopes.f, wanted.f);
    near(found.slopes.common, wanted.commonSlope);
    wanted.groups.forEach(({ slope, intercept }, place) => {
      near(found.slopes.groups[place]?.slope, slope);
      near(found.slopes.groups[place]?.intercept, intercept);
    });
    expect([found.slopes.df, found.slopes.dfResidual, found.everyTwo.length]).toEqual([3, 237, 6]);
    // Over all rows it rises, inside every group it falls.
    expect(found.slopes.pooled.slope).toBeGreaterThan(0);
    expect(found.slopes.groups.every(({ slope }) => (slope ?? 0) < 0)).toBe(true);
    for (const { pValue, adjustedP } of found.everyTwo) expect(adjustedP ?? 0).toBeGreaterThanOrEqual(pValue ?? 1);
    expect(found.whole.n).toBe(found.spreads.reduce((sum, { n }) => sum + n, 0));
    expect(found.between.df).toBe(2);
  });

  it('is permuted on request, the same for the same seed', async () => {
    const of = (seed: number) =>
      ask(groupPermutationResultSchema, {
        kind: 'group-permutation',
        x: id('conductivity'),
        y: id('dissolved_solids'),
        groups: groups(),
        method: 'pearson',
        times: 199,
        seed,
      });
    const [one, again, other] = [await of(3), await of(3), await of(4)];
    expect(one).toEqual(again);
    expect([one.times, one.seed, one.untested]).toEqual([199, 3, 0]);
    expect(one.pValue).toBe((one.asExtreme + 1) / 200);
    expect(other.q).toBe(one.q);
  });
});

describe('all variables at once', () => {
  it('whole matrices by Jennrich’s test over complete rows, or why not', async () => {
    const names = ['elevation', 'water_temp', 'nitrate', 'mayfly_taxa'];
    const found = await ask(equalMatricesResultSchema, {
      kind: 'equal-matrices',
      variables: names.map((name) => id(name)),
      groups: groups(),
    });
    const columns = names.map(numbers);
    const rows = [...texts('catchment').keys()].filter((row) => columns.every((column) => !Number.isNaN(column[row])));
    const matrices = reference.catchments.map((name) => {
      const own = rows.filter((row) => texts('catchment')[row] === name);
      const { coefficient } = correlationMatrix(
        columns.map((column) => Float64Array.from(own, (row) => column[row] ?? Number.NaN)),
        { method: 'pearson', missing: 'listwise' },
      );
      return { matrix: coefficient, n: own.length };
    });
    const wanted = compareMatrices(matrices);
    near(found.statistic, wanted.statistic);
    expect([found.df, found.because, [...found.n].sort()]).toEqual([18, null, matrices.map(({ n }) => n).sort()]);
    const one = await ask(equalMatricesResultSchema, {
      kind: 'equal-matrices',
      variables: names.map((name) => id(name)),
      groups: groups({ only: [0], withoutOne: false }),
    });
    expect([one.because, one.pValue]).toEqual(['too-few-groups', null]);
  });

  it('means and SDs in each group, and where a spread is narrow', async () => {
    const found = await ask(subgroupDescriptivesResultSchema, {
      kind: 'subgroup-descriptives',
      variables: [id('elevation'), id('water_temp')],
      groups: groups(),
    });
    const labels = await catchmentOf();
    const [elevation, temperature] = found.variables;
    found.groups.forEach(({ value }, place) => {
      const own = numbers('elevation').filter((_, row) => texts('catchment')[row] === labels.get(value ?? -1));
      near(elevation?.groups[place]?.mean, own.reduce((sum, x) => sum + x, 0) / own.length);
    });
    expect(elevation?.restricted).toEqual([0, 1, 2, 3]);
    expect(temperature?.restricted).toEqual([]);
    expect(elevation?.whole.n).toBe(248);
  });
});

describe('dependent comparisons', () => {
  const of = (first: [string, string], second: [string, string], more: object = {}) => ({
    kind: 'dependent',
    first: { a: id(first[0]), b: id(first[1]) },
    second: { a: id(second[0]), b: id(second[1]) },
    method: 'pearson',
    level: 0.95,
    ...more,
  });

  it('of four variables are those of the core over the rows complete for all', async () => {
    const names = ['nitrate', 'mayfly_taxa', 'phosphate', 'dissolved_oxygen'];
    const found = await ask(dependentResultSchema, of(['nitrate', 'mayfly_taxa'], ['phosphate', 'dissolved_oxygen']));
    const columns = names.map(numbers);
    const rows = [...columns.keys(), ...numbers('nitrate').keys()].filter(
      (row, i, all) => all.indexOf(row) === i && columns.every((column) => !Number.isNaN(column[row])),
    );
    const [a, b, c, d] = columns.map((column) => Float64Array.from(rows, (row) => column[row] ?? Number.NaN)) as [
      Float64Array,
      Float64Array,
      Float64Array,
      Float64Array,
    ];
    const r = (x: Float64Array, y: Float64Array) => pearson(x, y).coefficient;
    const wanted = compareNonOverlapping({
      rAB: r(a, b),
      rCD: r(c, d),
      rAC: r(a, c),
      rAD: r(a, d),
      rBC: r(b, c),
      rBD: r(b, d),
      n: rows.length,
    });
    expect([found.n, found.tests.map(({ by }) => by), found.across.length]).toEqual([rows.length, ['dunn-clark', 'steiger'], 4]);
    near(found.tests[0]?.statistic, wanted.dunnClark.z);
    near(found.interval?.low, wanted.interval?.low);
  });

  it('turn the sign of the second on request, that of the variable the first does not have', async () => {
    const plain = await ask(dependentResultSchema, of(['mayfly_taxa', 'elevation'], ['canopy_cover', 'mayfly_taxa']));
    const turned = await ask(dependentResultSchema, of(['mayfly_taxa', 'elevation'], ['canopy_cover', 'mayfly_taxa'], { turned: true }));
    near(turned.first, plain.first ?? undefined);
    near(turned.second, -(plain.second ?? 0));
    near(turned.across[0]?.coefficient, -(plain.across[0]?.coefficient ?? 0));
    const ranks = await ask(
      dependentResultSchema,
      of(['mayfly_taxa', 'elevation'], ['nitrate', 'phosphate'], { method: 'spearman', turned: true }),
    );
    expect([ranks.tests, ranks.because]).toEqual([[], null]);
    near(
      ranks.second,
      -spearman(
        numbers('nitrate'),
        numbers('phosphate').map((value, row) => (Number.isNaN(numbers('mayfly_taxa')[row] ?? 0) ? Number.NaN : value)),
      ).coefficient,
    );
  });

  it('are refused where there are not two pairs', async () => {
    for (const analysis of [of(['nitrate', 'mayfly_taxa'], ['mayfly_taxa', 'nitrate']), of(['nitrate', 'nitrate'], ['ph', 'nitrate'])]) {
      const response = await app.send('POST', `/studies/${survey.id}/analyses`, { revision: survey.head, analysis });
      const body = JSON.stringify(await response.json());
      const told = body.includes('"job"') ? await (await app.send('GET', `/jobs/${JSON.parse(body).job}/events`)).text() : body;
      expect(told).toContain('These are not two different pairs of variables.');
    }
  });
});

describe('groups that are made here', () => {
  const change = (study: Study, to: object) =>
    app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change: to });
  let study: Study;
  beforeAll(async () => {
    const rows = Array.from({ length: 40 }, (_, i) => `${'ab'[i % 2]},${i % 8 === 7 ? '' : (i % 3) + 1},${(i * 7) % 20},${(i * 11) % 20}`);
    const { id: importId } = await app.ask(
      importPreviewSchema,
      'POST',
      '/imports?name=made.csv',
      bytesOf(['site,grade,x,y', ...rows].join('\n')),
    );
    study = await app.ask(studySchema, 'POST', '/studies', { importId, name: 'Made' });
    study = await change(study, {
      type: 'edit-variable',
      variable: id('grade', study),
      patch: { kind: 'ordinal', valueLabels: { 1: 'low', 2: 'middle' } },
    });
  });

  it('every combination of two variables is a category of its own, missing where either is, named by labels', async () => {
    const made = await change(study, {
      type: 'derive',
      definition: { name: 'site and grade', unit: null, derivation: { type: 'combine', sources: [id('site', study), id('grade', study)] } },
    });
    const variable = made.state.variables.find(({ name }) => name === 'site and grade');
    expect([variable?.kind, variable?.storage]).toEqual(['nominal', 'code']);
    const { categories } = await app.ask(
      z.object({ categories: z.array(z.object({ text: z.string(), rows: z.number() })) }),
      'GET',
      `/studies/${made.id}/revisions/${made.head}/variables/${variable?.id}/categories`,
    );
    expect(categories.map(({ text }) => text)).toEqual(['a · 3', 'a · low', 'a · middle', 'b · 3', 'b · low', 'b · middle']);
    expect(categories.reduce((sum, { rows }) => sum + rows, 0)).toBe(35);
    const trail = await app.send('GET', `/studies/${made.id}/trail`);
    expect(await trail.text()).toContain('site and grade = site and grade combined');
    const found = await ask(
      subgroupsResultSchema,
      { ...request([]), variables: [id('x', made), id('y', made)], groups: { by: variable?.id ?? '', withoutOne: true } },
      made,
    );
    expect([found.groups.length, found.groups.at(-1), found.rowsWithout]).toEqual([7, { is: 'without', value: null, rows: 5 }, 5]);
    study = await app.ask(studySchema, 'POST', `/studies/${made.id}/undo`, { expectedHead: made.head });
    expect(study.state.variables.some(({ name }) => name === 'site and grade')).toBe(false);
  });

  it('a quantity cannot be combined, nor more groups compared than can be told apart', async () => {
    const refused = await app.send('POST', `/studies/${study.id}/changes`, {
      expectedHead: study.head,
      change: {
        type: 'derive',
        definition: { name: 'no', unit: null, derivation: { type: 'combine', sources: [id('site', study), id('x', study)] } },
      },
    });
    expect(await refused.text()).toContain('x is');
    const many = bytesOf(['plot,x,y', ...Array.from({ length: 124 }, (_, i) => `p${i % 31},${(i * 7) % 20},${(i * 11) % 17}`)].join('\n'));
    const { id: importId } = await app.ask(importPreviewSchema, 'POST', '/imports?name=many.csv', many);
    const plots = await app.ask(studySchema, 'POST', '/studies', { importId, name: 'Many' });
    const analysis = { ...request([]), variables: [id('x', plots), id('y', plots)], groups: { by: id('plot', plots) } };
    await expect(ask(subgroupsResultSchema, analysis, plots)).rejects.toThrow('More than 30 groups cannot be told apart.');
    const some = await ask(subgroupsResultSchema, { ...analysis, groups: { ...analysis.groups, only: [0, 1, 2] } }, plots);
    expect(some.groups).toHaveLength(3);
  });
});
