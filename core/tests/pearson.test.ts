import { readFileSync } from 'node:fs';
import { fittedLine, pearson, testReported } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { expectFigure } from './accuracy';
import { column, relativeError } from './tolerance';

interface PearsonCase {
  name: string;
  x: (number | null)[];
  y: (number | null)[];
  n: number;
  r: number;
  t: number;
  p: number;
  log10P: number;
  pGreater: number;
  pLess: number;
  oneMinusR2: number;
  slope: number | null;
  intercept: number | null;
  level?: number;
  low?: number;
  high?: number;
  lowGreater?: number;
  highLess?: number;
}

// Computed with mpmath at 60 digits by reference/generate.py.
const { cases }: { cases: PearsonCase[] } = JSON.parse(readFileSync('reference/pearson.json', 'utf8'));

describe('against mpmath at 60 digits', () => {
  it('has cases to read', () => expect(cases.length).toBeGreaterThan(30));

  test.each(cases.map((item) => [item.name, item] as const))('%s', (_, item) => {
    const x = column(item.x);
    const y = column(item.y);
    const level = item.level ?? 0.95;
    const tolerance = 1e-10 + (item.n * Number.EPSILON) / Math.sqrt(item.oneMinusR2);
    const twoSided = pearson(x, y, { level });
    const greater = pearson(x, y, { level, alternative: 'greater' });
    const less = pearson(x, y, { level, alternative: 'less' });

    expect(twoSided.n).toBe(item.n);
    expect(relativeError(twoSided.coefficient, item.r)).toBeLessThan(1e-12);
    expect(relativeError(twoSided.statistic?.value ?? Number.NaN, item.t)).toBeLessThan(tolerance);
    expect(relativeError(twoSided.log10P, item.log10P)).toBeLessThan(tolerance);
    if (item.p > 1e-300) expect(relativeError(twoSided.pValue, item.p)).toBeLessThan(tolerance);
    if (item.pGreater > 1e-300) expect(relativeError(greater.pValue, item.pGreater)).toBeLessThan(tolerance);
    if (item.pLess > 1e-300) expect(relativeError(less.pValue, item.pLess)).toBeLessThan(tolerance);
    const line = fittedLine(x, y);
    if (item.slope !== null && item.intercept !== null) {
      const size = Math.max(...item.y.map((value) => Math.abs(value ?? 0)));
      expect(relativeError(line.slope, item.slope)).toBeLessThan(1e-11);
      expect(Math.abs(line.intercept - item.intercept) / size).toBeLessThan(1e-12);
    }
    if (item.low === undefined || item.high === undefined) {
      expect(twoSided.interval).toBeNull();
      return;
    }
    expect(relativeError(twoSided.interval?.low ?? Number.NaN, item.low)).toBeLessThan(tolerance);
    expect(relativeError(twoSided.interval?.high ?? Number.NaN, item.high)).toBeLessThan(tolerance);
    expect(relativeError(greater.interval?.low ?? Number.NaN, item.lowGreater ?? Number.NaN)).toBeLessThan(tolerance);
    expect(relativeError(less.interval?.high ?? Number.NaN, item.highLess ?? Number.NaN)).toBeLessThan(tolerance);
    expect([greater.interval?.high, less.interval?.low]).toEqual([1, -1]);
  });
});

