import { distanceCorrelation, eitherP, pearson, rankDependence, spearman, unseenPairs } from '@ivlen/core';
import { describe, expect, it } from 'vitest';
import { normalUpperTail } from '../src/distributions/normal';
import { Random } from '../src/random/random';
import { expectFigure } from './accuracy';

const ten = Float64Array.from({ length: 10 }, (_, i) => i + 1);
const swapped = Float64Array.of(2, 1, 4, 3, 6, 5, 8, 7, 10, 9);
const bowl = ten.map((value) => (value - 5.5) ** 2);

/** Székely, Rizzo & Bakirov (2007), definitions 4 and 5, of all pairs of rows: no sorting, no sums. */
function byDefinition(x: Float64Array, y: Float64Array): number {
  const n = x.length;
  const centred = (values: Float64Array) => {
    const distance = (i: number, j: number) => Math.abs((values[i] ?? 0) - (values[j] ?? 0));
    const rows = Array.from(values, (_, i) => Array.from(values, (__, j) => distance(i, j)).reduce((a, b) => a + b) / n);
    const all = rows.reduce((a, b) => a + b) / n;
    return Array.from(values, (_, i) => Array.from(values, (__, j) => distance(i, j) - (rows[i] ?? 0) - (rows[j] ?? 0) + all));
  };
  const [a, b] = [centred(x), centred(y)];
  const product = (u: number[][], v: number[][]) =>
    u.reduce((sum, row, i) => sum + row.reduce((s, value, j) => s + value * (v[i]?.[j] ?? 0), 0), 0);
  return Math.sqrt(product(a, b) / Math.sqrt(product(a, a) * product(b, b)));
}

