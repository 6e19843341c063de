import { distanceCorrelation, pearson, rankDependence, spearman, unseenPairs } from '@ivlen/core';
import { describe, expect, it } from 'vitest';
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
    expect([yOnX > 0.4, xOnY < 0]).toEqual([true, true]);
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

  it('a pair of which nothing is known is not among them', () => {
    const [only] = unseenPairs([x, new Float64Array(120).fill(1)]);
    expect([only?.unseen, only?.anyP]).toEqual([false, Number.NaN]);
  });
});