describe('edges', () => {
  const column123 = Float64Array.of(1, 2, 3);

  test.each([
    ['no rows', [], []],
    ['one row', [1], [2]],
    ['two rows', [1, 2], [2, 5]],
    ['three rows, one of them incomplete', [1, 2, Number.NaN], [2, 5, 6]],
    ['all missing', [Number.NaN, Number.NaN, Number.NaN], [1, 2, 3]],
  ])('%s: too few cases', (_, x, y) => {
    const result = pearson(Float64Array.from(x), Float64Array.from(y));
    expect(result.undefinedBecause).toBe('too-few-cases');
    expect(result.coefficient).toBeNaN();
    expect(result.pValue).toBeNaN();
    expect(result.interval).toBeNull();
  });

  test.each([
    ['constant-x', [4, 4, 4, 4], [1, 2, 3, 5]],
    ['constant-y', [1, 2, 3, 5], [0.1, 0.1, 0.1, 0.1]],
    ['constant-both', [4, 4, 4, 4], [0, 0, 0, 0]],
    // The only value that differs stands in an incomplete row.
    ['constant-x', [4, 4, 4, 9], [1, 2, 3, Number.NaN]],
  ])('%s', (because, x, y) => {
    const result = pearson(Float64Array.from(x), Float64Array.from(y));
    expect(result.undefinedBecause).toBe(because);
    expect(result.coefficient).toBeNaN();
  });

  test('points exactly on a line give exactly ±1, without an interval', () => {
    const x = Float64Array.from({ length: 50 }, (_, i) => Math.sin(i) * 3);
    const up = pearson(
      x,
      x.map((v) => 0.1 * v),
    );
    const down = pearson(
      x,
      x.map((v) => -7 * v),
    );
    expect(up.coefficient).toBe(1);
    expect(down.coefficient).toBe(-1);
    expect(up.degenerate).toBe(true);
    expect([up.pValue, up.log10P, up.interval]).toEqual([0, Number.NEGATIVE_INFINITY, null]);
  });

  test('three rows have a p-value but no interval', () => {
    const result = pearson(column123, Float64Array.of(1, 3, 2));
    // r = 1/2, t = r·√(1/(1 − r²)) = 1/√3, and on one degree of freedom p = 1 − 2·atan(t)/π = 2/3.
    expect(result.coefficient).toBeCloseTo(0.5, 15);
    expect(result.pValue).toBeCloseTo(2 / 3, 14);
    expect(result.interval).toBeNull();
  });

  test('inputs are not changed', () => {
    const x = Float64Array.of(3, 1, 2, 9);
    const y = Float64Array.of(1, Number.NaN, 5, 4);
    pearson(x, y);
    expect([...x]).toEqual([3, 1, 2, 9]);
    expect([...y]).toEqual([1, Number.NaN, 5, 4]);
  });

  test('a programmer’s error is refused', () => {
    expect(() => pearson(column123, Float64Array.of(1, 2))).toThrow(RangeError);
    expect(() => pearson(column123, column123, { level: 1 })).toThrow(/level/);
    expect(() => pearson(column123, column123, { alternative: 'both' as 'less' })).toThrow(/alternative/);
  });
});

describe('published values', () => {
  const x = Float64Array.of(10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5);
  const x4 = Float64Array.of(8, 8, 8, 8, 8, 8, 8, 19, 8, 8, 8);
  // Anscombe (1973), American Statistician 27, table 1; data from memory, accepted since they give the published r.
  test.each([
    ['I', x, [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68], 0.8164],
    ['II', x, [9.14, 8.14, 8.74, 8.77, 9.26, 8.1, 6.13, 3.1, 9.13, 7.26, 4.74], 0.8162],
    ['III', x, [7.46, 6.77, 12.74, 7.11, 7.81, 8.84, 6.08, 5.39, 8.15, 6.42, 5.73], 0.8163],
    ['IV', x4, [6.58, 5.76, 7.71, 8.84, 8.47, 7.04, 5.25, 12.5, 5.56, 7.91, 6.89], 0.8165],
  ])('Anscombe’s quartet, set %s', (_, a, b, published) => {
    expect(pearson(a, Float64Array.from(b)).coefficient).toBeCloseTo(published, 4);
  });
});

describe('from a reported r and n', () => {
  const usable = cases.filter((item) => Math.abs(item.r) < 1 - 1e-6 && item.n > 3);
  it('has cases to read', () => expect(usable.length).toBeGreaterThan(20));

  test.each(usable.map((item) => [item.name, item] as const))('%s: the same p as from the values', (_, { r, n, log10P }) => {
    // r itself was rounded to a double: its error is magnified near ±1.
    const tolerance = 1e-10 + (n * Number.EPSILON) / (1 - r * r);
    expectFigure('testReported', 'mpmath at 60 digits', testReported({ coefficient: r, n }).log10P, log10P, tolerance);
  });

  it('has no test below three rows, and refuses what is no coefficient', () => {
    expect(testReported({ coefficient: 0.5, n: 2 }).undefinedBecause).toBe('too-few-cases');
    expect(() => testReported({ coefficient: 1.2, n: 20 })).toThrow(RangeError);
    expect(testReported({ coefficient: 0.42, n: 50 }, { alternative: 'greater' }).interval?.high).toBe(1);
  });
});