describe('distance correlation', () => {
  it.each([
    ['a bowl', bowl, 0.498857, -0.0533435],
    ['neighbours exchanged', swapped, 0.945832, 0.8701299],
    ['a line', ten, 1, 1],
  ] as const)('of %s', (_, y, coefficient, corrected) => {
    const found = distanceCorrelation(ten, y);
    expectFigure('distanceCorrelation', 'worked with scipy', found.coefficient, coefficient, 1e-6);
    expectFigure('distanceCorrelation', 'worked with scipy', found.corrected, corrected, 1e-6);
  });

  it('is what its definition gives over all pairs of rows, ties and large values included', () => {
    const random = new Random(6);
    for (const n of [4, 5, 17, 60]) {
      const x = Float64Array.from({ length: n }, () => Math.round(4 * random.normal()));
      const y = Float64Array.from(x, (value) => value * value + random.normal());
      expectFigure(
        'distanceCorrelation',
        'definition over all pairs of rows',
        distanceCorrelation(x, y).coefficient,
        byDefinition(x, y),
        1e-9,
      );
      const far = x.map((value) => 1e9 + value);
      expect(distanceCorrelation(far, y).coefficient).toBeCloseTo(byDefinition(x, y), 8);
      expect(distanceCorrelation(y, x).coefficient).toBeCloseTo(byDefinition(x, y), 12);
      expect(
        distanceCorrelation(
          x.map((value) => -3 * value),
          y,
        ).coefficient,
      ).toBeCloseTo(byDefinition(x, y), 9);
    }
  });

  it('has a p that hangs on the seed, and above 1,000 rows a bound', () => {
    expect(distanceCorrelation(ten, swapped, { seed: 2 })).toEqual(distanceCorrelation(ten, swapped, { seed: 2 }));
    expect(distanceCorrelation(ten, ten, { permutations: 99 }).pValue).toBe(0.01);
    const random = new Random(2);
    const x = Float64Array.from({ length: 1200 }, () => random.normal());
    const y = Float64Array.from({ length: 1200 }, () => random.normal());
    const none = distanceCorrelation(x, y);
    expect([none.pMethod, none.pValue > 0.05, none.pValue <= 1]).toEqual(['bound', true, true]);
    const ring = distanceCorrelation(
      x.map((value) => Math.cos(7 * value)),
      x.map((value) => Math.sin(7 * value)),
    );
    expect(ring.pValue).toBeLessThan(0.01);
  });

  // Shares of all orders found with numpy, by the definition: 48 of 720, 10 of 24, 2,976 of 5,040.
  it.each([
    [
      'far values, ties, no unbiased distance variance',
      Float64Array.of(1, 3, 1, 0, 1, 1),
      Float64Array.of(-0.66656, -2687750.28, 1.50169, -671938.05, 1e6, 0.6597),
      48 / 720,
    ],
    ['four rows', Float64Array.of(1, 2, 3, 4), Float64Array.of(2, 1, 4, 3), 10 / 24],
    ['seven rows', Float64Array.of(1, 2, 3, 4, 5, 6, 7), Float64Array.of(9, 4, 1, 0, 1.5, 4, 9), 2976 / 5040],
  ] as const)('up to seven rows goes through all orders: %s', (_, x, y, share) => {
    for (const p of ['best', 'bound'] as const) {
      const found = distanceCorrelation(x, y, { p });
      expect([found.pMethod, found.pValue]).toEqual(['exact', expect.closeTo(share, 12)]);
      expect(distanceCorrelation(x.slice().reverse(), y.slice().reverse(), { p }).pValue).toBeCloseTo(share, 12);
    }
  });

  it('has no bound below 30 rows, where it would be none, and none without a distance variance', () => {
    const random = new Random(4);
    const of = (n: number) => Float64Array.from({ length: n }, () => random.normal());
    expect([8, 29, 30].map((n) => distanceCorrelation(of(n), of(n), { p: 'bound' }).pMethod)).toEqual([
      'permutation',
      'permutation',
      'bound',
    ]);
    for (const n of [40, 1200]) {
      const single = Float64Array.from({ length: n }, (_, i) => (i === 7 ? 1 : 0));
      const found = distanceCorrelation(single, of(n), { p: 'bound' });
      expect(found).toMatchObject({
        corrected: Number.NaN,
        correctedUndefined: 'no-distance-variance',
        pValue: Number.NaN,
        pMethod: 'bound',
      });
      expect(found.coefficient).toBeGreaterThan(0);
    }
    const single = Float64Array.from({ length: 40 }, (_, i) => (i === 7 ? 1 : 0));
    const other = of(40);
    other[7] = 9;
    // The one row is the furthest of 40, whose place any of them has as often.
    const { pValue, pMethod } = distanceCorrelation(single, other, { permutations: 1999 });
    expect(pMethod).toBe('permutation');
    expect(Math.abs(pValue - 1 / 40)).toBeLessThan(0.014);
  });

  it('keeps its digits from 1e−170 to 1e160, and its p in any order of rows', () => {
    const random = new Random(11);
    const x = Float64Array.from({ length: 25 }, () => random.normal());
    const y = x.map((value) => value * value + random.normal());
    const plain = distanceCorrelation(x, y);
    for (const [a, b] of [
      [1e-170, 1e-170],
      [1e160, 1e-170],
      [1e160, 1e160],
    ] as const) {
      const scaled = distanceCorrelation(
        x.map((value) => value * a),
        y.map((value) => value * b),
      );
      expect(scaled.coefficient).toBeCloseTo(plain.coefficient, 12);
      expect(scaled.corrected).toBeCloseTo(plain.corrected, 12);
      expect(scaled.pValue).toBe(plain.pValue);
    }
    const back = distanceCorrelation(x.slice().reverse(), y.slice().reverse());
    expect(Math.abs(back.pValue - plain.pValue)).toBeLessThan(4 * Math.sqrt((plain.pValue * (1 - plain.pValue)) / 999) + 0.002);
  });

  it('finds the same p by a table of distances as by sorting', () => {
    const random = new Random(12);
    // On both sides of the size up to which a table serves: one more row, which is a repeated one.
    const x = Float64Array.from({ length: 129 }, () => Math.round(3 * random.normal()));
    const y = x.map((value) => 0.4 * value + 3 * random.normal());
    const p = (n: number) => distanceCorrelation(x.subarray(0, n), y.subarray(0, n), { permutations: 999 }).pValue;
    expect(Math.abs(p(128) - p(129))).toBeLessThan(0.06);
    expect(p(129)).toBeLessThan(0.5);
  });

  it('rejects independence about as often as it says (simulated, seed 14)', () => {
    const random = new Random(14);
    let rejected = 0;
    for (let k = 0; k < 200; k++) {
      const [x, y] = [0, 1].map(() => Float64Array.from({ length: 30 }, () => random.normal())) as [Float64Array, Float64Array];
      if (distanceCorrelation(x, y, { permutations: 99, seed: k }).pValue <= 0.1) rejected++;
    }
    expect(rejected).toBeGreaterThan(8);
    expect(rejected).toBeLessThan(36);
  });

  it.each([
    ['a constant', new Float64Array(10).fill(2), ten, 'constant-x'],
    ['three rows', Float64Array.of(1, 2, 3), Float64Array.of(2, 1, 3), 'too-few-cases'],
    ['no rows', new Float64Array(0), new Float64Array(0), 'too-few-cases'],
  ] as const)('of %s is undefined, with the reason', (_, x, y, because) => {
    const found = distanceCorrelation(x, y);
    expect([found.coefficient, found.pValue, found.undefinedBecause]).toEqual([Number.NaN, Number.NaN, because]);
    const ranks = rankDependence(x, y);
    expect([ranks.yOnX, ranks.pValue, ranks.undefinedBecause]).toEqual([Number.NaN, Number.NaN, because]);
  });
});

