import {
  bartlettSphericity,
  breuschPagan,
  compareMatrices,
  compareNonOverlapping,
  compareOverlapping,
  equivalenceTest,
  fanShape,
  generalizedVif,
  inflationAmong,
  influence,
  kendall,
  linearity,
  linearModel,
  METHOD_NAMES,
  pairCautions,
  partialCorrelation,
  pearson,
  permutationCompare,
  spearman,
  testAgainst,
  varianceInflation,
  withinGroup,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';

const random = new Random(4);
const normal = (n: number) => Float64Array.from({ length: n }, () => random.normal());

describe('matrices that no data have', () => {
  it.each([
    ['NaN in it', Float64Array.of(1, Number.NaN, 0.2, Number.NaN, 1, 0.1, 0.2, 0.1, 1)],
    ['a negative eigenvalue', Float64Array.of(1, 0.9, -0.9, 0.9, 1, 0.9, -0.9, 0.9, 1)],
  ])('sphericity is undefined with %s', (_, matrix) => {
    expect(bartlettSphericity(matrix, 50)).toMatchObject({
      statistic: Number.NaN,
      pValue: Number.NaN,
      undefinedBecause: 'not-a-correlation-matrix',
    });
    const groups = [
      { matrix, n: 50 },
      { matrix, n: 60 },
    ];
    expect(compareMatrices(groups).pValue).toBeNaN();
  });

  it('Jennrich’s test says where its level is not kept: below five rows for each coefficient', () => {
    const matrix = Float64Array.of(1, 0.3, 0.2, 0.3, 1, 0.1, 0.2, 0.1, 1);
    const of = (n: number) =>
      compareMatrices([
        { matrix, n },
        { matrix, n: 90 },
      ]).rejectsTooOften;
    expect([of(14), of(15)]).toEqual([true, false]);
  });

  const dependent = { rAB: 0.9, rAC: -0.9, rBC: 0.9, n: 60 };
  it('dependent correlations are not compared: every figure NaN, with the reason', () => {
    const nothing = { pValue: Number.NaN };
    expect(compareOverlapping(dependent)).toMatchObject({
      williams: nothing,
      meng: { ...nothing, z: Number.NaN },
      interval: null,
      undefinedBecause: 'impossible',
    });
    for (const exact of [
      { rAB: 1, rAC: 0.4, rBC: 0.4 },
      { rAB: 0.4, rAC: -1, rBC: -0.4 },
      { rAB: 0.4, rAC: 0.4, rBC: 1 },
    ]) {
      expect(compareOverlapping({ ...exact, n: 60 })).toMatchObject({ williams: nothing, meng: nothing, undefinedBecause: 'exact' });
    }
    expect(compareOverlapping({ rAB: 0.3, rAC: 0.2, rBC: 0.1, n: 3 }).undefinedBecause).toBe('too-few-cases');
    const six = { rAB: 0.9, rCD: 0.1, rAC: -0.9, rAD: 0, rBC: 0.9, rBD: 0, n: 60 };
    expect(compareNonOverlapping(six)).toMatchObject({
      steiger: nothing,
      dunnClark: nothing,
      interval: null,
      undefinedBecause: 'impossible',
    });
    expect(compareNonOverlapping({ ...six, rAB: 1, rAC: 0.5, rBC: 0.5 }).undefinedBecause).toBe('exact');
  });

  it('no limit of a difference lies beyond ±2', () => {
    const interval = compareNonOverlapping({ rAB: 0.97, rCD: -0.97, rAC: 0, rAD: 0, rBC: 0, rBD: 0, n: 5 }).interval;
    expect(interval && interval.low >= -2 && interval.high <= 2 && interval.low < interval.high).toBe(true);
  });
});

describe('groups with a coefficient of exactly ±1', () => {
  const x = Float64Array.of(1, 2, 3, 4, 5, 2, 7, 1, 9, 4);
  const y = Float64Array.of(2, 3, 5, 7, 11, 8, 9, 1, 10, 2);
  const labels = Float64Array.of(1, 1, 1, 1, 1, 2, 2, 2, 2, 2);

  test.each(['spearman', 'kendall'] as const)(
    '%s: the group in exact order is left out and named, and nothing is left to test',
    (method) => {
      const got = permutationCompare(x, y, labels, { method, permutations: 199 });
      expect(got.untested).toEqual([1]);
      expect([got.q, got.pValue]).toEqual([Number.NaN, Number.NaN]);
    },
  );

  test.each(METHOD_NAMES)('%s: with two more groups these two are compared, as without it', (method) => {
    const [a, b] = [normal(40), normal(40)];
    const group = Float64Array.from({ length: 40 }, (_, i) => 2 + (i % 2));
    const line = [1, 2, 3, 4, 5, 6];
    const all = (own: Float64Array, more: readonly number[]) => Float64Array.of(...more, ...own);
    const options = { method, permutations: 199, seed: 3 };
    const got = permutationCompare(all(a, line), all(b, line), all(group, [1, 1, 1, 1, 1, 1]), options);
    expect(got.untested).toEqual([1]);
    expect({ ...got, untested: [] }).toEqual(permutationCompare(a, b, group, options));
    expect(Number.isFinite(got.q)).toBe(true);
  });

  it('a shuffled split with a coefficient of ±1 counts as at least as extreme', () => {
    // Two groups of five: every other shuffle puts some five rows into exact order, so that p cannot be tiny.
    const u = Float64Array.of(1, 2, 3, 5, 4, 1, 2, 3, 5, 4);
    const v = Float64Array.of(1, 2, 3, 4, 5, 5, 4, 3, 2, 1);
    const got = permutationCompare(u, v, labels, { method: 'spearman', permutations: 999 });
    expect(got.q).toBeGreaterThan(0);
    expect(got.asExtreme).toBeGreaterThan(5);
  });

  test.each(['spearman', 'kendall'] as const)('within groups by %s, n counts the rows that enter alone', (method) => {
    const [a, b] = [normal(30), normal(30)];
    const got = withinGroup(Float64Array.of(...x, ...a), Float64Array.of(...y, ...b), Float64Array.of(...labels, ...a.map(() => 3)), {
      method,
    });
    // Group 1 is in exact order; group 2 has five rows, group 3 thirty.
    expect([got.groups, got.n]).toEqual([2, 35]);
    expect(withinGroup(x.slice(0, 5), y.slice(0, 5), labels.slice(0, 5), { method })).toMatchObject({
      groups: 0,
      n: 0,
      pValue: Number.NaN,
    });
  });

  it('within groups of unequal spread the mean of z stands beside, and nowhere else', () => {
    const a = normal(40);
    const b = a.map((value) => value + random.normal());
    const half = a.map((_, i) => (i < 20 ? 1 : 2));
    const spread = (by: number) => (values: Float64Array) => values.map((value, i) => (i < 20 ? value : by * value));
    const alike = withinGroup(a, b, half, { method: 'pearson' });
    expect([alike.spreadRatio < 2, alike.meanOfZ]).toEqual([true, undefined]);
    const wide = withinGroup(spread(9)(a), spread(9)(b), half, { method: 'pearson' });
    expect(wide.spreadRatio).toBeGreaterThan(5);
    // z does not know of spread: it is what groups of equal spread have.
    const [first, second] = [0, 20].map((from) => pearson(a.slice(from, from + 20), b.slice(from, from + 20)).coefficient);
    expect(wide.meanOfZ?.coefficient).toBeCloseTo(Math.tanh((Math.atanh(first) + Math.atanh(second)) / 2), 12);
    expect(wide.meanOfZ?.pValue).toBeGreaterThan(0);
  });
});

describe('points exactly on a line', () => {
  const exact = Array.from({ length: 30 }, (_, k) => k + 3).map((n) => Float64Array.from({ length: n }, (_, i) => 2 ** (i % 40)));

  it('nothing carries a coefficient of ±1, at any n and by any method', () => {
    const x = Float64Array.of(1, 2, 4, 8, 16, 32);
    for (const values of [x, ...exact]) {
      for (const slope of [3, -0.3]) {
        const y = values.map((value) => slope * value + 1);
        for (const method of METHOD_NAMES) {
          expect(influence(values, y, { method })).toMatchObject({ mostInfluential: -1, carrying: -1, onePointCarries: false });
          const codes = pairCautions(values, y, { method }).map(({ code }) => code);
          expect(codes.filter((code) => code !== 'few-cases' && code !== 'shape')).toEqual([]);
        }
      }
    }
  });

  it('an exact fit has no fan and no curve: NaN, no caution', () => {
    const x = Float64Array.from({ length: 60 }, (_, i) => Math.exp(i / 6));
    for (const y of [x.map((value) => 0.3 * value), x.map((value) => 1e6 - 7 * value)]) {
      expect(breuschPagan(y, [x])).toMatchObject({ statistic: Number.NaN, pValue: Number.NaN, n: 60 });
      expect(fanShape(x, y)).toEqual({ fanShaped: false, pValue: Number.NaN });
      expect(linearity(x, y)).toMatchObject({ curved: false, pValue: Number.NaN, gain: Number.NaN });
    }
    // A hair of noise is no exact fit any more.
    expect(
      breuschPagan(
        x.map((value) => 0.3 * value + 1e-6 * random.normal()),
        [x],
      ).pValue,
    ).toBeGreaterThan(0);
  });

  it('linearity is undefined below four rows', () => {
    const three = linearity(Float64Array.of(1, 2, 4), Float64Array.of(3, 1, 9));
    expect(three).toMatchObject({ curved: false, pValue: Number.NaN, gain: Number.NaN, rankAdvantage: Number.NaN });
    expect(linearity(Float64Array.of(1, 2, 4, 3), Float64Array.of(3, 1, 9, 2)).rankAdvantage).not.toBeNaN();
  });
});

describe('the row that carries a coefficient', () => {
  it('is the one whose figures are given, also where only a flipped sign counts', () => {
    const x = Float64Array.of(...normal(60), 9);
    const y = Float64Array.of(...x.slice(0, 60).map((value) => -0.3 * value + random.normal()), 9);
    const got = influence(x, y, { method: 'pearson' });
    expect([got.carrying, got.onePointCarries]).toEqual([60, true]);
    const caution = pairCautions(x, y, { method: 'pearson' }).find(({ code }) => code === 'one-point');
    expect(caution?.remedy).toMatchObject({ kind: 'without-row', row: 60, n: 60 });
    expect(caution?.remedy?.coefficient).toBe(pearson(x.slice(0, 60), y.slice(0, 60)).coefficient);
  });

  it('a sign that flips between two insignificant coefficients carries nothing', () => {
    // r = 0 up to the third decimal of many rows: without any one row its sign may be the other, which says nothing.
    for (let seed = 1; seed < 40; seed++) {
      const source = new Random(seed);
      const [x, y] = [0, 1].map(() => Float64Array.from({ length: 80 }, () => source.normal()));
      const got = influence(x, y, { method: 'spearman' });
      if (Math.abs(got.coefficient) < 0.005) expect(got.onePointCarries).toBe(false);
    }
  });
});

describe('exact dependences', () => {
  const [a, b, d, z] = [normal(25), normal(25), normal(25), normal(25)];
  const sum = a.map((value, i) => value + b[i]);

  it('all that take part are infinite, the others as they are without them; constants have none', () => {
    const { triangle } = varianceInflation([a, b, sum, d, a.map(() => 5)]);
    const among = inflationAmong(triangle, [0, 1, 2, 3]);
    expect([...among.slice(0, 3)]).toEqual([Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY]);
    expect(among[3]).toBeCloseTo(varianceInflation([a, b, d]).vif[2], 10);
    expect([...inflationAmong(triangle, [0, 4])].map((value) => Number.isNaN(value))).toEqual([false, true]);
    expect([...inflationAmong(triangle, [0, 1])]).toEqual([...varianceInflation([a, b]).vif].map((value) => expect.closeTo(value, 10)));
  });

  it('a term beside dependent ones keeps its generalized inflation', () => {
    const { gvif } = generalizedVif([[a], [b], [sum], [z]]);
    expect([...gvif.slice(0, 3)]).toEqual([Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY]);
    expect(gvif[3]).toBeCloseTo(varianceInflation([a, b, z]).vif[2], 10);
    expect(generalizedVif([[a, b], [z], [a.map(() => 2)]]).gvif[2]).toBeNaN();
  });

  it.each([1e-13, 1e-11])('a partial correlation and a regression call the same dependent: noise of %d', (noise) => {
    const near = a.map((value, i) => value - 2 * b[i] + noise * d[i]);
    const partial = partialCorrelation(near, z, [a, b], { method: 'pearson' });
    const model = linearModel(z, [near, a, b]);
    expect(partial.undefinedBecause === 'constant-x').toBe(model.undefinedBecause === 'dependent-predictors');
    expect(partial.undefinedBecause === 'constant-x').toBe(noise < 1e-12);
  });
});

describe('options at their edges', () => {
  it.each([0, 0.5, 0.9, -0.1, Number.NaN])('equivalence refuses an alpha of %d', (alpha) => {
    expect(() => equivalenceTest({ coefficient: 0.1, n: 50 }, 0.2, { alpha })).toThrow(RangeError);
  });

  it('an exact p that is asked for beyond its limit says how it was got', () => {
    const [x, y] = [normal(61), normal(61)];
    expect(kendall(x, y, { p: 'exact' }).pMethod).toBe('normal');
    expect(spearman(x.slice(0, 13), y.slice(0, 13), { p: 'exact' }).pMethod).toBe('t');
    expect(kendall(x.slice(0, 60), y.slice(0, 60), { p: 'exact' }).pMethod).toBe('exact');
  });

  it('a coefficient of ±1 or NaN is never tested against a value', () => {
    for (const coefficient of [1, -1, Number.NaN]) {
      for (const method of METHOD_NAMES) expect(testAgainst({ coefficient, n: 30 }, 0.2, { method }).pValue).toBeNaN();
    }
  });
});
