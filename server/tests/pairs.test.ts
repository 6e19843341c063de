import { readFileSync } from 'node:fs';
import {
  cautionsResultSchema,
  correlationResultSchema,
  dependentResultSchema,
  influenceResultSchema,
  lineResultSchema,
  pairResultSchema,
  predictionResultSchema,
  resampleResultSchema,
  type Study,
  studyListItemSchema,
  studySchema,
  subgroupsResultSchema,
} from '@ivlen/contract';
import { adjustPValues, CHECK_CODES } from '@ivlen/core';
import { loadDemo } from '@ivlen/server';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import { openTestApplication, type TestApplication } from './test-application';

/** Computed from the demo tables by reference/generate.py with mpmath, statsmodels and counting of all orders. */
const reference = JSON.parse(readFileSync('reference/demo-pairs.json', 'utf8'));
const TOLERANCE = 1e-10;

let app: TestApplication;
let survey: Study;
let kick: Study;
beforeAll(async () => {
  app = await openTestApplication();
  await loadDemo(app.database, 'samples');
  const studies = await app.ask(z.array(studyListItemSchema), 'GET', '/studies');
  const named = async (name: string) => app.ask(studySchema, 'GET', `/studies/${studies.find((study) => study.name === name)?.id}`);
  survey = await named('Aldermere streams');
  kick = await named('Aldermere kick samples');
});
afterAll(() => app.close());

const id = (study: Study, name: string) => study.state.variables.find((variable) => variable.name === name)?.id ?? '';
const ask = <S extends z.ZodType>(schema: S, study: Study, analysis: object) =>
  app.ask(schema, 'POST', `/studies/${study.id}/analyses`, { revision: study.head, analysis });
const near = (got: number | null | undefined, wanted: number) =>
  expect(Math.abs((got ?? Number.NaN) - wanted) / Math.max(Math.abs(wanted), 1e-300), `${got} for ${wanted}`).toBeLessThan(TOLERANCE);
const of = (x: string, y: string, study = survey) => ({ x: id(study, x), y: id(study, y) });

const subgroupsOf = (study: Study, names: readonly string[], more: object = {}) => ({
  kind: 'subgroups',
  variables: names.map((name) => id(study, name)),
  method: 'pearson',
  byVariable: {},
  alternative: 'two-sided',
  level: 0.95,
  groups: { by: id(study, 'catchment') },
  ...more,
});

