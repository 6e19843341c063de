import { readFileSync } from 'node:fs';
import { belowLimits, kendall, type LimitedColumn, limitedColumn, pearson, spearman, tiedBelowLimits } from '@ivlen/core';
import { describe, expect, it } from 'vitest';
import { Random } from '../src/random/random';
import { expectFigure } from './accuracy';

interface Case {
  readonly x: number[];
  readonly belowX: boolean[];
  readonly y: number[];
  readonly belowY: boolean[];
  readonly means: number[];
  readonly sds: number[];
  readonly r: number;
  readonly seZ: number;
}
const { belowLimits: cases } = JSON.parse(readFileSync(new URL('../../reference/latent.json', import.meta.url), 'utf8')) as {
  belowLimits: readonly Case[];
};
const limited = (values: readonly number[], below: readonly boolean[]): LimitedColumn => ({
  values: Float64Array.from(values),
  limits: Float64Array.from(values, (value, i) => (below[i] ? value : Number.NaN)),
});
const read = (text: string): LimitedColumn => {
  const parts = text.split(' ');
  return limited(
    parts.map((part) => Number.parseFloat(part)),
    parts.map((part) => part.endsWith('c')),
  );
};
const X = read('.5c .5c .7 1.2 .9 2.1 3.3 1.6 2.8 4 .5c 5.1');
const Y = read('1c 1.4 1c 2 2.6 2.2 4.1 1.9 5.2 4.4 1c 7.3');
const whole = (values: Float64Array): LimitedColumn => ({ values, limits: new Float64Array(values.length).fill(Number.NaN) });

describe('maximum likelihood with values below a limit', () => {
  it.each(cases)('is that of a numerical maximization', (given) => {
    const found = belowLimits(limited(given.x, given.belowX), limited(given.y, given.belowY));
    const source = 'scipy, numerical maximization';
    expectFigure('belowLimits', source, found.coefficient, given.r, 2e-6);
    expectFigure('belowLimits', source, Math.sqrt((found.zVariance * (found.n - 3)) / found.n), given.seZ, 2e-4);
    expectFigure('belowLimits', source, found.means[0], given.means[0] ?? Number.NaN, 1e-5);
    expectFigure('belowLimits', source, found.sds[1], given.sds[1] ?? Number.NaN, 1e-5);
  });

  it('on logarithms: means, SDs, r and its standard error of z', () => {
    const found = belowLimits(X, Y, { logs: [true, true] });
    const shown = [...found.means, ...found.sds, found.coefficient].map((value) => value.toFixed(7));
    expect(shown).toEqual(['0.2174444', '0.7281018', '1.0119525', '0.8123710', '0.9240440']);
    expect(Math.sqrt((found.zVariance * 9) / 12).toFixed(5)).toBe('0.32889');
    expect([found.n, found.below]).toEqual([12, [3, 3, 2]]);
    expect([found.interval?.low, found.interval?.high].map((value) => value?.toFixed(3))).toEqual(['0.702', '0.982']);
  });

  it('without limits it is r', () => {
    const [x, y] = [Float64Array.of(1, 2, 3, 4, 5, 7), Float64Array.of(2, 1, 4, 3, 6, 5)];
    expect(belowLimits(whole(x), whole(y)).coefficient).toBeCloseTo(pearson(x, y).coefficient, 9);
    expect(belowLimits(whole(x), whole(y)).zVariance).toBeCloseTo(1 / 3, 6);
  });

  it('finds the coefficient again that limits hide, where r of the limits falls short (simulated, seed 11)', () => {
    const random = new Random(11);
    let [likely, plain, held] = [0, 0, 0];
    const samples = 60;
    for (let k = 0; k < samples; k++) {
      const u = Float64Array.from({ length: 120 }, () => random.normal());
      const v = u.map((value) => 0.7 * value + Math.sqrt(0.51) * random.normal());
      const [a, b] = [u, v].map((values) => values.map((value) => Math.max(value, 0))) as [Float64Array, Float64Array];
      const found = belowLimits(limitedColumn(a, 0), limitedColumn(b, 0));
      likely += found.coefficient / samples;
      plain += pearson(a, b).coefficient / samples;
      if (found.interval && found.interval.low <= 0.7 && 0.7 <= found.interval.high) held++;
    }
    expect(Math.abs(likely - 0.7)).toBeLessThan(0.03);
    expect(plain).toBeLessThan(0.65);
    expect(held).toBeGreaterThanOrEqual(52);
  });

  it.each([
    ['everything below', limitedColumn(Float64Array.of(1, 1, 1, 1, 1, 1), 1), 'too-few-measured'],
    ['two values measured', limitedColumn(Float64Array.of(1, 1, 1, 2, 3, 2), 1), 'too-few-measured'],
    ['three rows', limitedColumn(Float64Array.of(1, 2, 3, Number.NaN, Number.NaN, Number.NaN), 1), 'too-few-cases'],
    ['a perfect line', whole(Float64Array.of(2, 4, 6, 8, 10, 12)), 'does-not-settle'],
  ] as const)('%s: undefined, with the reason', (_, x, because) => {
    const found = belowLimits(x, whole(Float64Array.of(1, 2, 3, 4, 5, 6)));
    expect([found.coefficient, found.pValue, found.interval, found.undefinedBecause]).toEqual([Number.NaN, Number.NaN, null, because]);
  });

  it('a value that has no logarithm is said; unequal lengths are refused', () => {
    const x = limitedColumn(Float64Array.of(0, 1, 2, 3, 4), null);
    expect(belowLimits(x, x, { logs: [true, false] }).undefinedBecause).toBe('not-positive');
    expect(() => belowLimits(x, whole(Float64Array.of(1)))).toThrow(RangeError);
  });
});

