import { readFileSync } from 'node:fs';
import { type CorrelationTest, correlationMatrix, kendall, spearman } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { exactDistribution, exactP, PRODUCTS_OF_RANKS, SCORE_OF_PAIRS } from '../src/distributions/exact-conditional';
import { expectFigure, expectFigures } from './accuracy';
import { column } from './tolerance';

interface RankCase {
  name: string;
  x: (number | null)[];
  y: (number | null)[];
  n: number;
  rho: number;
  rhoT: { p: number; log10P: number; t: number | null };
  s: number;
  tau: number;
  tauNormal: { z: number; p: number; log10P: number };
  bonettWright?: number[];
  fieller?: number[];
  fisher?: number[];
  tauFieller?: number[];
  /** The default: counting ties from ten rows on. */
  tauInterval?: number[];
  exact?: Record<'rho' | 'rhoGreater' | 'rhoLess' | 'tau' | 'tauGreater' | 'tauLess', number>;
  tauExactNoTies?: number;
}
const { cases, spearmanEleven }: { cases: RankCase[]; spearmanEleven: { n: number; twoSided: Record<string, number> } } = JSON.parse(
  readFileSync('reference/ranks.json', 'utf8'),
);
const DEFINITION = 'definition counted out, mpmath 60 digits';
const ENUMERATION = 'enumeration of all arrangements';

function limits({ interval }: CorrelationTest): number[] {
  return interval ? [interval.low, interval.high] : [];
}

describe('Spearman’s ρ and Kendall’s τ-b against their definitions', () => {
  it('has cases to read', () => expect(cases.length).toBeGreaterThan(25));

  test.each(cases.map((item) => [item.name, item] as const))('%s', (name, item) => {
    const [x, y] = [column(item.x), column(item.y)];
    const tolerance = 1e-10 + (item.n * Number.EPSILON) / Math.sqrt(Math.max(1e-30, 1 - item.rho ** 2));
    const rho = spearman(x, y, { p: 'approximate' });
    const tau = kendall(x, y, { p: 'approximate' });
    expect([rho.n, tau.n]).toEqual([item.n, item.n]);
    expectFigure('spearman', DEFINITION, rho.coefficient, item.rho, 1e-13, name);
    expectFigure('kendall', DEFINITION, tau.coefficient, item.tau, 1e-13, name);
    if (item.rhoT.t !== null) {
      expectFigure('spearman', DEFINITION, rho.statistic?.value ?? Number.NaN, item.rhoT.t, tolerance, `${name} t`);
      expectFigure('spearman', DEFINITION, rho.log10P, item.rhoT.log10P, tolerance, `${name} log10 p`);
    }
    expectFigure('kendall', DEFINITION, tau.statistic?.value ?? Number.NaN, item.tauNormal.z, 1e-12, `${name} z`);
    expectFigure('kendall', DEFINITION, tau.log10P, item.tauNormal.log10P, 1e-10, `${name} log10 p`);
    if (item.bonettWright) expectFigures('spearman', DEFINITION, limits(rho), item.bonettWright, tolerance, name);
    if (item.fieller) expectFigures('spearman', DEFINITION, limits(spearman(x, y, { interval: 'fieller' })), item.fieller, tolerance, name);
    if (item.fisher) expectFigures('spearman', DEFINITION, limits(spearman(x, y, { interval: 'fisher' })), item.fisher, tolerance, name);
    expectFigures('kendall', DEFINITION, limits(tau), item.tauInterval ?? [], tolerance, name);
    if (item.tauFieller)
      expectFigures('kendall', DEFINITION, limits(kendall(x, y, { interval: 'fieller' })), item.tauFieller, tolerance, name);
    if (item.tauExactNoTies !== undefined) {
      const exact = kendall(x, y);
      expect(exact.pMethod).toBe('exact');
      expectFigure('kendall', 'counts of inversions as exact integers', exact.pValue, item.tauExactNoTies, 1e-12, `${name} exact p`);
    }
    if (item.exact) {
      for (const [alternative, suffix] of [
        ['two-sided', ''],
        ['greater', 'Greater'],
        ['less', 'Less'],
      ] as const) {
        const [r, t] = [spearman(x, y, { alternative, p: 'exact' }), kendall(x, y, { alternative, p: 'exact' })];
        expect([r.pMethod, t.pMethod]).toEqual(['exact', 'exact']);
        expectFigure('spearman', ENUMERATION, r.pValue, item.exact[`rho${suffix}`], 1e-13, `${name} ${alternative}`);
        expectFigure('kendall', ENUMERATION, t.pValue, item.exact[`tau${suffix}`], 1e-13, `${name} ${alternative}`);
      }
    }
  });
});

