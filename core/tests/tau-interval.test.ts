import { type CorrelationTest, kendall, pearson, spearman } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { concordance } from '../src/correlation/concordance';
import { createRankScratch } from '../src/correlation/rank-scratch';
import { tauAse2, tauB, varianceOfS } from '../src/correlation/tau';
import { Random } from '../src/random/random';
import { rankColumn } from '../src/ranks/rank-column';

/** Rows of a contingency table, one for each case. */
function fromTable(table: readonly (readonly number[])[]): [Float64Array, Float64Array] {
  const cells = table.flatMap((row, i) => row.flatMap((count, j) => Array.from({ length: count }, () => [i, j] as const)));
  return [Float64Array.from(cells, ([i]) => i), Float64Array.from(cells, ([, j]) => j)];
}

function spreads(x: Float64Array, y: Float64Array) {
  const scratch = createRankScratch(x.length);
  const counts = concordance(rankColumn(x), rankColumn(y), scratch);
  const { r } = tauB(counts);
  const untied = (counts.n * (counts.n - 1) - counts.tiesX.pairs) * (counts.n * (counts.n - 1) - counts.tiesY.pairs);
  return { tau: r, ase: Math.sqrt(tauAse2(r, counts, scratch)), aseOfP: Math.sqrt((4 * varianceOfS(counts)) / untied) };
}

const limits = ({ interval }: CorrelationTest) => [interval?.low ?? Number.NaN, interval?.high ?? Number.NaN];
const to7 = (values: readonly number[]) => values.map((value) => value.toFixed(7));

describe('interval of τ under ties', () => {
  it.each([
    // Job satisfaction by income, 96 persons (Agresti 2002; τ .1524 and ASE .0818 as published, from memory); others by scipy.
    [
      'a table of 4 × 4',
      ...fromTable([
        [1, 3, 10, 6],
        [2, 3, 10, 7],
        [1, 6, 14, 12],
        [0, 1, 9, 11],
      ]),
      [0.1523522, 0.0818361, 0.0887458],
      [-0.0226554, 0.3183002],
    ],
    [
      'neighbours exchanged, where the distribution-free variance is 0',
      Float64Array.from({ length: 12 }, (_, i) => i + 1),
      Float64Array.of(2, 1, 4, 3, 6, 5, 8, 7, 10, 9, 12, 11),
      [0.8181818, 0, 0.220956],
      [0.5776788, 0.927976],
    ],
    [
      'ten rows in pairs',
      Float64Array.of(1, 1, 2, 2, 3, 3, 4, 4, 5, 5),
      Float64Array.of(1, 2, 1, 3, 2, 3, 3, 4, 4, 4),
      [0.7538191, 0.0858547, 0.2745458],
      [0.3351676, 0.9238729],
    ],
  ] as const)('%s', (_, x, y, [tau, ase, aseOfP], interval) => {
    const got = spreads(x, y);
    expect(to7([got.tau, got.ase, got.aseOfP])).toEqual(to7([tau, ase, aseOfP]));
    expect(to7(limits(kendall(x, y)))).toEqual(to7(interval));
    expect(kendall(x, y).interval?.method).toBe('brown-benedetti');
  });

  test('the distribution-free error is the infinitesimal jackknife of τ-b: its derivative by the weight of each row', () => {
    const random = new Random(77);
    const x = Float64Array.from({ length: 24 }, () => Math.round(2 * random.normal()));
    const y = x.map((value) => Math.round(value + 2 * random.normal()));
    const weighted = (weights: Float64Array) => {
      let [s, a, b] = [0, 0, 0];
      for (let i = 0; i < 24; i++) {
        for (let j = 0; j < 24; j++) {
          const w = weights[i] * weights[j];
          const [dx, dy] = [Math.sign(x[i] - x[j]), Math.sign(y[i] - y[j])];
          s += w * dx * dy;
          a += w * dx * dx;
          b += w * dy * dy;
        }
      }
      return s / Math.sqrt(a * b);
    };
    const step = 1e-5;
    let sum = 0;
    for (let i = 0; i < 24; i++) {
      const [up, down] = [1, -1].map((sign) => weighted(Float64Array.from({ length: 24 }, (_, k) => (k === i ? 1 + sign * step : 1))));
      sum += ((up - down) / (2 * step)) ** 2;
    }
    expect(spreads(x, y).ase).toBeCloseTo(Math.sqrt(sum), 8);
  });

  it('below ten rows, and on choice, is Fieller’s, and says so', () => {
    const random = new Random(5);
    const [x, y] = [0, 1].map(() => Float64Array.from({ length: 9 }, () => random.normal()));
    const { coefficient, interval } = kendall(x, y);
    expect(interval?.method).toBe('fieller');
    expect(interval?.low).toBeCloseTo(Math.tanh(Math.atanh(coefficient) - 1.959963984540054 * Math.sqrt(0.437 / 5)), 12);
    const more = [x, y].map((column) => Float64Array.of(...column, 3, -3)) as [Float64Array, Float64Array];
    expect([kendall(...more).interval?.method, kendall(...more, { interval: 'fieller' }).interval?.method]).toEqual([
      'brown-benedetti',
      'fieller',
    ]);
  });

  it('promises nothing where fewer than five rows lie outside the largest tie', () => {
    const x = Float64Array.from({ length: 30 }, (_, i) => (i < 4 ? 1 : 0));
    const y = Float64Array.from({ length: 30 }, (_, i) => (i * 7) % 30);
    expect(kendall(x, y).interval?.unsure).toBe('few-outside-largest-tie');
    expect(
      kendall(
        Float64Array.from(x, (_, i) => (i < 5 ? 1 : 0)),
        y,
      ).interval?.unsure,
    ).toBeUndefined();
  });

  it('is none at |τ| = 1, in both directions and by one side', () => {
    const x = Float64Array.from({ length: 14 }, (_, i) => i);
    for (const y of [x, x.map((value) => -value)]) {
      expect(kendall(x, y)).toMatchObject({ interval: null, degenerate: true });
      expect(kendall(x, y).zVariance).toBeNaN();
    }
    const noisy = x.map((value) => (value * 5) % 14);
    const [two, above, below] = (['two-sided', 'greater', 'less'] as const).map(
      (alternative) => kendall(x, noisy, { alternative }).interval,
    );
    expect([above?.high, below?.low]).toEqual([1, -1]);
    expect(above && two && above.low > two.low).toBe(true);
  });
});