describe('ranks with ties at the limit', () => {
  it('all below the highest limit are tied', () => {
    expectFigure('tiedBelowLimits', 'scipy, ranks tied at the limit', tiedBelowLimits(X, Y, 'spearman').coefficient, 0.9007092, 1e-7);
    expectFigure('tiedBelowLimits', 'scipy, ranks tied at the limit', tiedBelowLimits(X, Y, 'kendall').coefficient, 0.7460317, 1e-7);
  });

  it('also what was measured below the highest of several limits', () => {
    const several = read('.2 .5c .3c .7 1.2 .9');
    const y = whole(Float64Array.of(1, 2, 3, 4, 6, 5));
    const tied = Float64Array.of(0, 0, 0, 0.7, 1.2, 0.9);
    expect(tiedBelowLimits(several, y, 'spearman').coefficient).toBe(spearman(tied, y.values).coefficient);
    expect(tiedBelowLimits(several, y, 'kendall').coefficient).toBe(kendall(tied, y.values).coefficient);
  });

  it('missing stays missing, and r is refused', () => {
    const gaps = limitedColumn(Float64Array.of(0.1, Number.NaN, 3, 4, 5), 0.5);
    expect(tiedBelowLimits(gaps, whole(Float64Array.of(1, 2, 3, 4, 5)), 'spearman').n).toBe(4);
    expect(() => tiedBelowLimits(X, Y, 'pearson' as 'spearman')).toThrow(RangeError);
  });
});

describe('ranks with values below a limit of 0', () => {
  // Two values below 0, two measured as 0: their midranks are 1.5 and 3.5.
  const x = Float64Array.of(-1, -2, 0, 0, 1, 2, 3, 4);
  const y = Float64Array.of(1, 2, 4, 3, 5, 6, 8, 7);
  const ranked = Float64Array.of(1.5, 1.5, 3.5, 3.5, 5, 6, 7, 8);

  it.each([
    ['as it stands', { values: x, limits: x.map((value) => (value < 0 ? 0 : Number.NaN)) }],
    ['a limit of 1, on logarithms', { values: x, limits: x.map((value) => (value < 0 ? Math.log(1) : Number.NaN)) }],
    ['far smaller values', { values: x.map((value) => value * 5e-324), limits: x.map((value) => (value < 0 ? 0 : Number.NaN)) }],
  ])('are below those measured as 0: %s', (_, limits) => {
    const [rho, tau] = (['spearman', 'kendall'] as const).map((method) => tiedBelowLimits(limits, whole(y), method).coefficient);
    expect(rho).toBeCloseTo(0.9639, 4);
    expect(rho).toBeCloseTo(spearman(ranked, y).coefficient, 14);
    expect(tau).toBeCloseTo(kendall(ranked, y).coefficient, 14);
  });
});