describe('ξ', () => {
  it.each([
    ['a bowl', bowl, 0.5],
    ['neighbours exchanged', swapped, 0.4848485],
    ['a line', ten, 8 / 11],
    ['a falling line', ten.map((value) => -value), 8 / 11],
  ] as const)('of %s', (_, y, wanted) =>
    expectFigure('rankDependence', 'worked by its formula', rankDependence(ten, y).yOnX, wanted, 1e-6),
  );

  it('has a direction: a bowl is a function of x, x is none of the bowl', () => {
    const { yOnX, xOnY, pValue } = rankDependence(ten, bowl);
    // Which of two rows with the same y comes first is drawn: ξ of x on the bowl moves by that, and stays the smaller.
    expect([yOnX, xOnY < yOnX - 0.1]).toEqual([0.5, true]);
    expect(pValue).toBeLessThan(0.05);
    expect(rankDependence(bowl, ten).xOnY).toBe(yOnX);
  });

  it('has the variance 2/5 of n without ties, and rejects as often as it says (simulated, seed 15)', () => {
    const random = new Random(15);
    let [rejected, squares] = [0, 0];
    const samples = 400;
    for (let k = 0; k < samples; k++) {
      const [x, y] = [0, 1].map(() => Float64Array.from({ length: 100 }, () => random.normal())) as [Float64Array, Float64Array];
      const found = rankDependence(x, y, { seed: k });
      squares += (100 * found.yOnX ** 2) / samples;
      if (found.pValue <= 0.1) rejected++;
      expect(found.pMethod).toBe('normal');
    }
    expect(Math.abs(squares - 0.4)).toBeLessThan(0.1);
    expect(rejected).toBeGreaterThan(15);
    expect(rejected).toBeLessThan(65);
  });

  it('is judged by 2/5 where no values of y are tied, by what ties leave where some are', () => {
    const random = new Random(31);
    const x = Float64Array.from({ length: 60 }, () => random.normal());
    const y = x.map((value) => Math.sin(2 * value) + 1.5 * random.normal());
    const p = (xi: number, variance: number) => normalUpperTail((Math.sqrt(60) * xi) / Math.sqrt(variance));
    const untied = rankDependence(x, y);
    expect(untied.pValue).toBeCloseTo(2 * Math.min(p(untied.yOnX, 0.4), p(untied.xOnY, 0.4)), 14);
    // Two values of x and of y tied: variance of that direction found by theorem 2.2, beside 2/5 by .02 at most.
    const tied = y.map((value, i) => (i === 1 ? (y[0] ?? 0) : value));
    const found = rankDependence(x, tied);
    expect(found.pValue).not.toBeCloseTo(2 * Math.min(p(found.yOnX, 0.4), p(found.xOnY, 0.4)), 14);
    expect(found.pValue / (2 * Math.min(p(found.yOnX, 0.4), p(found.xOnY, 0.4)))).toBeCloseTo(1, 1);
  });

  it('one p of ξ does not move with the ties that the other breaks', () => {
    // x without ties has one ξ of y on x whatever the seed; only ties of y move the other.
    const x = Float64Array.from({ length: 40 }, (_, i) => Math.sin(7 * i));
    const y = x.map((value) => Math.round(3 * value * value));
    const [one, other] = [rankDependence(x, y, { seed: 1 }), rankDependence(x, y, { seed: 2 })];
    expect(one.yOnX).toBe(other.yOnX);
    expect(one.xOnY).not.toBe(other.xOnY);
  });

  it('with ties in both: by seed, and near a permutation’s p', () => {
    const random = new Random(16);
    const x = Float64Array.from({ length: 80 }, () => Math.round(2 * random.normal()));
    const y = x.map((value) => Math.round(value * value + random.normal()));
    expect(rankDependence(x, y, { seed: 3 })).toEqual(rankDependence(x, y, { seed: 3 }));
    expect(rankDependence(x, y).pValue).toBeLessThan(0.001);
  });
});

