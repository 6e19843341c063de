import {
  categoriesSchema,
  importPreviewSchema,
  jointResultSchema,
  type Study,
  scalesResultSchema,
  shapeResultSchema,
  studySchema,
  trailSchema,
} from '@ivlen/contract';
import {
  boxSummary,
  describe as describeColumn,
  doornikHansen,
  henzeZirkler,
  kendall,
  mahalanobis,
  mahalanobisQuantile,
  mardia,
  shapiroWilk,
} from '@ivlen/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

// Weights of eleven men in pounds: the worked example of Shapiro & Wilk (1965), W = .79 there; R94 gives W = .7888, p = .0067.
const WEIGHTS = [148, 154, 158, 160, 161, 162, 166, 170, 182, 195, 236];

async function makeStudy(lines: readonly string[]): Promise<Study> {
  const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=x.csv', bytesOf(lines.join('\n')));
  return app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Shapes' });
}
const shapeOf = ({ id, head, state }: Study, name: string) => {
  const variable = state.variables.find((item) => item.name === name)?.id;
  return app.ask(shapeResultSchema, 'POST', `/studies/${id}/analyses`, { revision: head, analysis: { kind: 'shape', variable } });
};

describe('the shape of a variable', () => {
  it('carries every figure, plot and test, over the rows in use, with rows by their number', async () => {
    let study = await makeStudy(['id,weight,other', 'x,1,1', ...WEIGHTS.map((weight, i) => `m${i},${weight},${i % 3}`), 'y,,2']);
    const before = await shapeOf(study, 'weight');
    expect(before.description).toMatchObject({ n: 12, missing: 1, min: 1 });
    const change = { type: 'set-aside', choice: { rows: [[1, 1]] }, because: 'no man' };
    study = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change });
    const shape = await shapeOf(study, 'weight');
    const x = Float64Array.from(WEIGHTS);
    const d = describeColumn(x);
    expect(shape.description).toMatchObject({ n: 11, missing: 1, distinct: 11, mean: d.mean, sd: d.sd, skewness: d.skewness, q3: d.q3 });
    expect(shape.tests['shapiro-wilk'].statistic).toBeCloseTo(0.7888, 4);
    expect(shape.tests['shapiro-wilk'].pValue).toBeCloseTo(0.0067, 4);
    expect(shape.tests['shapiro-wilk'].pValue).toBe(shapiroWilk(x).pValue);
    expect(shape.tests['dagostino-pearson']).toMatchObject({ pValue: null, undefinedBecause: 'too-few-cases' });
    // 236 stands in row 12 of the table: one was set aside above it.
    expect(boxSummary(x).farOut.length + boxSummary(x).outside.length).toBe(shape.box.outside.length);
    expect(shape.box.outside[0]).toEqual({ row: 12, name: 'm10', value: 236, far: expect.any(Boolean) });
    // The whiskers end at the furthest values within 1.5 times the quartiles' distance: 148 and 195 of these by hand.
    expect(shape.box.whiskers).toEqual([148, 195]);
    expect(shape.quantiles.rows.at(-1)).toBe(12);
    expect(shape.histogram.counts.reduce((sum, count) => sum + count, 0)).toBe(11);
    expect(shape.histogram.edges).toHaveLength(shape.histogram.counts.length + 1);
  });

  it.each([
    ['constant', ['5', '5', '5', '5'], 'constant'],
    ['two values', ['5', '7', '', ''], 'too-few-cases'],
  ] as const)('of a variable with %s says what cannot be computed', async (_, cells, because) => {
    const study = await makeStudy(['a,b', ...cells.map((cell, i) => `${cell},${i}`)]);
    const shape = await shapeOf(study, 'a');
    expect(shape.tests['shapiro-wilk']).toMatchObject({ pValue: null, undefinedBecause: because });
    expect(shape.quantiles).toMatchObject({ sample: [], outside: 0, pattern: 'inside' });
  });

  it('of 6,000 cases has no Shapiro–Wilk p, a thinned plot, and all else', async () => {
    const study = await makeStudy(['a,b', ...Array.from({ length: 6000 }, (_, i) => `${Math.exp(((i * 7919) % 6000) / 1500)},${i % 7}`)]);
    const shape = await shapeOf(study, 'a');
    expect(shape.tests['shapiro-wilk']).toMatchObject({ statistic: expect.any(Number), pValue: null, undefinedBecause: 'too-many-cases' });
    expect(shape.tests['anderson-darling'].pValue).toBeLessThan(1e-10);
    expect(shape.quantiles.pattern).toBe('right-tail');
    expect(shape.quantiles.sample.length).toBeLessThan(1100);
    expect([...shape.quantiles.sample]).toEqual([...shape.quantiles.sample].sort((a, b) => a - b));
  });
});

