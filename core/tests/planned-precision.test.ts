import { pearson, sampleSizeForDifference, sampleSizeForWidth } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { expectFigure } from './accuracy';

describe('rows for a wished width', () => {
  // Bonett & Wright (2000), worked out: a 95 % interval .2 wide.
  test.each([
    ['pearson', 0, 385],
    ['pearson', 0.3, 320],
    ['pearson', 0.5, 219],
    ['pearson', 0.7, 105],
    ['pearson', 0.9, 20],
    ['spearman', 0.5, 246],
    ['kendall', 0.5, 99],
  ] as const)('%s %d needs %i', (method, coefficient, n) => {
    const got = sampleSizeForWidth({ method, coefficient, width: 0.2 });
    expectFigure('sampleSizeForWidth', 'Bonett & Wright (2000)', got.n, n, 0);
    expect(got.width).toBeLessThanOrEqual(0.2);
    expect(sampleSizeForWidth({ method, coefficient: -coefficient, width: 0.2 }).n).toBe(n);
  });

  it('is the smallest: one row less is wider, and the interval of such data is as wide', () => {
    const { n, width } = sampleSizeForWidth({ method: 'pearson', coefficient: 0.5, width: 0.2 });
    // Columns whose r is exactly .5: an even wave, and as much of another at right angles.
    const angle = (row: number) => (2 * Math.PI * row) / n;
    const x = Float64Array.from({ length: n }, (_, row) => Math.cos(angle(row)));
    const y = Float64Array.from({ length: n }, (_, row) => 0.5 * Math.cos(angle(row)) + Math.sqrt(0.75) * Math.sin(angle(row)));
    const { interval, coefficient } = pearson(x, y);
    expect(coefficient).toBeCloseTo(0.5, 12);
    expect((interval?.high ?? 0) - (interval?.low ?? 0)).toBeCloseTo(width, 10);
    const fewer = pearson(x.subarray(1), y.subarray(1)).interval;
    expect((fewer?.high ?? 0) - (fewer?.low ?? 0)).toBeGreaterThan(width);
  });

  it('needs more rows for a narrower interval and a higher level, and at least what an interval takes', () => {
    const of = (width: number, level = 0.95) => sampleSizeForWidth({ method: 'pearson', coefficient: 0.3, width, level }).n;
    expect(of(0.1)).toBeGreaterThan(4 * of(0.2) - 20);
    expect(of(0.2, 0.99)).toBeGreaterThan(of(0.2));
    expect(of(1.99)).toBe(4);
    expect(sampleSizeForWidth({ method: 'kendall', coefficient: 0, width: 1.99 }).n).toBe(5);
  });

  test.each([
    { coefficient: 1, width: 0.2 },
    { coefficient: Number.NaN, width: 0.2 },
    { coefficient: 0.2, width: 0 },
    { coefficient: 0.2, width: 2 },
    { coefficient: 0.2, width: 0.2, level: 1 },
  ])('refuses %o', (options) => {
    expect(() => sampleSizeForWidth({ method: 'pearson', ...options })).toThrow(RangeError);
  });
});

describe('rows to tell two correlations apart', () => {
  it('are 178 in each group for q = .3 with a power of .80 (Cohen 1988)', () => {
    const got = sampleSizeForDifference({ r1: Math.tanh(0.3), r2: 0, power: 0.8 });
    expectFigure('sampleSizeForDifference', 'Cohen (1988)', got.n, 178, 0);
    expect(got.q).toBeCloseTo(0.3, 12);
    expect(sampleSizeForDifference({ r1: 0, r2: Math.tanh(0.3), power: 0.8 }).n).toBe(178);
  });

  test.each([
    { r1: 0.3, r2: 0.3, power: 0.8 },
    { r1: 1, r2: 0.3, power: 0.8 },
    { r1: 0.1, r2: Number.NaN, power: 0.8 },
    { r1: 0.1, r2: 0.3, power: 0.05 },
    { r1: 0.1, r2: 0.3, power: 1 },
  ])('refuses %o', (options) => {
    expect(() => sampleSizeForDifference(options)).toThrow(RangeError);
  });
});

it.each([1e-3, 1e-5, 1e-7])('a width of %d has a number of rows too: the smallest that reaches it', (width) => {
  const found = sampleSizeForWidth({ method: 'pearson', coefficient: 0.5, width });
  // 4(1 − r²)²(q/w)² + 3, which is exact where the interval is narrow; 1.959963984540054 is the normal quantile.
  expect(found.n / (4 * 0.75 ** 2 * (1.959963984540054 / width) ** 2)).toBeCloseTo(1, 4);
  expect(found.width).toBeLessThanOrEqual(width);
  expect(found.width / width).toBeCloseTo(1, 4);
});

it('a width that no number of rows reaches is refused', () => {
  expect(() => sampleSizeForWidth({ method: 'pearson', coefficient: 0, width: 1e-9 })).toThrow(RangeError);
});