describe('pairs that no straight or monotone coefficient sees', () => {
  const random = new Random(21);
  const x = Float64Array.from({ length: 120 }, () => 2 * random.uniform() - 1);
  const wave = x.map((value) => Math.cos(3 * Math.PI * value) + 0.2 * random.normal());
  const along = x.map((value) => value + 0.3 * random.normal());
  const noise = Float64Array.from({ length: 120 }, () => random.normal());

  it('are found, and neither a straight one nor noise with them', () => {
    const found = unseenPairs([x, wave, along, noise]);
    expect(found).toHaveLength(6);
    const unseen = found.filter((pair) => pair.unseen).map(({ i, j }) => `${i}${j}`);
    expect(unseen).toContain('01');
    expect(unseen).not.toContain('02');
    expect(unseen.filter((pair) => pair.includes('3'))).toEqual([]);
    const first = found.find(({ i, j }) => i === 0 && j === 1);
    expect([first?.r, first?.rho]).toEqual([pearson(x, wave).coefficient, spearman(x, wave).coefficient]);
    expect((first?.rP ?? 0) > 0.05 && (first?.rhoP ?? 0) > 0.05 && (first?.anyP ?? 1) <= 0.05).toBe(true);
  });

  it('are found among many pairs too: no number of shuffles bounds p from below', () => {
    const many = [x, wave, ...Array.from({ length: 10 }, () => Float64Array.from(x, () => random.normal()))];
    const unseen = unseenPairs(many).filter((pair) => pair.unseen);
    expect(unseen.map(({ i, j }) => [i, j])).toContainEqual([0, 1]);
    expect(unseen.length).toBeLessThan(3);
  });

  it('are as seldom found in few rows where nothing is there as the level says (simulated, seed 51)', () => {
    // The bound alone would find some in 23 to 33 of 60 tables of 6 to 10 rows.
    const drawn = new Random(51);
    let found = 0;
    for (let k = 0; k < 60; k++) {
      const n = 6 + (k % 5);
      const columns = [0, 1, 2].map(() => Float64Array.from({ length: n }, () => drawn.normal()));
      if (unseenPairs(columns).some(({ anyP }) => anyP <= 0.05)) found++;
    }
    expect(found).toBeLessThan(9);
  });

  it('are found in few rows too, among many pairs: shuffles go as far as the adjustment asks', () => {
    const few = Float64Array.from({ length: 28 }, (_, i) => i - 13.5);
    const bowl = few.map((value) => value * value + random.normal());
    const many = [few, bowl, ...Array.from({ length: 9 }, () => Float64Array.from(few, () => random.normal()))];
    const [first] = unseenPairs(many).filter(({ i, j }) => i === 0 && j === 1);
    expect(first?.unseen).toBe(true);
    expect(first?.anyP).toBeLessThan(0.02);
  });

  it('a column with a single 1 leaves the p of ξ', () => {
    const single = Float64Array.from(x, (_, i) => (i === 5 ? 1 : 0));
    const [only] = unseenPairs([single, wave]);
    expect(only?.distanceP).toBeNaN();
    expect(only?.anyP).toBe(only?.xiP);
    expect(only?.anyP).toBeGreaterThan(0);
    expect([eitherP(Number.NaN, 0.03), eitherP(0.03, Number.NaN), eitherP(0.2, 0.03), eitherP(0.03, 0.2)]).toEqual([
      0.03, 0.03, 0.06, 0.06,
    ]);
  });

  it('a pair of which nothing is known is not among them', () => {
    const [only] = unseenPairs([x, new Float64Array(120).fill(1)]);
    expect([only?.unseen, only?.anyP]).toEqual([false, Number.NaN]);
  });
});