describe('a pair', () => {
  it('has every method’s figures as computed outside', async () => {
    const { tests, n } = await ask(pairResultSchema, survey, {
      kind: 'pair',
      ...of('nitrate', 'mayfly_taxa'),
      alternative: 'two-sided',
      level: 0.95,
    });
    const wanted = reference.nitrateByTaxa;
    expect(n).toBe(wanted.n);
    for (const [method, figures] of [
      ['pearson', wanted.r],
      ['spearman', wanted.rho],
      ['kendall', wanted.tau],
    ] as const) {
      near(tests[method].coefficient, figures.coefficient);
      near(tests[method].pValue, figures.p);
      near(tests[method].interval?.low, figures.interval[0]);
      near(tests[method].interval?.high, figures.interval[1]);
    }
    near(tests.pearson.log10P, wanted.r.log10P);
  });

  it('of twelve rows with ties has exact p-values, those of counting all orders', async () => {
    const { tests } = await ask(pairResultSchema, kick, {
      kind: 'pair',
      ...of('depth', 'mayfly_taxa', kick),
      alternative: 'two-sided',
      level: 0.95,
    });
    const { exact } = reference.kick.depthByTaxa;
    expect([tests.spearman.pMethod, tests.kendall.pMethod]).toEqual(['exact', 'exact']);
    near(tests.spearman.pValue, exact.rho);
    near(tests.kendall.pValue, exact.tau);
  });

  it('with another variable held constant is the correlation of what that one leaves', async () => {
    const request = { kind: 'pair', ...of('nitrate', 'mayfly_taxa'), alternative: 'two-sided', level: 0.95 };
    const { tests } = await ask(pairResultSchema, survey, { ...request, control: [id(survey, 'elevation')] });
    near(tests.pearson.coefficient, reference.partialOnElevation.r);
    near(tests.pearson.pValue, reference.partialOnElevation.p);
    expect(tests.pearson.statistic?.df).toBe(reference.partialOnElevation.df);
    const two = await ask(pairResultSchema, survey, { ...request, control: ['elevation', 'water_temp'].map((name) => id(survey, name)) });
    expect(two.tests.kendall).toMatchObject({ coefficient: null, undefinedBecause: 'one-control-only' });
    expect(two.tests.spearman.coefficient).not.toBeNull();
  });

  it('has the simple regression, with p the same as that of r', async () => {
    const line = await ask(lineResultSchema, survey, { kind: 'line', ...of('nitrate', 'mayfly_taxa'), level: 0.95 });
    for (const term of ['intercept', 'slope'] as const) {
      for (const figure of ['value', 'se', 'low', 'high'] as const) near(line[term][figure], reference.line[term][figure]);
    }
    for (const figure of ['r2', 'adjustedR2', 'residualSd', 'f'] as const) near(line[figure], reference.line[figure]);
    near(line.pValue, reference.nitrateByTaxa.r.p);
    // At the mean of x the band is the narrowest, and its middle lies on the line.
    const widths = line.band.map(({ low, high }) => high - low);
    const narrowest = line.band[widths.indexOf(Math.min(...widths))];
    expect(narrowest && Math.abs(narrowest.x - 2.466)).toBeLessThan(0.15);
    // The band goes with the line to a frame that reaches beyond the values.
    const [min, max] = [line.xMin ?? 0, line.xMax ?? 0];
    expect(line.band[0]?.x).toBeCloseTo(min - (max - min) / 2, 9);
    expect(line.band.at(-1)?.x).toBeCloseTo(max + (max - min) / 2, 9);
    expect(line.smooth.length).toBeGreaterThan(20);
  });

  it('predicts from the line the mean and a new case of a typed value', async () => {
    for (const [i, wanted] of reference.line.newCase.entries()) {
      const request = { kind: 'prediction', ...of('nitrate', 'mayfly_taxa'), level: 0.95, at: wanted.x };
      const got = await ask(predictionResultSchema, survey, request);
      near(got.value, wanted.value);
      near(got.newCase?.low, wanted.low);
      near(got.newCase?.high, wanted.high);
      near(got.mean?.low, reference.line.band[i].low);
      expect(got.outside).toBe(false);
    }
    const beyond = await ask(predictionResultSchema, survey, { kind: 'prediction', ...of('nitrate', 'mayfly_taxa'), level: 0.95, at: 99 });
    expect([beyond.outside, beyond.xMax]).toEqual([true, reference.line.band[2].x]);
  });

  it('that one row carries says which, by its name, and what is left', async () => {
    const found = await ask(influenceResultSchema, survey, {
      kind: 'influence',
      ...of('turbidity', 'dissolved_oxygen'),
      method: 'pearson',
    });
    expect(found.carrying).toBe(102);
    expect(found.points[0]).toMatchObject({ row: 102, name: 'CO-018' });
    near(found.coefficient, reference.carried.with.r.coefficient);
    near(found.points[0]?.without, reference.carried.without.r.coefficient);
  });

  it('reverses its sign inside the catchments', async () => {
    const found = await ask(subgroupsResultSchema, survey, subgroupsOf(survey, ['canopy_cover', 'phosphate']));
    const wanted = Object.values(reference.byCatchment.groups) as { n: number; r: number; p: number }[];
    const [pair] = found.pairs;
    expect(pair?.groups.map(({ n }) => n).sort()).toEqual(wanted.map(({ n }) => n).sort());
    for (const cell of pair?.groups ?? []) {
      const group = wanted.find(({ n }) => n === cell.n);
      near(cell.coefficient, group?.r ?? Number.NaN);
      near(cell.pValue, group?.p ?? Number.NaN);
    }
    expect([pair?.reversed, pair?.hidden, pair?.homogeneity.df]).toEqual([true, false, 3]);
    near(pair?.homogeneity.q, reference.byCatchment.q);
  });

  it('is compared with another that shares a variable, over the rows complete for all three', async () => {
    const [a, b, c] = ['mayfly_taxa', 'nitrate', 'phosphate'].map((name) => id(survey, name));
    // The shared one may stand anywhere in the two pairs.
    const request = (method: 'pearson' | 'spearman') => ({
      kind: 'dependent',
      first: { a, b },
      second: { a: c, b: a },
      method,
      level: 0.95,
    });
    const wanted = reference.taxaCloserToNitrateThanPhosphate;
    const found = await ask(dependentResultSchema, survey, request('pearson'));
    const williams = found.tests.find(({ by }) => by === 'williams');
    expect([found.n, williams?.df]).toEqual([wanted.n, wanted.df]);
    near(williams?.statistic, wanted.t);
    near(williams?.pValue, wanted.p);
    const ranks = await ask(dependentResultSchema, survey, request('spearman'));
    expect(ranks.tests).toEqual([]);
    expect(ranks.interval?.high).toBeLessThan(0);
  });
});