describe('the steps of an interval', () => {
  const x = Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12);
  const y = Float64Array.of(2, 1, 4, 6, 5, 3, 9, 7, 8, 12, 10, 11);
  const tests = { pearson, spearman, kendall };

  // z = artanh r, SE by each method's formula (Fisher 1921; Bonett & Wright 2000; Fieller et al. 1957), back by tanh.
  it.each([
    ['pearson', 'fisher', () => 1 / Math.sqrt(9)],
    ['spearman', 'default', (rho: number) => Math.sqrt((1 + (rho * rho) / 2) / 9)],
    ['spearman', 'fieller', () => Math.sqrt(1.06 / 9)],
    ['kendall', 'fieller', () => Math.sqrt(0.437 / 8)],
  ] as const)('of %s, %s, lead to its limits by hand', (method, interval, se) => {
    const got = tests[method](x, y, { interval });
    const steps = got.interval?.steps;
    expect(steps?.z).toBeCloseTo(Math.atanh(got.coefficient), 12);
    expect(steps?.se).toBeCloseTo(se(got.coefficient), 12);
    expect(steps?.quantile).toBeCloseTo(1.959964, 6);
    expect(got.interval?.low).toBeCloseTo(Math.tanh((steps?.z ?? 0) - (steps?.quantile ?? 0) * (steps?.se ?? 0)), 14);
    expect(got.interval?.high).toBeCloseTo(Math.tanh((steps?.z ?? 0) + (steps?.quantile ?? 0) * (steps?.se ?? 0)), 14);
  });

  it('of τ by ties have Student’s quantile, one-sided ones the one-sided quantile', () => {
    const { interval } = kendall(x, y);
    expect(interval?.steps?.df).toBeGreaterThan(0);
    expect(interval?.steps?.quantile).toBeGreaterThan(1.96);
    expect(pearson(x, y, { alternative: 'greater' }).interval?.steps?.quantile).toBeCloseTo(1.644854, 6);
    expect(pearson(x, x).interval).toBeNull();
  });
});
