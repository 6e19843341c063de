import { readFileSync } from 'node:fs';
import {
  bivariateNormal,
  latentCorrelation,
  nearestCorrelation,
  pearson,
  polychoric,
  polyserial,
  smallestEigenvalue,
  spearman,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';
import { expectFigure } from './accuracy';

interface Reference {
  readonly areas: readonly { a: number; b: number; rho: number; p: string | number }[];
  readonly polychoric: readonly { table: number[][]; rho: number; twoStep: number; se: number; ratio: number }[];
  readonly polyserial: readonly { x: number[]; y: number[]; rho: number; seZ: number }[];
}
const reference = JSON.parse(readFileSync(new URL('../../reference/latent.json', import.meta.url), 'utf8')) as Reference;

/** A table as two columns, a row for each count. */
function columnsOf(table: readonly (readonly number[])[]): [Float64Array, Float64Array] {
  const rows = table.flatMap((counts, i) => counts.flatMap((count, j) => Array.from({ length: count }, () => [i, j] as const)));
  return [Float64Array.from(rows, ([i]) => i), Float64Array.from(rows, ([, j]) => j)];
}

test.each(reference.areas)('P(X < $a, Y < $b) at ρ = $rho is that of thirty digits', ({ a, b, rho, p }) => {
  expectFigure('bivariateNormal', 'mpmath at 30 digits', bivariateNormal(a, b, rho), Number(p), 1e-12);
});

describe('P(X < a, Y < b) at its ends', () => {
  it.each([
    [Number.POSITIVE_INFINITY, 0, 0.4, 0.5],
    [Number.NEGATIVE_INFINITY, 1, 0.4, 0],
    [0.5, 0.5, 1, 0.6914624612740131],
    [0.5, -0.5, -1, 0],
    [0.5, 0.5, -1, 0.38292492254802624],
    [0, 0, 0, 0.25],
  ])('%d, %d at ρ = %d: %d', (a, b, rho, wanted) => expect(bivariateNormal(a, b, rho)).toBeCloseTo(wanted, 14));
  it('NaN gives NaN', () => expect([bivariateNormal(Number.NaN, 0, 0.2), bivariateNormal(0, 0, Number.NaN)]).toEqual([NaN, NaN]));
});

describe('polychoric correlation', () => {
  it.each(reference.polychoric)('of $table is that of a numerical maximization', ({ table, rho, twoStep, se, ratio }) => {
    const found = polychoric(...columnsOf(table));
    expectFigure('polychoric', 'scipy, numerical maximization', found.coefficient, rho, 2e-6);
    expect(found.twoStep).toBeCloseTo(twoStep, 6);
    expectFigure('polychoric', 'scipy, numerical maximization', found.se, se, 2e-5);
    expect(found.z ** 2).toBeCloseTo(ratio, 5);
    expect(found.zVariance).toBeCloseTo((found.se / (1 - found.coefficient ** 2)) ** 2, 12);
    expect(found.converged).toBe(true);
  });

  it('of four equal cuts at the medians is sin(π/2 · (p − q)), a closed form (Sheppard 1899)', () => {
    const found = polychoric(
      ...columnsOf([
        [40, 10],
        [10, 40],
      ]),
    );
    expectFigure('polychoric', 'closed form at the medians', found.coefficient, Math.sin(0.3 * Math.PI), 1e-12);
    expect(found.se).toBeCloseTo(0.073863, 6);
    expect([found.emptyCells, found.thresholds[0][0], found.thresholds[1][0]]).toEqual([0, 0, 0]);
  });

  it('job satisfaction by income, as worked in the literature: joint and two-step', () => {
    const found = polychoric(
      ...columnsOf([
        [1, 3, 10, 6],
        [2, 3, 10, 7],
        [1, 6, 14, 12],
        [0, 1, 9, 11],
      ]),
    );
    expect([found.coefficient, found.twoStep, found.se].map((value) => value.toFixed(7))).toEqual(['0.2155976', '0.2153584', '0.1158813']);
    expect([found.interval?.low, found.interval?.high].map((value) => value?.toFixed(4))).toEqual(['-0.0192', '0.4278']);
    expect(found.pValue).toBeCloseTo(0.071014, 6);
  });

  it('one empty cell of two by two gets half a row, its margins kept', () => {
    const found = polychoric(
      ...columnsOf([
        [10, 0],
        [5, 10],
      ]),
    );
    // 9.5, .5 / 5.5, 9.5.
    expect(found.emptyCells).toBe(1);
    expect(found.coefficient).toBeCloseTo(0.8574113, 6);
    expect(found.interval?.high).toBeLessThan(1);
    expect(found.n).toBe(25);
  });

  it.each([
    [
      [
        [10, 0],
        [0, 10],
      ],
      1,
    ],
    [
      [
        [0, 10],
        [10, 0],
      ],
      -1,
    ],
    [
      [
        [5, 0, 0],
        [0, 5, 0],
        [0, 0, 5],
      ],
      1,
    ],
    [
      [
        [5, 1, 0],
        [0, 5, 0],
        [0, 0, 5],
      ],
      1,
    ],
  ])('of %j runs to its end: no interval, and a p', (table, end) => {
    const found = polychoric(...columnsOf(table));
    expect([found.coefficient, found.interval, found.degenerate]).toEqual([end, null, true]);
    expect(found.pValue).toBeGreaterThan(0);
    expect(found.pValue).toBeLessThan(0.001);
  });

  it.each([
    [
      [
        [7, 3],
        [1, 0],
        [1, 0],
      ],
      -1,
    ],
    [
      [
        [3, 7],
        [0, 1],
        [0, 1],
      ],
      1,
    ],
    [
      [
        [7, 3, 0],
        [0, 0, 1],
      ],
      1,
    ],
    [
      [
        [4, 0, 0],
        [4, 0, 0],
        [1, 1, 0],
        [0, 0, 3],
      ],
      1,
    ],
    [
      [
        [0, 0, 2],
        [0, 1, 0],
        [5, 1, 0],
      ],
      -1,
    ],
  ] as const)('of the separated levels %j is ±1: neither settled nor unsettled', (table, end) => {
    const found = polychoric(...columnsOf(table.map((row) => [...row])));
    expect(found).toMatchObject({ coefficient: end, twoStep: end, separated: true, degenerate: true, converged: false, interval: null });
    // The likelihood ratio of the shares of the cells against the product of the margins: 2Σ n log(n·nᵢⱼ/(nᵢ·nⱼ)).
    const total = table.flat().reduce((sum: number, count) => sum + count, 0);
    const margin = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0);
    const ratio = table.flatMap((row, i) =>
      row.map((count, j) =>
        count === 0 ? 0 : 2 * count * Math.log((count * total) / (margin(table[i] ?? []) * margin(table.map((other) => other[j] ?? 0)))),
      ),
    );
    expect(found.z).toBeCloseTo(end * Math.sqrt(margin(ratio)), 9);
    expect(latentCorrelation(...columnsOf(table.map((row) => [...row])), [true, true])).toMatchObject({
      coefficient: end,
      degenerate: true,
    });
  });

  it('one row beside the path settles, however near to ±1', () => {
    const found = polychoric(
      ...columnsOf([
        [400, 1, 0],
        [0, 400, 1],
        [1, 0, 400],
      ]),
    );
    expect([found.converged, found.degenerate, found.separated]).toEqual([true, undefined, undefined]);
    expect(found.coefficient).toBeLessThan(1);
    expect(found.interval?.high).toBeLessThan(1);
  });

  it('of any table of few rows says which of the three it is (simulated, seed 77)', () => {
    const random = new Random(77);
    let separated = 0;
    for (let k = 0; k < 1000; k++) {
      const x = Float64Array.from({ length: 15 }, () => random.below(2));
      const y = Float64Array.from(x, (value) => Math.min(2, value + random.below(2)));
      const found = polychoric(x, y);
      if (found.undefinedBecause) continue;
      if (found.separated) separated++;
      expect(found.converged || found.separated === true, `${x} ${y}`).toBe(true);
      if (found.converged) expect(Number.isFinite(found.zVariance)).toBe(true);
    }
    expect(separated).toBeGreaterThan(0);
  });

  it('one-sided p of a negative coefficient goes by its sign', () => {
    const [x, y] = columnsOf([
      [2, 9, 14],
      [6, 11, 7],
      [12, 8, 1],
    ]);
    const [both, up, down] = (['two-sided', 'greater', 'less'] as const).map((alternative) => polychoric(x, y, { alternative }));
    expect(both?.coefficient).toBeLessThan(-0.4);
    expect(both?.z).toBeLessThan(0);
    expect(down?.pValue).toBeCloseTo((both?.pValue ?? 0) / 2, 14);
    expect(down?.pValue).toBeLessThan(0.001);
    expect(up?.pValue).toBeGreaterThan(0.999);
    expect(down?.interval).toMatchObject({ low: -1 });
    expect(down?.interval?.high).toBeLessThan(0);
  });

  it('a level that nobody chose is none; one sided p goes by the sign', () => {
    const [x, y] = columnsOf([
      [13, 69, 41],
      [6, 113, 132],
      [0, 22, 104],
    ]);
    const spread = y.map((level) => level * 10);
    expect(polychoric(x, spread).coefficient).toBe(polychoric(x, y).coefficient);
    const [up, down] = [polychoric(x, y, { alternative: 'greater' }), polychoric(x, y, { alternative: 'less' })];
    expect(up.pValue + down.pValue).toBeCloseTo(1, 12);
    expect([up.interval?.high, down.interval?.low]).toEqual([1, -1]);
    expect(polychoric(y, x).coefficient).toBeCloseTo(polychoric(x, y).coefficient, 9);
    expect(
      polychoric(
        x.map((level) => -level),
        y,
      ).coefficient,
    ).toBeCloseTo(-polychoric(x, y).coefficient, 9);
  });

  it.each([
    ['a constant', Float64Array.of(1, 1, 1, 1, 1), Float64Array.of(1, 2, 1, 2, 3), 'constant-x'],
    ['three rows', Float64Array.of(1, 2, 3), Float64Array.of(1, 2, 3), 'too-few-cases'],
    ['none', new Float64Array(0), new Float64Array(0), 'too-few-cases'],
  ] as const)('of %s is undefined, with the reason', (_, x, y, because) => {
    const found = polychoric(x, y);
    expect([found.coefficient, found.pValue, found.interval, found.undefinedBecause]).toEqual([Number.NaN, Number.NaN, null, because]);
  });
  it('columns of unequal length are refused', () =>
    expect(() => polychoric(Float64Array.of(1), Float64Array.of(1, 2))).toThrow(RangeError));
});

