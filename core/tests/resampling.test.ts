import { readFileSync } from 'node:fs';
import { bootstrapCorrelation, bootstrapDifference, kendall, type Method, pearson, permutationTest, spearman } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { METHODS as ENTRIES } from '../src/correlation/methods';
import { Random } from '../src/random/random';
import { bootstrapInterval } from '../src/resampling/bootstrap-interval';
import { expectFigure } from './accuracy';

const METHODS = ['pearson', 'spearman', 'kendall'] as const;
const SINGLE = { pearson, spearman, kendall };
const random = new Random(12);
const x = Float64Array.from({ length: 40 }, () => Math.round(4 * random.normal()) / 2);
const y = x.map((value) => Math.round(2 * (0.7 * value + random.normal())) / 2);

test.each(METHODS)('%s: the coefficient of a resample is the one computed from its rows', (method) => {
  const statistic = ENTRIES[method].resampled(x, y);
  for (let k = 0; k < 50; k++) {
    const rows = Int32Array.from({ length: 40 }, () => random.below(40));
    const pick = (values: Float64Array) => Float64Array.from(rows, (row) => values[row]);
    const wanted = SINGLE[method](pick(x), pick(y), { p: 'approximate' }).coefficient;
    expectFigure('bootstrapCorrelation', 'the coefficient of each resample afresh', statistic(rows), wanted, 1e-12, method);
  }
  expect(statistic(new Int32Array(40).fill(3))).toBeNaN();
  const few = Int32Array.of(4, 11, 2, 30, 17, 9, 25);
  const pick = (values: Float64Array) => Float64Array.from(few, (row) => values[row]);
  expect(statistic(few)).toBeCloseTo(SINGLE[method](pick(x), pick(y)).coefficient, 12);
});

describe.each(METHODS)('bootstrap of %s', (method: Method) => {
  it('is reproducible by its seed, contains the coefficient and moves with the level', () => {
    const options = { method, replicates: 999, seed: 5 } as const;
    const bca = bootstrapCorrelation(x, y, options);
    expect(bca).toEqual(bootstrapCorrelation(x, y, options));
    expect(bca.kind).toBe('bca');
    const { interval, coefficient } = bca;
    expect(interval && interval.low < coefficient && coefficient < interval.high).toBe(true);
    const narrow = bootstrapCorrelation(x, y, { ...options, level: 0.5 }).interval;
    expect(narrow && interval && narrow.low > interval.low && narrow.high < interval.high).toBe(true);
    expect(bootstrapCorrelation(x, y, { ...options, kind: 'percentile' }).interval?.method).toBe('bootstrap-percentile');
  });
});

test('the standard error of r is near that of Fisher’s z for a normal sample', () => {
  const source = new Random(2);
  const a = Float64Array.from({ length: 200 }, () => source.normal());
  const b = a.map((value) => 0.5 * value + source.normal());
  const { standardError, coefficient } = bootstrapCorrelation(a, b, { method: 'pearson', replicates: 2000 });
  expect(standardError / ((1 - coefficient ** 2) / Math.sqrt(199))).toBeGreaterThan(0.8);
  expect(standardError / ((1 - coefficient ** 2) / Math.sqrt(199))).toBeLessThan(1.2);
});

test('resamples without variation are drawn again and counted; too many leave no interval', () => {
  const rare = Float64Array.of(0, 0, 0, 0, 0, 0, 1);
  const other = Float64Array.of(1, 3, 2, 5, 4, 7, 6);
  const got = bootstrapCorrelation(rare, other, { method: 'pearson', replicates: 200 });
  expect(got.interval).toBeNull();
  expect(got.undefinedResamples).toBeGreaterThan(10);
  expect(bootstrapCorrelation(rare.fill(2), other, { method: 'pearson' }).interval).toBeNull();
});

test('BCa falls back to percentile, and says so, where points lie on a line', () => {
  const line = Float64Array.of(1, 2, 3, 4, 5, 6);
  expect(bootstrapCorrelation(line, line, { method: 'spearman', replicates: 100 }).kind).toBe('percentile');
});

describe('permutation', () => {
  it('approaches the exact p of small samples, for all alternatives', () => {
    const a = Float64Array.of(3, 1, 4, 1, 5, 9, 2, 6);
    const b = Float64Array.of(2, 7, 1, 8, 2, 8, 1, 8);
    for (const method of ['spearman', 'kendall'] as const) {
      for (const alternative of ['two-sided', 'greater', 'less'] as const) {
        const { pValue } = permutationTest(a, b, { method, alternative, permutations: 20_000, seed: 4 });
        expect(Math.abs(pValue - SINGLE[method](a, b, { alternative }).pValue), `${method} ${alternative}`).toBeLessThan(0.015);
      }
    }
  });

  it('never gives 0, is reproducible, and says what it tests', () => {
    const got = permutationTest(x, x, { method: 'pearson', permutations: 99, seed: 1 });
    expect([got.pValue, got.asExtreme, got.hypothesis, got.pMethod]).toEqual([0.01, 0, 'independence', 'permutation']);
    expect(permutationTest(x, y, { method: 'pearson', permutations: 99, seed: 1, studentized: true }).hypothesis).toBe('no-correlation');
    expect(permutationTest(x, y, { method: 'kendall', permutations: 99 })).toEqual(
      permutationTest(x, y, { method: 'kendall', permutations: 99 }),
    );
    expect(() => permutationTest(x, y, { method: 'kendall', studentized: true })).toThrow(/studentized/);
  });

  it('studentized, keeps its level where dependence without correlation fools the plain test', () => {
    const source = new Random(21);
    const rejected = { plain: 0, studentized: 0 };
    for (let k = 0; k < 120; k++) {
      const u = Float64Array.from({ length: 50 }, () => source.normal() * source.normal());
      // Uncorrelated with u, but spreading with it.
      const v = u.map((value) => value * source.normal());
      const options = { method: 'pearson', permutations: 199, seed: k } as const;
      if (permutationTest(u, v, options).pValue <= 0.05) rejected.plain++;
      if (permutationTest(u, v, { ...options, studentized: true }).pValue <= 0.05) rejected.studentized++;
    }
    expect(rejected.plain).toBeGreaterThan(18);
    expect(rejected.studentized).toBeLessThan(18);
  });

  it('has no p where a variable does not vary', () => {
    for (const method of METHODS)
      expect(
        permutationTest(
          x.map(() => 1),
          y,
          { method },
        ).pValue,
      ).toBeNaN();
  });
});

