import {
  betweenGroups,
  kendall,
  maximumLikelihood,
  type PairRemedy,
  pairSentence,
  partialCorrelation,
  pearson,
  permutationTest,
  remediedTest,
  remedyServes,
  spearman,
  withinGroup,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';

const random = new Random(4);
const n = 60;
const station = Float64Array.from({ length: n }, (_, i) => Math.floor(i / 3));
const level = Array.from({ length: n / 3 }, () => 3 * random.normal());
const x = Float64Array.from(station, (of) => (level[of] ?? 0) + random.normal());
const y = Float64Array.from(station, (of, i) => -(level[of] ?? 0) + 0.8 * ((x[i] ?? 0) - (level[of] ?? 0)) + random.normal());
const third = Float64Array.from(x, (value) => value + random.normal());
const steps = y.map((value) => (value > 2 ? 2 : value > -1 ? 1 : 0));
const gappy = y.map((value, i) => (i % 5 === 0 ? Number.NaN : value));

test('within, between and over all cases: each is what its own function gives', () => {
  const within = remediedTest(x, y, { kind: 'within', groups: station, cases: true }, { method: 'pearson' });
  expect(within).toEqual(withinGroup(x, y, station, { method: 'pearson' }));
  const between = remediedTest(x, y, { kind: 'between', groups: station }, { method: 'pearson' });
  const { weighted, groups } = betweenGroups(x, y, station);
  expect([between.coefficient, between.pValue, between.statistic?.df, between.n]).toEqual([
    weighted.coefficient,
    weighted.pValue,
    18,
    groups,
  ]);
  // The signs of the two differ here, by how the rows were made.
  expect(within.coefficient).toBeGreaterThan(0.3);
  expect(between.coefficient).toBeLessThan(-0.8);
  // t of the coefficient is the t whose p it has.
  expect(between.statistic?.value).toBeCloseTo((between.coefficient * Math.sqrt(18)) / Math.sqrt(1 - between.coefficient ** 2), 12);
});

test('between cases ranks take each mean once', () => {
  const { means } = betweenGroups(x, y, station);
  expect(remediedTest(x, y, { kind: 'between', groups: station }, { method: 'spearman' })).toEqual(spearman(means.x, means.y));
});

test('cases drawn whole: the same coefficient, a wider interval than rows by themselves give, and a p that agrees with it', () => {
  for (const method of ['pearson', 'spearman', 'kendall'] as const) {
    const plain = { pearson, spearman, kendall }[method](x, y);
    const drawn = remediedTest(x, y, { kind: 'cases-drawn', groups: station }, { method });
    expect(drawn.coefficient).toBe(plain.coefficient);
    const width = (of: typeof drawn) => (of.interval?.high ?? 0) - (of.interval?.low ?? 0);
    expect(width(drawn)).toBeGreaterThan(1.2 * width(plain));
    expect(drawn.pValue).toBeGreaterThan(plain.pValue);
    expect(drawn.pValue < 0.05).toBe(Math.sign(drawn.interval?.low ?? 0) === Math.sign(drawn.interval?.high ?? 0));
  }
  const few = remediedTest(
    x.subarray(0, 12),
    y.subarray(0, 12),
    { kind: 'cases-drawn', groups: station.subarray(0, 12) },
    { method: 'pearson' },
  );
  expect([few.interval, few.pValue]).toEqual([null, Number.NaN]);
});

test('one sided, the interval is open and the other limit at the full level', () => {
  const options = { method: 'pearson', alternative: 'less' } as const;
  const remedies: PairRemedy[] = [
    { kind: 'within', groups: station, cases: true },
    { kind: 'between', groups: station },
    { kind: 'cases-drawn', groups: station },
    { kind: 'maximum-likelihood' },
    { kind: 'behind-steps', steps: [false, true] },
    { kind: 'distribution-free' },
  ];
  for (const remedy of remedies) {
    const one = remediedTest(x, remedy.kind === 'behind-steps' ? steps : y, remedy, options);
    const two = remediedTest(x, remedy.kind === 'behind-steps' ? steps : y, remedy, { method: 'pearson', level: 0.9 });
    expect([remedy.kind, one.interval?.low, one.interval?.level]).toEqual([remedy.kind, -1, 0.95]);
    expect(one.interval?.high).toBeCloseTo(two.interval?.high ?? Number.NaN, 10);
  }
});

test('maximum likelihood of the two, or as found for a whole set', () => {
  const two = remediedTest(x, gappy, { kind: 'maximum-likelihood' }, { method: 'pearson' });
  expect([two.n, pearson(x, gappy).n]).toEqual([60, 48]);
  const all = maximumLikelihood([x, gappy, third]);
  const joint = remediedTest(x, gappy, { kind: 'maximum-likelihood', found: { all, i: 0, j: 1 } }, { method: 'pearson' });
  expect(joint.coefficient).toBe(all.coefficient[1]);
  expect(joint.interval?.low).toBeLessThan(joint.coefficient);
  const unsettled = { ...all, converged: false };
  expect(
    remediedTest(x, gappy, { kind: 'maximum-likelihood', found: { all: unsettled, i: 0, j: 1 } }, { method: 'pearson' }).undefinedBecause,
  ).toBe('does-not-settle');
});

test('held constant, by permutation, with the interval that asks no shape', () => {
  expect(remediedTest(x, y, { kind: 'constant', held: [third] }, { method: 'spearman' })).toEqual(
    partialCorrelation(x, y, [third], { method: 'spearman', alternative: 'two-sided', level: 0.95 }),
  );
  const permuted = remediedTest(x, y, { kind: 'permutation' }, { method: 'pearson' });
  expect([permuted.pValue, permuted.pMethod]).toEqual([permutationTest(x, y, { method: 'pearson' }).pValue, 'permutation']);
  expect(permuted.interval).toEqual(pearson(x, y).interval);
  const free = remediedTest(x, y, { kind: 'distribution-free' }, { method: 'pearson' });
  expect([free.coefficient, free.interval?.method]).toEqual([pearson(x, y).coefficient, 'adf']);
});

test('a remedy serves the coefficients that it can be carried out on, and no other', () => {
  const served = (kind: PairRemedy['kind']) => (['pearson', 'spearman', 'kendall'] as const).filter((method) => remedyServes(kind, method));
  expect(served('maximum-likelihood')).toEqual(['pearson']);
  expect(served('behind-steps')).toEqual(['pearson']);
  expect(served('permutation')).toEqual(['pearson']);
  expect(served('below-limit')).toEqual(['pearson', 'spearman', 'kendall']);
  expect(() => remediedTest(x, y, { kind: 'maximum-likelihood' }, { method: 'kendall' })).toThrow(RangeError);
});

describe('at the edges no remedy says more than there is', () => {
  const line = Float64Array.from({ length: 12 }, (_, i) => i);
  const constant = new Float64Array(12).fill(3);
  const groups = Float64Array.from(line, (value) => Math.floor(value / 4));
  const remedies: PairRemedy[] = [
    { kind: 'distribution-free' },
    { kind: 'permutation' },
    { kind: 'within', groups, cases: true },
    { kind: 'within', groups, cases: false },
    { kind: 'between', groups },
    { kind: 'cases-drawn', groups: Float64Array.from(line, (value) => value) },
    { kind: 'maximum-likelihood' },
    { kind: 'behind-steps', steps: [true, true] },
    { kind: 'behind-steps', steps: [true, false] },
    { kind: 'below-limit', limits: [2, null], logs: false },
    { kind: 'constant', held: [groups] },
  ];
  it.each(remedies)('$kind of a perfect pair, a constant and no rows', (remedy) => {
    for (const [a, b] of [
      [line, line],
      [line, constant],
      [constant, constant],
      [line.map(() => Number.NaN), line],
    ] as const) {
      const { coefficient, pValue, interval, undefinedBecause, degenerate } = remediedTest(a, b, remedy, { method: 'pearson' });
      // No p of 0, no interval at the end, and a reason where there is nothing.
      if (Number.isNaN(coefficient)) expect([pValue, interval, undefinedBecause !== undefined]).toEqual([Number.NaN, null, true]);
      else {
        expect(Math.abs(coefficient)).toBeLessThanOrEqual(1);
        if (Math.abs(coefficient) === 1) expect([interval, degenerate]).toEqual([null, true]);
      }
    }
  });
});

describe('the sentence of a coefficient with a remedy', () => {
  const [a, b] = [
    { name: 'depth', highMeans: null },
    { name: 'flow', highMeans: null },
  ];
  const within = { kind: 'within', groups: station, cases: true } as const;
  it('says how it was taken, and shares no variance of rows', () => {
    const said = pairSentence(remediedTest(x, y, within, { method: 'pearson' }), a, b, 0.05, { taken: 'within each station' });
    expect(said).toMatch(/^There was a positive association of depth with flow, taken within each station, r\(39\) = \.\d\d, 95 % CI/);
    expect(said).not.toContain('of variance shared');
    const none = pairSentence(remediedTest(x, third, { kind: 'permutation' }, { method: 'pearson' }), a, b, 1e-9, {
      taken: 'with p by permutation',
    });
    expect(none).toMatch(/^No association between depth and flow, taken with p by permutation, was detected, r = \.\d\d, n = 60, 95 % CI/);
  });

  it('says that a variable does not vary so, where it does among the rows', () => {
    const level = Float64Array.from(station, (of) => of % 7);
    const test = remediedTest(level, y, within, { method: 'pearson' });
    expect(pairSentence(test, a, b, 0.05, { taken: 'within each station' })).toBe(
      'No correlation between depth and flow, taken within each station, could be computed, since depth does not vary so.',
    );
    const few = remediedTest(level, y, within, { method: 'spearman' });
    expect(pairSentence(few, a, b, 0.05, { taken: 'within each station' })).toContain('since too few rows or cases are left.');
  });
});