describe('polyserial correlation', () => {
  it.each(reference.polyserial)('is that of a numerical maximization', ({ x, y, rho, seZ }) => {
    const found = polyserial(Float64Array.from(x), Float64Array.from(y));
    expectFigure('polyserial', 'scipy, numerical maximization', found.coefficient, rho, 2e-6);
    expectFigure('polyserial', 'scipy, numerical maximization', Math.sqrt((found.zVariance * (x.length - 3)) / x.length), seZ, 2e-4);
    expect(found.converged).toBe(true);
  });

  it('the worked example, beside r of the steps', () => {
    const [x, y] = [reference.polyserial[0]?.x ?? [], reference.polyserial[0]?.y ?? []].map((values) => Float64Array.from(values)) as [
      Float64Array,
      Float64Array,
    ];
    expect(polyserial(x, y).coefficient.toFixed(7)).toBe('0.9166845');
    expect(Math.sqrt((polyserial(x, y).zVariance * 9) / 12).toFixed(5)).toBe('0.46020');
    expect(pearson(x, y).coefficient.toFixed(7)).toBe('0.8380398');
    // In other units, and turned over.
    expect(
      polyserial(
        x.map((value) => 1e9 + value / 1000),
        y,
      ).coefficient,
    ).toBeCloseTo(0.9166845, 5);
    expect(
      polyserial(
        x,
        y.map((level) => 5 - level),
      ).coefficient,
    ).toBeCloseTo(-0.9166845, 7);
  });

  it('levels that x tells apart entirely: the end, without an interval', () => {
    const found = polyserial(Float64Array.of(1, 2, 3, 4, 5, 6), Float64Array.of(0, 0, 0, 1, 1, 1));
    expect([found.coefficient, found.interval, found.degenerate]).toEqual([1, null, true]);
    // 2·6·log 2, of three rows’ worth: z = 2.039.
    expect(found.z).toBeCloseTo(Math.sqrt(6 * Math.LN2), 12);
    expect(found.pValue).toBeCloseTo(0.0414, 4);
  });

  it.each([
    ['touching at one value', Float64Array.of(1, 2, 3, 3, 4, 5), Float64Array.of(0, 0, 0, 1, 1, 1), 1],
    ['falling, touching', Float64Array.of(5, 4, 3, 3, 3, 2), Float64Array.of(0, 0, 0, 1, 1, 1), -1],
    ['three levels', Float64Array.of(1, 2, 3, 4, 5, 5, 6), Float64Array.of(0, 0, 1, 1, 1, 2, 2), 1],
  ] as const)('separated levels run to ±1: %s', (_, x, y, end) => {
    const found = polyserial(x, y);
    expect(found).toMatchObject({ coefficient: end, separated: true, degenerate: true, converged: false, interval: null });
    expect(found.zVariance).toBeNaN();
    expect(Math.sign(found.z)).toBe(end);
    expect(
      polyserial(
        x.map((value) => 1e160 * value),
        y,
      ).z,
    ).toBeCloseTo(found.z, 9);
  });

  it('z of separated levels is that of the likelihood it runs to', () => {
    // At 3 one of two rows is in each level: 2·log(1/2) is left of the likelihood; of the margins it is 6·log(1/2).
    const { z } = polyserial(Float64Array.of(1, 2, 3, 3, 4, 5), Float64Array.of(0, 0, 0, 1, 1, 1));
    expect(z).toBeCloseTo(Math.sqrt(2 * (2 * Math.log(0.5) - 6 * Math.log(0.5)) * (3 / 6)), 12);
  });

  it('of levels that overlap by one row settles', () => {
    const found = polyserial(Float64Array.of(1, 2, 3.1, 3, 4, 5, 6, 7), Float64Array.of(0, 0, 0, 1, 1, 1, 1, 1));
    expect([found.converged, found.degenerate]).toEqual([true, undefined]);
    expect(found.coefficient).toBeLessThan(1);
  });

  it('a constant is undefined, with the reason', () => {
    expect(polyserial(Float64Array.of(1, 1, 1, 1), Float64Array.of(0, 1, 0, 1)).undefinedBecause).toBe('constant-x');
    expect(polyserial(Float64Array.of(1, 2, 3, 4), Float64Array.of(1, 1, 1, 1)).undefinedBecause).toBe('constant-y');
  });
});

