import * as core from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';

const noise = Float64Array.from({ length: 30 }, (_, i) => Math.sin(i * i + 1));
const COLUMNS: Readonly<Record<string, readonly [Float64Array, Float64Array]>> = {
  'no rows': [new Float64Array(0), new Float64Array(0)],
  'one row': [Float64Array.of(1), Float64Array.of(2)],
  'two rows': [Float64Array.of(1, 2), Float64Array.of(5, 3)],
  'three rows': [Float64Array.of(1, 2, 4), Float64Array.of(5, 3, 9)],
  'all missing': [new Float64Array(8).fill(Number.NaN), Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8)],
  constant: [new Float64Array(30).fill(3), noise],
  'constant after deletion': [noise.map((value, i) => (i < 3 ? value : 7)), noise.map((value, i) => (i < 3 ? Number.NaN : value))],
  'all tied but one': [noise.map((_, i) => (i === 4 ? 1 : 0)), noise],
  '1e9 plus noise of 1e-3': [noise.map((value) => 1e9 + 1e-3 * value), noise.map((value) => 1e9 - 1e-3 * value * value)],
  'from 1e-300 to 1e300': [noise.map((value, i) => value * 10 ** (i * 20 - 300)), noise],
  'a perfect line': [noise, noise.map((value) => 3 - 2 * value)],
  'duplicated rows': [noise.map((_, i) => noise[i % 5]), noise.map((_, i) => noise[(i % 5) + 7])],
};
const cases = Object.entries(COLUMNS).map(([name, [x, y]]) => [name, x, y] as const);

/** Every function of one column, and of a pair, with what would be its other arguments. */
const ONE: Readonly<Record<string, (x: Float64Array) => unknown>> = {
  describe: core.describe,
  histogram: core.histogram,
  density: core.density,
  boxSummary: core.boxSummary,
  normalQuantiles: core.normalQuantiles,
  shapiroWilk: core.shapiroWilk,
  andersonDarling: core.andersonDarling,
  lilliefors: core.lilliefors,
  dagostinoPearson: core.dagostinoPearson,
  jarqueBera: core.jarqueBera,
  log10: core.log10,
  ln: core.ln,
  sqrt: core.sqrt,
  cubeRoot: core.cubeRoot,
  reciprocal: core.reciprocal,
  square: core.square,
  reflect: core.reflect,
  standardize: core.standardize,
  rankNormal: core.rankNormal,
  boxCox: core.boxCox,
  yeoJohnson: core.yeoJohnson,
  decimalSlips: core.decimalSlips,
  suspiciousValues: core.suspiciousValues,
};
const labels = (x: Float64Array) => x.map((_, i) => i % 2);
const PAIR: Readonly<Record<string, (x: Float64Array, y: Float64Array) => unknown>> = {
  pearson: core.pearson,
  'pearson adf': (x, y) => core.pearson(x, y, { interval: 'adf' }),
  spearman: core.spearman,
  kendall: core.kendall,
  percentageBend: core.percentageBend,
  influence: (x, y) => (['pearson', 'spearman', 'kendall'] as const).map((method) => core.influence(x, y, { method })),
  partialCorrelation: (x, y) => core.partialCorrelation(x, y, [labels(x)], { method: 'spearman' }),
  'partialCorrelation kendall': (x, y) => core.partialCorrelation(x, y, [labels(x)], { method: 'kendall', replicates: 20 }),
  bootstrapCorrelation: (x, y) => core.bootstrapCorrelation(x, y, { method: 'pearson', replicates: 50 }),
  'bootstrapCorrelation kendall': (x, y) => core.bootstrapCorrelation(x, y, { method: 'kendall', replicates: 50 }),
  permutationTest: (x, y) => core.permutationTest(x, y, { method: 'kendall', permutations: 20 }),
  correlationMatrix: (x, y) => core.correlationMatrix([x, y, labels(x)], { method: 'pearson', missing: 'pairwise', adjust: 'holm' }),
  'correlationMatrix spearman': (x, y) => core.correlationMatrix([x, y], { method: 'spearman', missing: 'listwise' }),
  withinGroup: (x, y) => core.withinGroup(x, y, labels(x), { method: 'pearson' }),
  'withinGroup kendall': (x, y) => core.withinGroup(x, y, labels(x), { method: 'kendall' }),
  permutationCompare: (x, y) => core.permutationCompare(x, y, labels(x), { method: 'spearman', permutations: 10 }),
  acrossGroups: (x, y) =>
    (['pearson', 'spearman', 'kendall'] as const).map((method) => core.acrossGroups([x, y], labels(x), { method }).compare(0, 1)),
  'acrossGroups partial': (x, y) => core.acrossGroups([x, y], labels(x), { method: 'pearson', controls: [x] }).compare(0, 1),
  compareSlopes: (x, y) => core.compareSlopes(x, y, labels(x)),
  distanceCorrelation: (x, y) => core.distanceCorrelation(x, y, { permutations: 19 }),
  rankDependence: (x, y) => core.rankDependence(x, y, { permutations: 19 }),
  unseenPairs: (x, y) => core.unseenPairs([x, y], { permutations: 19 }),
  intraclass: (x, y) => core.intraclass([x, y]),
  correctAttenuation: (x, y) => core.correctAttenuation(x, y, { kind: 'repeated', columns: [x, y], form: 'one' }, null, { replicates: 20 }),
  polychoric: core.polychoric,
  'polychoric of steps': (x, y) => core.polychoric(labels(x), y.map(Math.sign)),
  polyserial: (x) => core.polyserial(x, labels(x)),
  latentCorrelation: (x, y) => core.latentCorrelation(labels(x), y, [true, false]),
  belowLimits: (x, y) => core.belowLimits(core.limitedColumn(x, 0.2), core.limitedColumn(y, null)),
  tiedBelowLimits: (x, y) => core.tiedBelowLimits(core.limitedColumn(x, 0.2), core.limitedColumn(y, 0), 'kendall'),
  remediedTest: (x, y) => core.remediedTest(x, y, { kind: 'between', groups: labels(x) }, { method: 'pearson' }),
  betweenGroups: (x, y) => core.betweenGroups(x, y, labels(x)),
  linearModel: (x, y) => core.linearModel(y, [x]),
  breuschPagan: (x, y) => core.breuschPagan(y, [x]),
  varianceInflation: (x, y) => core.varianceInflation([x, y]),
  collinearity: (x, y) => core.collinearity([x, y]),
  generalizedVif: (x, y) => core.generalizedVif([[x], [y]]),
  mardia: (x, y) => core.mardia([x, y]),
  henzeZirkler: (x, y) => core.henzeZirkler([x, y]),
  doornikHansen: (x, y) => core.doornikHansen([x, y]),
  mahalanobis: (x, y) => core.mahalanobis([x, y]),
  lowess: core.lowess,
  linearity: core.linearity,
  fanShape: core.fanShape,
  fittedLine: core.fittedLine,
  groupDisagreement: (x, y) => core.groupDisagreement(x, y, labels(x), { method: 'pearson' }),
  pairCautions: (x, y) => core.pairCautions(x, y, { method: 'pearson', groups: labels(x) }),
  duplicatedRows: (x, y) => core.duplicatedRows([x, y]),
  gapEffects: (x, y) => core.gapEffects([x, y, labels(x)]),
  clusterBootstrap: (x, y) => core.clusterBootstrap(x, y, labels(x), { method: 'kendall', replicates: 20 }),
  computeWays: (x, y) =>
    core.computeWays({
      x,
      y,
      rows: new Uint8Array(x.length).fill(1),
      choices: [
        { kind: 'coefficient', options: ['pearson', 'spearman', 'kendall', 'percentage-bend'] },
        { kind: 'scale', of: 'x', options: [x, 'rank-normal'] },
        { kind: 'missing', set: [x, y], options: ['pairwise', 'maximum-likelihood'] },
        { kind: 'held', options: [{ kind: 'nothing' }, { kind: 'controls', columns: [y] }] },
        { kind: 'identifier', labels: labels(x), options: ['rows', 'means'] },
      ],
      own: [0, 0, 0, 0, 0],
    }),
};

