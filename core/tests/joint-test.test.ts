import {
  type Choice,
  computeCombinations,
  computeWays,
  gatherWays,
  jointStatistics,
  jointTest,
  pearson,
  permutationTest,
  shuffledStatistics,
  type WaysRequest,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';

const n = 40;
const random = new Random(8);
const x = Float64Array.from({ length: n }, () => random.normal());
const noise = Float64Array.from({ length: n }, () => random.normal());
const y = x.map((value, i) => 0.5 * value + (noise[i] ?? 0));
const groups = Float64Array.from(x, (_, i) => i % 2);
const odd = Uint8Array.from(x, (_, i) => (i === 3 ? 1 : 0));
const choices: Choice[] = [
  { kind: 'coefficient', options: ['pearson', 'spearman', 'kendall'] },
  { kind: 'scale', of: 'x', options: [x, x.map((value) => value ** 3), 'rank-normal'] },
  { kind: 'rows', rows: odd, options: ['in', 'out'] },
  { kind: 'held', options: [{ kind: 'nothing' }, { kind: 'groups', labels: groups }] },
];
const asked = (more: Partial<WaysRequest> = {}): WaysRequest => ({
  x,
  y,
  rows: new Uint8Array(n).fill(1),
  choices,
  own: [0, 0, 0, 0],
  ...more,
});
const one: Choice[] = [{ kind: 'coefficient', options: ['pearson'] }];

test('combinations computed in parts and gathered are the ways computed at once', () => {
  const all = computeCombinations(asked());
  const parts = [3, 4].flatMap((k) =>
    computeCombinations(
      asked(),
      all.map((_, place) => place).filter((place) => (k === 3 ? place < 17 : place >= 17)),
    ),
  );
  expect(parts).toEqual(all);
  expect(gatherWays(asked(), parts)).toEqual(computeWays(asked()));
});

describe('a joint test', () => {
  it('of one way is the permutation test of its coefficient', () => {
    const test = jointTest(asked({ choices: one, own: [0] }), { permutations: 999, seed: 2 });
    const alone = permutationTest(x, y, { method: 'pearson', permutations: 999, seed: 2 });
    expect(test.observed.median).toBeCloseTo(Math.abs(Math.atanh(pearson(x, y).coefficient)), 12);
    // Two seeded samples of shuffles of the same data.
    expect(Math.abs(test.medianP - alone.pValue)).toBeLessThan(0.02);
    expect(test.medianP).toBe((test.asExtreme + 1) / 1000);
  });

  it('of a clear association finds few shuffles as extreme, and none as many', () => {
    const test = jointTest(asked(), { permutations: 199 });
    expect(test.observed.significant).toBeGreaterThan(8);
    expect([test.medianP, test.significantP].every((p) => p <= 0.02)).toBe(true);
  });

  it('of nothing rejects about as often as it says (simulated, seed 12)', () => {
    const drawn = new Random(12);
    let rejected = 0;
    for (let k = 0; k < 60; k++) {
      const none = Float64Array.from({ length: n }, () => drawn.normal());
      const test = jointTest(asked({ y: none, choices: choices.slice(0, 2), own: [0, 0] }), { permutations: 99, seed: k });
      if (test.medianP <= 0.1) rejected++;
    }
    expect(rejected).toBeLessThan(14);
    expect(rejected).toBeGreaterThan(0);
  });

  it('shuffles hang on their place and the seed alone, whoever computes them', () => {
    const both = shuffledStatistics(asked(), [0, 1, 2], { seed: 5 });
    expect(shuffledStatistics(asked(), [2], { seed: 5 })).toEqual([both[2]]);
    expect(shuffledStatistics(asked(), [0], { seed: 6 })).not.toEqual([both[0]]);
    expect(() => shuffledStatistics(asked(), [2, 1])).toThrow(RangeError);
  });

  it('shuffles every row, the last one too', () => {
    // One far row alone decides each shuffle’s coefficient: where it keeps its own x the coefficient is as it was.
    const far = (values: Float64Array) => Float64Array.of(...values.slice(0, 19), 12);
    const request = asked({ x: far(x), y: far(noise), rows: new Uint8Array(20).fill(1), choices: one, own: [0] });
    const places = Array.from({ length: 499 }, (_, place) => place);
    const observed = Math.atanh(pearson(request.x, request.y).coefficient);
    const kept = shuffledStatistics(request, places, { seed: 1 }).filter(({ median }) => median > 0.8 * observed).length;
    // One in twenty: 25 ± 4.9.
    expect(kept).toBeGreaterThan(8);
    expect(kept).toBeLessThan(45);
  });

  it('has a p that does not hang on the order of rows', () => {
    const far = (values: Float64Array) => Float64Array.of(...values.slice(0, 19), 12);
    const [u, v] = [far(x), far(noise)];
    const p = (a: Float64Array, b: Float64Array) =>
      jointTest(asked({ x: a, y: b, rows: new Uint8Array(20).fill(1), choices: one, own: [0] }), { permutations: 1999, seed: 1 }).medianP;
    const [last, first] = [p(u, v), p(u.slice().reverse(), v.slice().reverse())];
    const wanted = permutationTest(u, v, { method: 'pearson', permutations: 9999 }).pValue;
    // Monte Carlo error of p about .05 by 1,999 shuffles: .005.
    for (const found of [last, first]) expect(Math.abs(found - wanted)).toBeLessThan(0.018);
  });

  it('cases with several rows are shuffled whole, among those of as many', () => {
    // Every case has the same x in its two rows: shuffled by rows that would break up, by cases it stays.
    const cases = Float64Array.from(x, (_, i) => Math.floor(i / 2));
    const twice = Float64Array.from(x, (_, i) => x[2 * Math.floor(i / 2)] ?? 0);
    const other = twice.map((value) => value + 1);
    const request = asked({ x: twice, y: other, choices: one, own: [0] });
    const whole = shuffledStatistics(request, [0, 1, 2, 3], { cases });
    const apart = shuffledStatistics(request, [0, 1, 2, 3]);
    expect(whole).not.toEqual(apart);
    // One case of three rows has no other to change with.
    const alone = Float64Array.from(x, (_, i) => (i < 3 ? 0 : 1));
    const kept = shuffledStatistics(asked({ x: twice, y: other.map((value, i) => value + i / 100), choices: one, own: [0] }), [0, 1], {
      cases: alone,
    });
    expect(kept[0]).toEqual(kept[1]);
  });

  it('rows that no way may use stay where they are', () => {
    const rows = Uint8Array.from(x, (_, i) => (i < 30 ? 1 : 0));
    const far = x.map((value, i) => (i < 30 ? value : 1e6));
    for (const { median } of shuffledStatistics(asked({ x: far, rows, choices: one, own: [0] }), [0, 1, 2])) expect(median).toBeLessThan(1);
  });

  it('without a way that computes there is no p', () => {
    const constant = new Float64Array(n).fill(2);
    const test = jointTest(asked({ y: constant }), { permutations: 9 });
    expect([test.medianP, test.significantP, test.observed.significant]).toEqual([Number.NaN, Number.NaN, 0]);
    expect(jointStatistics([], 0.05)).toEqual({ median: Number.NaN, significant: 0 });
  });
});