describe('the shape of a group', () => {
  it('is that of its rows in use, with rows by their number and name', async () => {
    const rows = Array.from({ length: 40 }, (_, i) => `S${i + 1},${i % 2 ? 'low' : 'high'},${i === 31 ? 400 : (i * 7) % 40},${i % 5}`);
    let study = await makeStudy(['site,stage,x,order', ...rows]);
    const idOf = (name: string) => study.state.variables.find((item) => item.name === name)?.id ?? '';
    const identified = { type: 'edit-variable', variable: idOf('site'), patch: { kind: 'identifier' } };
    const kind = study.state.variables.find(({ name }) => name === 'site')?.kind;
    if (kind !== 'identifier')
      study = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change: identified });
    const aside = { type: 'set-aside', choice: { rows: [[2, 2]] }, because: 'test' };
    study = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change: aside });
    const { categories } = await app.ask(
      categoriesSchema,
      'GET',
      `/studies/${study.id}/revisions/${study.head}/variables/${idOf('stage')}/categories`,
    );
    const low = categories?.find(({ text }) => text === 'low');
    const shape = await app.ask(shapeResultSchema, 'POST', `/studies/${study.id}/analyses`, {
      revision: study.head,
      analysis: { kind: 'shape', variable: idOf('x'), rows: { group: { by: idOf('stage'), value: low?.value } } },
    });
    const wanted = Float64Array.from({ length: 40 }, (_, i) => (i === 31 ? 400 : (i * 7) % 40)).filter((_, i) => i % 2 === 1 && i !== 1);
    expect(shape.description).toMatchObject({ n: 19, mean: describeColumn(wanted).mean, skewness: describeColumn(wanted).skewness });
    expect(shape.box.outside[0]).toEqual({ row: 32, name: 'S32', value: 400, far: true });
  });
});

describe('joint normality', () => {
  const rows = Array.from({ length: 60 }, (_, i) => {
    const [a, b] = [((i * 37) % 60) / 10, ((i * 17 + 5) % 60) / 10];
    return [a, b + 0.3 * a, i === 40 ? 99 : a - b + ((i * 29) % 7) / 10];
  });
  const makeJoint = () => makeStudy(['a,b,c,d', ...rows.map((cells, i) => `${cells.join(',')},${i === 7 ? '' : (i * 13) % 11}`)]);
  const ask = ({ id, head, state }: Study, names: readonly string[], set: readonly string[], distances: boolean) => {
    const ids = (wanted: readonly string[]) => wanted.map((name) => state.variables.find((item) => item.name === name)?.id);
    const analysis = { kind: 'joint', variables: ids(names), rows: { completeFor: ids(set) }, distances };
    return app.ask(jointResultSchema, 'POST', `/studies/${id}/analyses`, { revision: head, analysis });
  };
  const columns = (names: number[], skip: number) =>
    names.map((k) =>
      Float64Array.from(
        rows.filter((_, i) => i !== skip),
        (cells) => cells[k] ?? 0,
      ),
    );

  it('is tested on the rows complete for the whole set, also with a variable left out', async () => {
    const study = await makeJoint();
    const all = ['a', 'b', 'c', 'd'];
    const without = await ask(study, ['a', 'b', 'c'], all, false);
    expect(without).toMatchObject({ n: 59, incomplete: 1, distances: null, furthest: [] });
    const wanted = columns([0, 1, 2], 7);
    expect(without.henzeZirkler.statistic).toBe(henzeZirkler(wanted).statistic);
    expect(without.doornikHansen).toMatchObject({ df: 6, pValue: doornikHansen(wanted).pValue });
    expect(without.mardia.kurtosis.coefficient).toBe(mardia(wanted).kurtosis.coefficient);
    const { n } = await ask(study, ['a', 'b', 'c'], ['a', 'b', 'c'], false);
    expect(n).toBe(60);
  });

  it('names the rows furthest out with what sets them apart, against the limit of the furthest', async () => {
    const result = await ask(await makeJoint(), ['a', 'b', 'c'], ['a', 'b', 'c'], true);
    const distance = mahalanobis(columns([0, 1, 2], -1));
    expect(result.furthest[0]).toMatchObject({ row: 41, distance: distance[40] });
    expect(result.furthest[0]?.unusual[0]).toMatchObject({ value: 99 });
    expect(result.furthest[0]?.unusual[0]?.givenOthers).toBeGreaterThan(5);
    expect(result.distances?.observed).toEqual([...distance].sort((x, y) => x - y));
    expect(result.distances?.rows.at(-1)).toBe(41);
    expect(result.distances?.limit).toBeCloseTo(mahalanobisQuantile(1 - 0.05 / 60, 60, 3), 10);
  });

  it('says why it cannot be tested', async () => {
    const study = await makeStudy(['a,b,twice', ...rows.map(([a, b]) => `${a},${b},${2 * (a ?? 0)}`)]);
    const result = await ask(study, ['a', 'b', 'twice'], ['a', 'b', 'twice'], true);
    expect(result).toMatchObject({ undefinedBecause: 'singular', distances: null, henzeZirkler: { pValue: null } });
  });
});

