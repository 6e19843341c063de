import { readFileSync } from 'node:fs';
import {
  bartlettSphericity,
  compareIndependent,
  compareMatrices,
  compareNonOverlapping,
  compareOverlapping,
  comparePairwise,
  correlationMatrix,
  equivalenceTest,
  type GroupCoefficient,
  kendall,
  type Method,
  type NonOverlappingCorrelations,
  type OverlappingCorrelations,
  permutationCompare,
  spearman,
  testAgainst,
  withinGroup,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';
import { expectFigure, expectFigures } from './accuracy';

interface Comparisons {
  independent: {
    method: Method;
    groups: GroupCoefficient[];
    q: number;
    pooled: number;
    p: number;
    log10P: number;
    z?: number;
    cohensQ?: number;
    low?: number;
    high?: number;
  }[];
  overlapping: (OverlappingCorrelations & { t: number; tP: number; z: number; zP: number })[];
  nonOverlapping: (NonOverlappingCorrelations & { steiger: number; dunnClark: number })[];
  matrices: { samples: number[][][]; chi: number; df: number; p: number; bartlett: number; bartlettP: number }[];
  within: { x: number[]; y: number[]; labels: number[]; r: number; df: number; log10P: number; low: number; high: number };
}
const reference: Comparisons = JSON.parse(readFileSync('reference/comparisons.json', 'utf8'));
const FORMULA = 'the papers’ formulas, mpmath 60 digits';

describe('independent groups', () => {
  test.each(reference.independent.map((item, k) => [k, item] as const))('case %d', (_, item) => {
    const got = compareIndependent(item.groups, { method: item.method });
    expectFigures('compareIndependent', FORMULA, [got.q, got.pooled, got.log10P], [item.q, item.pooled, item.log10P], 1e-10);
    if (item.z === undefined) {
      expect([got.df, got.z, got.interval]).toEqual([3, Number.NaN, null]);
      return;
    }
    expectFigures(
      'compareIndependent',
      FORMULA,
      [got.z, got.cohensQ, got.interval?.low ?? Number.NaN, got.interval?.high ?? Number.NaN],
      [item.z, item.cohensQ ?? null, item.low ?? null, item.high ?? null],
      1e-10,
    );
  });

  it('Zou (2007), example 1 (from memory): .49 of 145 and .36 of 87 differ by [−.087, .359]', () => {
    const { interval } = compareIndependent(
      [
        { coefficient: 0.49, n: 145 },
        { coefficient: 0.36, n: 87 },
      ],
      { method: 'pearson' },
    );
    expect([interval?.low, interval?.high].map((limit) => limit?.toFixed(3))).toEqual(['-0.087', '0.359']);
  });

  it('shows small groups and coefficients of 1 but does not test them', () => {
    const groups = [
      { coefficient: 0.3, n: 30 },
      { coefficient: 0.9, n: 3 },
      { coefficient: 1, n: 10 },
      { coefficient: -0.2, n: 25 },
    ];
    const got = compareIndependent(groups, { method: 'pearson' });
    expect([got.untested, got.df]).toEqual([[1, 2], 1]);
    expect(compareIndependent(groups.slice(1, 3), { method: 'pearson' }).pValue).toBeNaN();
    expect(compareIndependent([groups[0], { coefficient: 0.5, n: 4 }], { method: 'kendall' }).untested).toEqual([1]);
    expect(() => compareIndependent([{ coefficient: 1.2, n: 9 }], { method: 'pearson' })).toThrow(/coefficient 1/);
  });

  it('every two groups, adjusted', () => {
    const groups = [
      { coefficient: 0.7, n: 40 },
      { coefficient: 0.1, n: 40 },
      { coefficient: 0.2, n: 40 },
    ];
    const pairs = comparePairwise(groups, { method: 'pearson', adjust: 'bonferroni' });
    expect(pairs.map(({ first, second }) => [first, second])).toEqual([
      [0, 1],
      [0, 2],
      [1, 2],
    ]);
    expect(pairs[0].adjustedP).toBeCloseTo(Math.min(1, 3 * pairs[0].pValue), 12);
  });
});

describe('dependent correlations', () => {
  test.each(reference.overlapping.map((item, k) => [k, item] as const))('overlapping, case %d', (_, item) => {
    const { williams, meng } = compareOverlapping(item);
    expectFigures(
      'compareOverlapping',
      FORMULA,
      [williams.t, williams.pValue, meng.z, meng.pValue],
      [item.t, item.tP, item.z, item.zP],
      1e-10,
    );
  });

  test.each(reference.nonOverlapping.map((item, k) => [k, item] as const))('non-overlapping, case %d', (_, item) => {
    const { steiger, dunnClark } = compareNonOverlapping(item);
    expectFigures('compareNonOverlapping', FORMULA, [steiger.z, dunnClark.z], [item.steiger, item.dunnClark], 1e-10);
  });

  it('Steiger (1980), examples (from memory): t = −.8913, p = .3749, Meng −.8882; z = −1.4050', () => {
    const { williams, meng } = compareOverlapping({ rAB: 0.4, rAC: 0.5, rBC: 0.1, n: 103 });
    expect([williams.t.toFixed(4), williams.pValue.toFixed(4), meng.z.toFixed(4)]).toEqual(['-0.8913', '0.3749', '-0.8882']);
    const { steiger } = compareNonOverlapping({ n: 103, rAB: 0.5, rCD: 0.6, rAC: 0.7, rAD: 0.5, rBC: 0.5, rBD: 0.8 });
    expect(steiger.z.toFixed(4)).toBe('-1.4050');
  });

  it('Zou (2007), examples 2 and 3 (from memory)', () => {
    const overlapping = compareOverlapping({ rAB: 0.396, rAC: 0.179, rBC: 0.088, n: 66 }).interval;
    expect([overlapping?.low.toFixed(3), overlapping?.high.toFixed(3)]).toEqual(['-0.093', '0.517']);
    const apart = compareNonOverlapping({ rAB: 0.396, rCD: 0.189, rAC: 0.208, rAD: 0.143, rBC: 0.023, rBD: 0.423, n: 66 }).interval;
    expect([apart?.low.toFixed(3), apart?.high.toFixed(3)]).toEqual(['-0.096', '0.501']);
  });

  it('one-sided alternatives are halves, and too few rows give NaN', () => {
    const inputs = { rAB: 0.4, rAC: 0.5, rBC: 0.1, n: 103 };
    const less = compareOverlapping(inputs, { alternative: 'less' });
    expect(less.williams.pValue).toBeCloseTo(compareOverlapping(inputs).williams.pValue / 2, 14);
    expect(compareOverlapping({ ...inputs, n: 3 }).williams.pValue).toBeNaN();
  });
});

describe('whole matrices', () => {
  test.each(reference.matrices.map((item, k) => [k, item] as const))('case %d', (_, item) => {
    const groups = item.samples.map((sample) => {
      const columns = sample.map((values) => Float64Array.from(values));
      return { matrix: correlationMatrix(columns, { method: 'pearson', missing: 'listwise' }).coefficient, n: columns[0].length };
    });
    const jennrich = compareMatrices(groups);
    expect(jennrich.df).toBe(item.df);
    expectFigures('compareMatrices', FORMULA, [jennrich.statistic, jennrich.pValue], [item.chi, item.p], 1e-9);
    const bartlett = bartlettSphericity(groups[0].matrix, groups[0].n);
    expectFigures('bartlettSphericity', FORMULA, [bartlett.statistic, bartlett.pValue], [item.bartlett, item.bartlettP], 1e-9);
  });

  it('needs more rows than variables, and a matrix that can be inverted', () => {
    const matrix = Float64Array.of(1, 0.5, 0.5, 1);
    expect(
      compareMatrices([
        { matrix, n: 2 },
        { matrix, n: 30 },
      ]).undefinedBecause,
    ).toBe('too-few-cases');
    const singular = Float64Array.of(1, 1, 1, 1);
    expect(
      compareMatrices([
        { matrix: singular, n: 20 },
        { matrix: singular, n: 30 },
      ]).undefinedBecause,
    ).toBe('singular');
    expect(bartlettSphericity(singular, 20)).toMatchObject({ statistic: Number.POSITIVE_INFINITY, pValue: 0 });
    expect(() => compareMatrices([{ matrix, n: 9 }])).toThrow(/two/);
  });
});

test('against a reported value', () => {
  // Fisher's example, worked by hand: r = .6, n = 28 against .5: (artanh .6 − artanh .5)·5.
  const { z, pValue } = testAgainst({ coefficient: 0.6, n: 28 }, 0.5);
  expectFigure('testAgainst', 'worked by hand', z, (Math.log(1.6 / 0.4) / 2 - Math.log(1.5 / 0.5) / 2) * 5, 1e-14);
  // 2·Φ(−.7192052) by scipy.stats.norm.sf.
  expect(pValue).toBeCloseTo(0.4720145, 7);
  expect(testAgainst({ coefficient: 1, n: 28 }, 0.5).pValue).toBeNaN();
});

test('equivalence at α is the interval at 1 − 2α lying within the bounds', () => {
  for (const [coefficient, n] of [
    [0.02, 900],
    [0.05, 900],
    [0.1, 200],
    [-0.04, 4000],
  ] as const) {
    const { pValue, interval } = equivalenceTest({ coefficient, n }, 0.1);
    expect(pValue <= 0.05).toBe((interval?.low ?? -1) >= -0.1 && (interval?.high ?? 1) <= 0.1);
  }
  const { lower, upper, pValue } = equivalenceTest({ coefficient: 0.02, n: 900 }, 0.1);
  expect(pValue).toBe(Math.max(lower.pValue, upper.pValue));
  expectFigure('equivalenceTest', 'worked by hand', upper.z, (Math.atanh(0.02) - Math.atanh(0.1)) * Math.sqrt(897), 1e-12);
});

describe('within groups', () => {
  const { x, y, labels, ...wanted } = reference.within;
  const columns = [x, y, labels].map((values) => Float64Array.from(values)) as [Float64Array, Float64Array, Float64Array];

  it('Pearson, against sums of products within each group', () => {
    const got = withinGroup(...columns, { method: 'pearson' });
    expect([got.statistic?.df, got.groups]).toEqual([wanted.df, 3]);
    const against = 'sums within groups, mpmath 60 digits';
    expectFigures(
      'withinGroup',
      against,
      [got.coefficient, got.log10P, got.interval?.low ?? Number.NaN, got.interval?.high ?? Number.NaN],
      [wanted.r, wanted.log10P, wanted.low, wanted.high],
      1e-10,
    );
  });

  it('ranks: tanh of the weighted mean of the groups’ z', () => {
    for (const [method, test] of [
      ['spearman', spearman],
      ['kendall', kendall],
    ] as const) {
      const got = withinGroup(...columns, { method });
      const parts = [1, 2, 5].map((label) => {
        const rows = labels.flatMap((value, i) => (value === label ? [i] : []));
        return {
          ...test(
            Float64Array.from(rows, (i) => x[i]),
            Float64Array.from(rows, (i) => y[i]),
          ),
        };
      });
      // Each group by the variance that its own interval rests on, which for τ counts its ties.
      const total = parts.reduce((sum, { zVariance }) => sum + 1 / zVariance, 0);
      const z = parts.reduce((sum, { coefficient, zVariance }) => sum + Math.atanh(coefficient) / zVariance, 0) / total;
      expectFigure('withinGroup', 'worked by hand', got.coefficient, Math.tanh(z), 1e-12, method);
    }
  });
});

describe('permutation of groups', () => {
  const random = new Random(3);
  const n = 60;
  const labels = Float64Array.from({ length: n }, (_, i) => i % 2);
  const x = Float64Array.from({ length: n }, () => random.normal());
  const differing = x.map((value, i) => (labels[i] === 0 ? value : -value) + 0.3 * random.normal());
  const alike = x.map((value) => 0.5 * value + random.normal());

  test.each(['pearson', 'spearman', 'kendall'] as const)(
    '%s: finds a difference, and none where there is none; the seed decides',
    (method) => {
      const options = { method, permutations: 199, seed: 8 };
      const found = permutationCompare(x, differing, labels, options);
      expect(found.pValue).toBe(1 / 200);
      expect(permutationCompare(x, alike, labels, options).pValue).toBeGreaterThan(0.05);
      expect(permutationCompare(x, differing, labels, options)).toEqual(found);
    },
  );

  it('does not react to groups that differ in mean and spread alone', () => {
    const shifted = (values: Float64Array) => values.map((value, i) => (labels[i] === 0 ? value : 100 + 50 * value));
    const options = { method: 'pearson', permutations: 199, seed: 8 } as const;
    expect(permutationCompare(shifted(x), shifted(alike), labels, options).pValue).toBe(
      permutationCompare(x, alike, labels, options).pValue,
    );
  });
});
