import { readFileSync } from 'node:fs';
import { boxSummary, density, lowess, normalQuantiles } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';
import { expectFigures } from './accuracy';

interface LowessCase {
  name: string;
  x: number[];
  y: number[];
  fraction: number;
  rounds: number;
  delta: number;
  fitted: number[];
}
const reference: { lowess: LowessCase[]; density: { x: number[]; bandwidth: number; at: number[]; density: number[] } } = JSON.parse(
  readFileSync('reference/smoothing.json', 'utf8'),
);

test.each(reference.lowess.map((item) => [item.name, item] as const))('lowess: %s', (name, { x, y, fraction, rounds, delta, fitted }) => {
  const got = lowess(Float64Array.from(x), Float64Array.from(y), { fraction, rounds, delta });
  expectFigures('lowess', 'statsmodels lowess', got.fitted, fitted, 1e-10, name);
  expect([...got.x]).toEqual([...Float64Array.from(x).sort()]);
});

test('density of many values is binned, and its curve the same to the eye', () => {
  const random = new Random(4);
  const x = Float64Array.from({ length: 20_001 }, () => Math.exp(random.normal()));
  const binned = density(x, { points: 100 });
  const { bandwidth } = binned;
  const highest = Math.max(...binned.density);
  binned.x.forEach((place, i) => {
    const exact =
      x.reduce((sum, value) => sum + Math.exp(-0.5 * ((place - value) / bandwidth) ** 2), 0) /
      (x.length * bandwidth * Math.sqrt(2 * Math.PI));
    expect(Math.abs((binned.density[i] ?? 0) - exact) / highest).toBeLessThan(1e-4);
  });
});

test('density at given places is the sum of its kernels', () => {
  const { x, bandwidth, at, density: wanted } = reference.density;
  const got = density(Float64Array.from(x), { bandwidth, points: at.length });
  expectFigures('density', 'definition, mpmath 60 digits', got.x, at, 1e-14);
  expectFigures('density', 'definition, mpmath 60 digits', got.density, wanted, 1e-12);
});

test('density has Silverman’s bandwidth, holds 1 in all, and is empty for a constant', () => {
  const random = new Random(4);
  const x = Float64Array.from({ length: 400 }, () => random.normal());
  const { x: places, density: heights, bandwidth } = density(x);
  expect(bandwidth).toBeCloseTo(0.9 * 400 ** -0.2, 1);
  const area = heights.reduce((sum, height) => sum + height * (places[1] - places[0]), 0);
  expect(area).toBeCloseTo(1, 3);
  expect(density(Float64Array.of(2, 2, 2)).x.length).toBe(0);
  expect(() => density(x, { bandwidth: 0 })).toThrow(/bandwidth/);
});

test('box summary names rows outside the fences', () => {
  const x = Float64Array.of(Number.NaN, 1, 2, 3, 4, 5, 6, 7, 8, 9, 14.9, 40);
  const box = boxSummary(x);
  // Quartiles 3.5 and 8.5: fences at −4 and 16, −11.5 and 23.5.
  expect([box.q1, box.median, box.q3]).toEqual([3.5, 6, 8.5]);
  expect([box.innerFences, box.outerFences]).toEqual([
    [-4, 16],
    [-11.5, 23.5],
  ]);
  expect([box.whiskers, box.outside, box.farOut]).toEqual([[1, 14.9], [], [11]]);
  expect(boxSummary(new Float64Array(0)).median).toBeNaN();
});

describe('normal quantile plots', () => {
  const sample = (n: number, seed: number) => {
    const random = new Random(seed);
    return Float64Array.from({ length: n }, () => random.normal());
  };

  it('hold about 95 of 100 normal samples whole in the simultaneous band, fewer in the pointwise one', () => {
    const samples = Array.from({ length: 200 }, (_, seed) => sample(40, 1000 + seed));
    const whole = samples.filter((x) => normalQuantiles(x).outside.length === 0).length;
    const pointwise = samples.filter((x) => normalQuantiles(x, { band: 'pointwise' }).outside.length === 0).length;
    expect(whole).toBeGreaterThan(180);
    expect(whole).toBeLessThan(200);
    expect(pointwise).toBeLessThan(whole);
  });

  it('mark the rows of a skewed sample that leave the band', () => {
    const x = sample(120, 9).map(Math.exp);
    const { outside, rows, sample: standardized, theoretical } = normalQuantiles(x);
    expect(outside.length).toBeGreaterThan(5);
    expect([...rows].map((row) => x[row])).toEqual([...x].sort((a, b) => a - b));
    expect(standardized.reduce((sum, value) => sum + value, 0)).toBeCloseTo(0, 10);
    expect(theoretical[59]).toBeCloseTo(-theoretical[60], 12);
  });

  it('thin above 1,000 values to points evenly spaced on the axis, whose bands join those of smaller samples', () => {
    const large = normalQuantiles(sample(1001, 2));
    const small = normalQuantiles(sample(1000, 2));
    expect(large.sample.length).toBeLessThan(260);
    // The bands come from two ways of simulating; they must agree up to simulation error.
    large.theoretical.forEach((z, k) => {
      const near = small.theoretical.reduce(
        (best, other, i) => (Math.abs(other - z) < Math.abs((small.theoretical[best] ?? 9) - z) ? i : best),
        0,
      );
      const width = (small.high[near] ?? 0) - (small.low[near] ?? 0);
      expect(Math.abs((large.low[k] ?? 9) - (small.low[near] ?? 0)) / width).toBeLessThan(0.2);
      expect(Math.abs((large.high[k] ?? 9) - (small.high[near] ?? 0)) / width).toBeLessThan(0.2);
    });
    const huge = normalQuantiles(sample(50_000, 6));
    expect(huge.outside.length).toBe(0);
    expect(huge.sample.length).toBeLessThan(260);
    // Each of the outermost values is a point of its own.
    const ascending = sample(50_000, 6).sort();
    const x = sample(50_000, 6);
    expect([...huge.rows.subarray(-5)].map((row) => x[row])).toEqual([...ascending.subarray(-5)]);
  });

  it('hold about 95 of 100 large samples whole, too', () => {
    const whole = Array.from({ length: 100 }, (_, seed) => normalQuantiles(sample(3000, 50 + seed)).outside.length).filter(
      (out) => out === 0,
    );
    expect(whole.length).toBeGreaterThan(88);
    expect(whole.length).toBeLessThan(100);
  });

  it('are empty for a constant and reproducible by their seed', () => {
    expect(normalQuantiles(Float64Array.of(1, 1, 1)).sample.length).toBe(0);
    const x = sample(30, 3);
    expect(normalQuantiles(x, { seed: 7 })).toEqual(normalQuantiles(x, { seed: 7 }));
  });
});