/** Two normal variables with correlation ρ, and the second cut into levels. */
function sample(random: Random, n: number, rho: number): { x: Float64Array; y: Float64Array } {
  const [x, y] = [new Float64Array(n), new Float64Array(n)];
  for (let i = 0; i < n; i++) {
    x[i] = random.normal();
    y[i] = rho * (x[i] ?? 0) + Math.sqrt(1 - rho * rho) * random.normal();
  }
  return { x, y };
}
const cut = (values: Float64Array, limits: readonly number[]) => values.map((value) => limits.filter((limit) => value > limit).length);

describe('what stands behind the steps', () => {
  it('is found again from them, where r and ρ of the steps fall short (simulated, seed 5)', () => {
    const random = new Random(5);
    const { x, y } = sample(random, 4000, 0.7);
    const [u, v] = [cut(x, [-1, 0, 0.8]), cut(y, [0.3, 1.1])];
    const found = latentCorrelation(u, v, [true, true]);
    expect(Math.abs(found.coefficient - 0.7)).toBeLessThan(3 * Math.sqrt(found.zVariance) * (1 - 0.49));
    expect([pearson(u, v).coefficient, spearman(u, v).coefficient].every((value) => value < 0.62)).toBe(true);
    const half = latentCorrelation(u, y, [true, false]);
    expect(Math.abs(half.coefficient - 0.7)).toBeLessThan(0.04);
    expect(half.coefficient).toBe(latentCorrelation(y, u, [false, true]).coefficient);
  });

  it('an interval holds the true coefficient in about 95 of 100 samples (simulated, seed 7)', () => {
    const random = new Random(7);
    let held = 0;
    for (let k = 0; k < 200; k++) {
      const { x, y } = sample(random, 150, 0.5);
      const { interval } = polychoric(cut(x, [-0.5, 0.5]), cut(y, [-1, 0, 1]));
      if (interval && interval.low <= 0.5 && 0.5 <= interval.high) held++;
    }
    expect(held).toBeGreaterThan(180);
    expect(held).toBeLessThan(200);
  });

  it('without steps it is r; with more than 25 levels a variable is a quantity', () => {
    const { x, y } = sample(new Random(3), 60, 0.4);
    expect(latentCorrelation(x, y, [false, false])).toEqual(pearson(x, y));
    expect(latentCorrelation(x, y, [true, true])).toEqual(pearson(x, y));
  });

  it('a constant is named as the variable that it is', () => {
    const [constant, other] = [Float64Array.of(2, 2, 2, 2, 2), Float64Array.of(1, 5, 2, 4, 3.5)];
    expect(latentCorrelation(constant, other, [true, false]).undefinedBecause).toBe('constant-x');
    expect(latentCorrelation(other, constant, [false, true]).undefinedBecause).toBe('constant-y');
  });
});