describe('other scales', () => {
  const skewed = Array.from({ length: 60 }, (_, i) => Math.exp(((i * 37) % 60) / 12));
  const makeSkewed = () => makeStudy(['a,b,c', ...skewed.map((value, i) => `${value},${Math.log(value) + (i % 5) / 10},${(i % 9) - 4}`)]);
  const scalesOf = ({ id, head, state }: Study, name: string, others: readonly string[]) => {
    const idOf = (wanted: string) => state.variables.find((item) => item.name === wanted)?.id;
    const analysis = { kind: 'scales', variable: idOf(name), others: others.map(idOf) };
    return app.ask(scalesResultSchema, 'POST', `/studies/${id}/analyses`, { revision: head, analysis });
  };

  it('show shape and correlations on each, what turns the order round, and what a scale refuses', async () => {
    const study = await makeSkewed();
    const { scales } = await scalesOf(study, 'a', ['b']);
    const on = (scale: string) => scales.find((item) => item.scale === scale);
    const logs = Float64Array.from(skewed, Math.log10);
    expect(on('log10')?.shape?.description.skewness).toBe(describeColumn(logs).skewness);
    expect(Math.abs(on('log10')?.shape?.description.skewness ?? 9)).toBeLessThan(Math.abs(on('raw')?.shape?.description.skewness ?? 0));
    expect(on('reciprocal')).toMatchObject({ reversed: true, refused: null });
    const [raw, log, reciprocal] = ['raw', 'log10', 'reciprocal'].map((scale) => on(scale)?.correlations[0]?.coefficients);
    expect(log?.pearson).toBeGreaterThan(raw?.pearson ?? 1);
    // Ranks do not mind a scale, but for its sign.
    expect(log?.spearman).toBeCloseTo(raw?.spearman ?? 0, 14);
    expect(reciprocal?.spearman).toBeCloseTo(-(raw?.spearman ?? 0), 14);
    const b = Float64Array.from(skewed, (value, i) => Math.log(value) + (i % 5) / 10);
    expect(raw?.kendall).toBe(kendall(Float64Array.from(skewed), b).coefficient);
    // A rank coefficient computed anew on the scale itself is the one that was carried over.
    expect(reciprocal?.kendall).toBeCloseTo(
      kendall(
        Float64Array.from(skewed, (value) => 1 / value),
        b,
      ).coefficient,
      14,
    );
    const refusing = (await scalesOf(study, 'c', [])).scales;
    expect(refusing.find(({ scale }) => scale === 'log10')).toMatchObject({
      shape: null,
      refused: { because: 'values-not-positive', shift: 5 },
    });
    expect(refusing.find(({ scale }) => scale === 'yeo-johnson')).toMatchObject({ refused: null });
  });

  it('kept or not is a decision with the figures it rests on', async () => {
    let study = await makeSkewed();
    const source = study.state.variables[0]?.id ?? '';
    const change = async (to: object) => {
      study = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change: to });
      return (await app.ask(trailSchema, 'GET', `/studies/${study.id}/trail`)).decisions[0]?.summary;
    };
    const [before, after] = [describeColumn(Float64Array.from(skewed)), describeColumn(Float64Array.from(skewed, Math.log10))];
    const words = (value: number) => value.toFixed(2).replace('-', '−');
    const derivation = { type: 'scale', source, scale: 'log10', shift: 0 };
    expect(await change({ type: 'derive', definition: { name: 'log10_a', unit: null, derivation } })).toBe(
      `log10_a = logarithm to base 10 of a; skewness ${words(before.skewness)}, then ${words(after.skewness)}`,
    );
    const none = await change({ type: 'no-scale-kept', variable: source });
    expect(none).toContain(`No other scale kept for a: skewness as it is ${words(before.skewness)}`);
    expect(none).toContain(`logarithm to base 10 ${words(after.skewness)}`);
    expect(study.state.variables.map(({ name }) => name)).toEqual(['a', 'log10_a', 'b', 'c']);
  });
});