describe('no column makes a function throw, and none is changed', () => {
  test.each(cases)('%s', (_, x, y) => {
    const [keptX, keptY] = [x.slice(), y.slice()];
    for (const [name, run] of Object.entries(ONE)) expect(() => run(x), name).not.toThrow();
    for (const [name, run] of Object.entries(PAIR)) expect(() => run(x, y), name).not.toThrow();
    expect([x, y]).toEqual([keptX, keptY]);
  });
});

describe('what comes out is documented', () => {
  const [line, other] = COLUMNS['a perfect line'];

  it.each([
    ['no rows', 'too-few-cases'],
    ['one row', 'too-few-cases'],
    ['two rows', 'too-few-cases'],
    ['three rows', undefined],
    ['all missing', 'too-few-cases'],
    ['constant', 'constant-x'],
    ['constant after deletion', 'constant-x'],
    ['all tied but one', undefined],
    ['1e9 plus noise of 1e-3', undefined],
    ['from 1e-300 to 1e300', undefined],
    ['a perfect line', undefined],
    ['duplicated rows', undefined],
  ] as const)('%s: %s', (name, because) => {
    const [x, y] = COLUMNS[name];
    for (const run of [core.pearson, core.spearman, core.kendall]) {
      const { coefficient, pValue, undefinedBecause } = run(x, y);
      expect(undefinedBecause).toBe(because);
      expect([Number.isNaN(coefficient), Number.isNaN(pValue)]).toEqual([because !== undefined, because !== undefined]);
    }
  });

  it('a perfect line: coefficient −1 by all methods, residuals nothing, VIF infinite', () => {
    for (const run of [core.pearson, core.spearman, core.kendall]) expect(run(line, other).coefficient).toBe(-1);
    const model = core.linearModel(other, [line]);
    expect(model.coefficients[1]).toBeCloseTo(-2, 14);
    expect(model.residualSd).toBeLessThan(1e-15);
    expect([...core.varianceInflation([line, other]).vif]).toEqual([Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY]);
  });

  it('values from 1e-300 to 1e300 keep their ranks and do not overflow', () => {
    const [x, y] = COLUMNS['from 1e-300 to 1e300'];
    expect(core.spearman(x, y).coefficient).toBe(
      core.spearman(
        x.map((value) => Math.sign(value) * (Math.log10(Math.abs(value)) + 400)),
        y,
      ).coefficient,
    );
    expect(Number.isFinite(core.pearson(x, y).coefficient)).toBe(true);
    expect(Number.isFinite(core.describe(x).sd)).toBe(true);
  });
});
