import { readFileSync } from 'node:fs';
import { powerForCorrelation, sampleSizeForCorrelation, smallestDetectable } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { expectFigure } from './accuracy';

const { cases }: { cases: { r: number; n: number; alpha: number; power: number }[] } = JSON.parse(
  readFileSync('reference/power.json', 'utf8'),
);

test.each(cases.map((item) => [item.r, item.n, item] as const))('power for r = %d with n = %d', (_, __, { r, n, alpha, power }) => {
  expectFigure('powerForCorrelation', 'Hotelling’s density integrated by mpmath', powerForCorrelation({ r, n, alpha }), power, 1e-10);
});

describe('sample sizes at .80, as tables give them (from memory)', () => {
  test.each([
    [0.1, 782, 783],
    [0.3, 84, 85],
    [0.5, 29, 30],
  ])('r = %d', (r, exact, fisher) => {
    const got = sampleSizeForCorrelation({ r, power: 0.8 });
    expect(got.n).toBe(exact);
    expect(got.power).toBeGreaterThanOrEqual(0.8);
    expect(powerForCorrelation({ r, n: exact - 1 })).toBeLessThan(0.8);
    expect(sampleSizeForCorrelation({ r, power: 0.8, method: 'fisher' }).n).toBe(fisher);
  });
});

it('under the null hypothesis the power is α, and sides mirror each other', () => {
  expect(powerForCorrelation({ r: 0, n: 25 })).toBeCloseTo(0.05, 10);
  expect(powerForCorrelation({ r: 0, n: 25, alternative: 'greater' })).toBeCloseTo(0.05, 10);
  expect(powerForCorrelation({ r: -0.4, n: 25, alternative: 'less' })).toBeCloseTo(
    powerForCorrelation({ r: 0.4, n: 25, alternative: 'greater' }),
    12,
  );
  expect(powerForCorrelation({ r: 0.4, n: 25 })).toBeCloseTo(powerForCorrelation({ r: -0.4, n: 25 }), 12);
  expect(powerForCorrelation({ r: 0.4, n: 3 })).toBeNaN();
});

it('the smallest detectable |r| has just the power asked for', () => {
  for (const n of [10, 236, 5000]) {
    const r = smallestDetectable({ n });
    expect(powerForCorrelation({ r, n })).toBeCloseTo(0.8, 9);
  }
  // Hotelling's density integrated by mpmath, bisected to a power of .80.
  expect(smallestDetectable({ n: 236 })).toBeCloseTo(0.18112069, 7);
});

it('refuses what cannot be meant', () => {
  expect(() => sampleSizeForCorrelation({ r: 0, power: 0.8 })).toThrow(/r must lie/);
  expect(() => sampleSizeForCorrelation({ r: -0.2, power: 0.8, alternative: 'greater' })).toThrow(/side/);
  expect(() => sampleSizeForCorrelation({ r: 0.2, power: 1 })).toThrow(/power/);
  expect(() => powerForCorrelation({ r: 1, n: 20 })).toThrow(/r must lie/);
});