describe('exact distributions', () => {
  const ones = (n: number) => new Array<number>(n).fill(1);

  it('Kendall’s S for n = 4 (Kendall 1970, from memory): 1 3 5 6 5 3 1', () => {
    const { counts } = exactDistribution(SCORE_OF_PAIRS, ones(4), ones(4));
    expect([...counts].filter((count) => count > 0)).toEqual([1, 3, 5, 6, 5, 3, 1]);
  });

  it('Spearman’s Σd² for n = 5 (Kendall 1970, from memory)', () => {
    const { counts } = exactDistribution(PRODUCTS_OF_RANKS, ones(5), ones(5));
    expect([...counts].reverse()).toEqual([1, 4, 3, 6, 7, 6, 4, 10, 6, 10, 6, 10, 6, 10, 4, 6, 7, 6, 3, 4, 1]);
  });

  it('Spearman’s for n = 11 at every value of the statistic', () => {
    const distribution = exactDistribution(PRODUCTS_OF_RANKS, ones(11), ones(11));
    const entries = Object.entries(spearmanEleven.twoSided);
    expect(entries.length).toBeGreaterThan(200);
    for (const [t, p] of entries) {
      expectFigure('spearman', 'counts by subsets of ranks (Python integers)', exactP(distribution, 4 * Number(t), 'two-sided'), p, 1e-12);
    }
  });

  it('goes from exact to approximate beyond the limits, and says so', () => {
    const x = Float64Array.from({ length: 61 }, (_, i) => Math.sin(i * i));
    const y = x.map((value, i) => value + Math.cos(3 * i));
    expect(kendall(x.slice(0, 60), y.slice(0, 60)).pMethod).toBe('exact');
    expect(kendall(x, y).pMethod).toBe('normal');
    expect(kendall(x, y, { p: 'exact' }).pMethod).toBe('normal');
    expect(spearman(x.slice(0, 12), y.slice(0, 12)).pMethod).toBe('exact');
    expect(spearman(x.slice(0, 13), y.slice(0, 13)).pMethod).toBe('t');
    const tied = Float64Array.from({ length: 13 }, (_, i) => Math.floor(i / 2));
    expect(kendall(tied, y.slice(0, 13)).pMethod).toBe('normal');
  });
});

describe('edges', () => {
  test.each([
    ['no rows', [], [], 'too-few-cases'],
    ['two rows', [1, 2], [2, 1], 'too-few-cases'],
    ['all missing', [Number.NaN, Number.NaN, Number.NaN], [1, 2, 3], 'too-few-cases'],
    ['a constant', [4, 4, 4], [1, 2, 3], 'constant-x'],
    ['constant after deletion', [1, 2, 3, 9], [5, 5, 5, Number.NaN], 'constant-y'],
    ['both constant', [1, 1, 1], [2, 2, 2], 'constant-both'],
  ])('%s', (_, x, y, because) => {
    for (const test of [spearman, kendall]) {
      const result = test(Float64Array.from(x), Float64Array.from(y));
      expect(result.undefinedBecause).toBe(because);
      expect([result.coefficient, result.pValue, result.interval]).toEqual([Number.NaN, Number.NaN, null]);
    }
  });

  it('a perfect order gives exactly ±1, without an interval, and an exact p', () => {
    const x = Float64Array.of(1, 2, 3, 4, 5, 6);
    for (const test of [spearman, kendall]) {
      const [up, down] = [
        test(
          x,
          x.map((v) => v ** 3),
        ),
        test(
          x,
          x.map((v) => -v),
        ),
      ];
      expect([up.coefficient, down.coefficient, up.degenerate, up.interval]).toEqual([1, -1, true, null]);
      expect(up.pValue).toBeCloseTo(2 / 720, 15);
    }
  });

  it('refuses options that a method does not have', () => {
    const x = Float64Array.of(1, 2, 3, 4);
    expect(() => kendall(x, x, { interval: 'fisher' })).toThrow(/interval/);
    expect(() => spearman(x, x, { interval: 'adf' })).toThrow(/interval/);
    expect(() => spearman(x, x.slice(1))).toThrow(/rows/);
  });
});

describe('matrices of rank coefficients', () => {
  const columns = [3, 5, 7, 11].map((step) =>
    Float64Array.from({ length: 40 }, (_, i) => ((i * step) % 13 === 4 ? Number.NaN : Math.round(6 * Math.sin(i * step)))),
  );
  test.each(['spearman', 'kendall'] as const)('%s: each cell is the pair alone, ranked among its own complete rows', (method) => {
    const single = method === 'spearman' ? spearman : kendall;
    const matrix = correlationMatrix(columns, { method, missing: 'pairwise', adjust: 'holm' });
    columns.forEach((a, i) => {
      columns.forEach((b, j) => {
        if (i === j) return;
        const alone = single(a, b);
        expect(matrix.coefficient[4 * i + j]).toBe(alone.coefficient);
        expect(matrix.pValue[4 * i + j]).toBe(alone.pValue);
        expect(matrix.n[4 * i + j]).toBe(alone.n);
        expect(matrix.low[4 * i + j]).toBeCloseTo(alone.interval?.low ?? Number.NaN, 12);
        expect(matrix.adjustedP?.[4 * i + j]).toBeGreaterThanOrEqual(alone.pValue);
      });
    });
  });
});