describe('bootstrap of the difference of two coefficients that share a variable', () => {
  const source = new Random(31);
  const a = Float64Array.from({ length: 120 }, () => source.normal());
  const near = a.map((value) => value + 0.4 * source.normal());
  const far = a.map((value) => 0.3 * value + source.normal());

  it.each(METHODS)('%s: finds that one variable is tied more closely to the nearer one, whichever comes first', (method) => {
    const { interval } = bootstrapDifference(a, near, far, { method, replicates: 400, seed: 3 });
    const { interval: turned } = bootstrapDifference(a, far, near, { method, replicates: 400, seed: 3 });
    expect(interval?.low).toBeGreaterThan(0);
    expectFigure('bootstrapDifference', 'the same with the two exchanged', turned?.high ?? 0, -(interval?.low ?? 0), 1e-12);
    expect(SINGLE[method](a, near).coefficient - SINGLE[method](a, far).coefficient).toBeLessThan(interval?.high ?? 0);
  });

  it('uses the rows complete for all three, and has no interval where a variable does not vary', () => {
    const gap = near.map((value, i) => (i < 20 ? Number.NaN : value));
    const rest = (values: Float64Array) => values.slice(20);
    const options = { method: 'spearman', replicates: 200 } as const;
    expect(bootstrapDifference(a, gap, far, options)).toEqual(bootstrapDifference(rest(a), rest(near), rest(far), options));
    expect(bootstrapDifference(a, near, far.slice().fill(1), options).interval).toBeNull();
  });
});

test('progress is told now and then, rising to the end', () => {
  const [bootstrapped, permuted]: [number[], number[]] = [[], []];
  bootstrapCorrelation(x, y, { method: 'pearson', replicates: 500, onProgress: (done) => bootstrapped.push(done) });
  permutationTest(x, y, { method: 'pearson', permutations: 500, onProgress: (done) => permuted.push(done) });
  for (const told of [bootstrapped, permuted]) {
    expect(told.length).toBeGreaterThan(3);
    expect(told).toEqual(told.toSorted((a, b) => a - b));
    expect(told.at(-1)).toBe(500);
  }
});

describe('limits by BCa', () => {
  // mpmath at 60 digits, from given replicates (reference/cases/resampling.py).
  const { bca } = JSON.parse(readFileSync('reference/resampling.json', 'utf8'));

  it.each(bca as BcaCase[])('with $name', ({ replicates, estimate, leaveOneOut, level, z0, acceleration, low, high, standardError }) => {
    let drawn = 0;
    const got = bootstrapInterval({
      n: 5,
      statistic: () => replicates[drawn++],
      replicates: replicates.length,
      seed: 1,
      level,
      bca: { estimate, leaveOneOut: Float64Array.from(leaveOneOut) },
    });
    expect(got.kind).toBe('bca');
    expectFigure('bootstrapCorrelation', 'mpmath, from given replicates', got.z0, z0, 1e-9);
    expectFigure('bootstrapCorrelation', 'mpmath, from given replicates', got.acceleration, acceleration, 1e-12);
    expectFigure('bootstrapCorrelation', 'mpmath, from given replicates', got.interval?.low ?? Number.NaN, low, 1e-9);
    expectFigure('bootstrapCorrelation', 'mpmath, from given replicates', got.interval?.high ?? Number.NaN, high, 1e-9);
    expectFigure('bootstrapCorrelation', 'mpmath, from given replicates', got.standardError, standardError, 1e-12);
  });

  it('are not those of the percentiles where the replicates lean', () => {
    const lean: BcaCase = bca[0];
    let drawn = 0;
    const statistic = () => lean.replicates[drawn++];
    const plain = bootstrapInterval({ n: 5, statistic, replicates: lean.replicates.length, seed: 1, level: 0.95 });
    expect(plain.kind).toBe('percentile');
    expect(plain.interval?.low).toBeLessThan(lean.low - 0.1);
  });

  it('fall back where every replicate lies on one side, or leaving rows out changes nothing', () => {
    const of = (estimate: number, leaveOneOut: readonly number[]) => {
      let drawn = 0;
      const statistic = () => (drawn++ % 7) + 1;
      return bootstrapInterval({
        n: 4,
        statistic,
        replicates: 70,
        seed: 1,
        level: 0.95,
        bca: { estimate, leaveOneOut: Float64Array.from(leaveOneOut) },
      });
    };
    expect(of(0, [1, 2, 3]).kind).toBe('percentile');
    expect(of(9, [1, 2, 3]).kind).toBe('percentile');
    expect(of(4, [2, 2, 2]).kind).toBe('percentile');
    expect(of(4, [1, 2, 4]).kind).toBe('bca');
  });
});

interface BcaCase {
  readonly name: string;
  readonly replicates: readonly number[];
  readonly estimate: number;
  readonly leaveOneOut: readonly number[];
  readonly level: number;
  readonly z0: number;
  readonly acceleration: number;
  readonly low: number;
  readonly high: number;
  readonly standardError: number;
}