describe('the matrix', () => {
  it('adjusts its p-values as computed outside', async () => {
    const { variables, adjusted, p } = reference.holm as { variables: string[]; adjusted: number[]; p: number[] };
    const found = await ask(correlationResultSchema, survey, {
      kind: 'correlation',
      variables: variables.map((name) => id(survey, name)),
      method: 'pearson',
      byVariable: {},
      alternative: 'two-sided',
      level: 0.95,
    });
    const size = variables.length;
    const below = variables.flatMap((_, i) => variables.slice(0, i).map((__, j) => found.pValue[i * size + j] ?? Number.NaN));
    below.forEach((value, k) => {
      near(value, p[k] ?? Number.NaN);
    });
    adjustPValues(below, 'holm').forEach((value, k) => {
      near(value, adjusted[k] ?? Number.NaN);
    });
  });

  it('with a variable held constant has partial correlations in its cells', async () => {
    const found = await ask(correlationResultSchema, survey, {
      kind: 'correlation',
      variables: [id(survey, 'nitrate'), id(survey, 'mayfly_taxa')],
      method: 'pearson',
      byVariable: {},
      alternative: 'two-sided',
      level: 0.95,
      control: [id(survey, 'elevation')],
    });
    near(found.coefficient[1], reference.partialOnElevation.r);
    expect(found.coefficient[2]).toBe(found.coefficient[1]);
  });

  it('knows the cautions that were put into the survey, and no shape of a rank coefficient', async () => {
    const names = ['canopy_cover', 'phosphate', 'turbidity', 'dissolved_oxygen', 'conductivity', 'dissolved_solids'];
    const request = {
      kind: 'cautions',
      variables: names.map((name) => id(survey, name)),
      byVariable: {},
      shapeRule: { kind: 'limits', skewness: 2, excessKurtosis: 7 },
      groupBy: id(survey, 'catchment'),
      alpha: 0.05,
    };
    const codes = async (method: string, a: string, b: string) => {
      const { pairs } = await ask(cautionsResultSchema, survey, { ...request, method });
      const wanted = [id(survey, a), id(survey, b)].sort();
      return pairs.find((pair) => [pair.a, pair.b].sort().join() === wanted.join())?.cautions.map(({ code }) => code) ?? [];
    };
    expect(await codes('pearson', 'canopy_cover', 'phosphate')).toContain('groups-reverse');
    expect(await codes('pearson', 'turbidity', 'dissolved_oxygen')).toEqual(
      expect.arrayContaining(['one-point', 'shape', 'method-disagreement']),
    );
    expect(await codes('spearman', 'turbidity', 'dissolved_oxygen')).not.toContain('shape');
    // The row that carries it is named, with what is left without it.
    const { pairs } = await ask(cautionsResultSchema, survey, { ...request, method: 'pearson' });
    const [turbidity, oxygen] = [id(survey, 'turbidity'), id(survey, 'dissolved_oxygen')];
    const pairOf = pairs.find(({ a, b }) => a === turbidity && b === oxygen);
    const carried = pairOf?.cautions.find(({ code }) => code === 'one-point');
    expect(carried).toMatchObject({ level: 'could-change', remedy: { kind: 'without-row', row: 102, name: 'CO-018' } });
    near(carried?.remedy?.coefficient, reference.carried.without.r.coefficient);
    near(carried?.found.coefficient, reference.carried.with.r.coefficient);
    // Stations were visited twice.
    expect(await codes('kendall', 'conductivity', 'dissolved_solids')).toContain('rows-not-independent');
  });

  it('lists on request every check of a pair, names the row that matters most, and counts the rows that share a station', async () => {
    const { identifier, pairs } = await ask(cautionsResultSchema, survey, {
      kind: 'cautions',
      variables: [id(survey, 'nitrate'), id(survey, 'mayfly_taxa')],
      method: 'pearson',
      byVariable: {},
      shapeRule: { kind: 'limits', skewness: 2, excessKurtosis: 7 },
      groupBy: id(survey, 'catchment'),
      alpha: 0.05,
      withChecks: true,
    });
    expect(identifier).toBe(id(survey, 'station'));
    const checks = new Map(pairs[0]?.checks.map((check) => [check.code, check]));
    expect([...checks.keys()].toSorted()).toEqual([...CHECK_CODES].toSorted());
    // Twelve stations were visited twice: sort and uniq -D on the file.
    expect(checks.get('rows-independent')).toMatchObject({ held: false, values: { repeatedRows: 24 } });
    expect(checks.get('one-row')).toMatchObject({ row: expect.any(Number), name: expect.stringMatching(/^[A-Z]{2}-\d{3}$/) });
    expect(checks.get('few-missing')?.values).toMatchObject({ rowsInUse: 248 });
    const raised = pairs[0]?.cautions.map(({ code }) => code) ?? [];
    expect(raised.includes('one-point')).toBe(checks.get('one-row')?.held === false);
    expect(raised.includes('rows-not-independent')).toBe(true);
  });

  it('knows which variables share a component', async () => {
    const derived = await app.ask(studySchema, 'POST', `/studies/${kick.id}/changes`, {
      expectedHead: kick.head,
      change: {
        type: 'derive',
        definition: {
          name: 'taxa_per_depth',
          unit: null,
          derivation: { type: 'formula', formula: 'mayfly_taxa / depth', ignoreMissing: false },
        },
      },
    });
    const { pairs } = await ask(cautionsResultSchema, derived, {
      kind: 'cautions',
      variables: ['taxa_per_depth', 'depth', 'current'].map((name) => id(derived, name)),
      method: 'spearman',
      byVariable: {},
      shapeRule: { kind: 'limits', skewness: 2, excessKurtosis: 7 },
      groupBy: null,
      alpha: 0.05,
    });
    const sharing = pairs.filter(({ cautions }) => cautions.some(({ code }) => code === 'shares-a-component')).map(({ a, b }) => [a, b]);
    expect(sharing).toEqual([['taxa_per_depth', 'depth'].map((name) => id(derived, name))]);
    // Depth is the component itself: it stands with the taxa, what else the quotient is made of.
    const remedy = pairs.flatMap(({ cautions }) => cautions).find(({ code }) => code === 'shares-a-component')?.remedy;
    expect(remedy?.kind).toBe('remaining-part');
    const plain = await ask(correlationResultSchema, derived, {
      kind: 'correlation',
      variables: [id(derived, 'mayfly_taxa'), id(derived, 'depth')],
      method: 'spearman',
      byVariable: {},
      alternative: 'two-sided',
      level: 0.95,
    });
    near(remedy?.coefficient, plain.coefficient[1] ?? Number.NaN);
  });
});

describe('what takes long', () => {
  const request = () => ({
    kind: 'resample',
    ...of('nitrate', 'mayfly_taxa'),
    what: 'permutation',
    method: 'kendall',
    times: 999,
    seed: 7,
    level: 0.95,
    alternative: 'two-sided',
  });

  it('is repeatable by its seed, and another seed gives another result', async () => {
    const bootstrap = { ...request(), what: 'bootstrap', method: 'pearson' };
    const first = await ask(resampleResultSchema, survey, bootstrap);
    expect(first.interval && first.interval.low < -0.63 && first.interval.high > -0.64).toBe(true);
    expect(await ask(resampleResultSchema, survey, bootstrap)).toEqual(first);
    expect((await ask(resampleResultSchema, survey, { ...bootstrap, seed: 8 })).interval).not.toEqual(first.interval);
    const permuted = await ask(resampleResultSchema, survey, request());
    expect(permuted).toMatchObject({ pValue: 0.001, asExtreme: 0, times: 999 });
  });
});