describe('the nearest correlation matrix', () => {
  it('is the one of Higham (2002, section 4): off the diagonal .7607 and .1573', () => {
    const { matrix, converged } = nearestCorrelation(Float64Array.of(1, 1, 0, 1, 1, 1, 0, 1, 1), 3);
    expectFigure('nearestCorrelation', 'Higham (2002), example', matrix[1] ?? Number.NaN, 0.7607, 1e-4);
    expectFigure('nearestCorrelation', 'Higham (2002), example', matrix[2] ?? Number.NaN, 0.1573, 3e-4);
    expect(converged).toBe(true);
    expect(smallestEigenvalue(matrix, 3)).toBeGreaterThan(-1e-9);
    expect([matrix[0], matrix[4], matrix[8]]).toEqual([1, 1, 1]);
  });

  it('leaves a correlation matrix as it is, and refuses what is none', () => {
    const fine = Float64Array.of(1, 0.3, 0.3, 1);
    for (const [at, value] of nearestCorrelation(fine, 2).matrix.entries()) expect(value).toBeCloseTo(fine[at] ?? Number.NaN, 14);
    expect(() => nearestCorrelation(fine, 3)).toThrow(RangeError);
    expect(() => nearestCorrelation(Float64Array.of(1, Number.NaN, Number.NaN, 1), 2)).toThrow(RangeError);
    expect(smallestEigenvalue(Float64Array.of(1, Number.NaN, Number.NaN, 1), 2)).toBeNaN();
  });
});
