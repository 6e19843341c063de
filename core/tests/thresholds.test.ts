import {
  breuschPagan,
  type CautionCode,
  type CautionContext,
  groupDisagreement,
  influence,
  linearity,
  pairCautions,
  pearson,
  spearman,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';

/** Whether a caution is raised. */
const raised = (code: CautionCode, x: Float64Array, y: Float64Array, context: Partial<CautionContext> = {}) =>
  pairCautions(x, y, { method: 'pearson', ...context }).find((caution) => caution.code === code);

/** The two neighbouring parameters between which something turns from false to true. */
function turning(from: number, to: number, holds: (parameter: number) => boolean): [number, number] {
  expect([holds(from), holds(to)]).toEqual([false, true]);
  let [low, high] = [from, to];
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2;
    if (middle === low || middle === high) break;
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return [low, high];
}

const noise = (n: number, seed: number) => {
  const random = new Random(seed);
  return Float64Array.from({ length: n }, () => random.normal());
};

describe('each caution is raised at its limit, and not before it', () => {
  it('curved: a quadratic term that adds .02 to R², in a sample where its p is far below .01', () => {
    const [x, e] = [noise(600, 1), noise(600, 2)];
    const y = (bend: number) => x.map((value, i) => value + bend * value * value + e[i]);
    const [before, after] = turning(0, 0.6, (bend) => raised('curved', x, y(bend)) !== undefined);
    expect(linearity(x, y(before)).gain).toBeLessThan(0.02);
    expect(linearity(x, y(after)).gain).toBeCloseTo(0.02, 9);
    expect(linearity(x, y(after)).pValue).toBeLessThan(1e-3);
    expect(linearity(x, y(after)).rankAdvantage).toBeLessThan(0.1);
  });

  it('curved: p of the quadratic term at .01, in a sample where it adds far more than .02', () => {
    const [x, e] = [noise(40, 3), noise(40, 4)];
    const y = (bend: number) => x.map((value, i) => value + bend * value * value + 2 * e[i]);
    const [before, after] = turning(0.4, 3, (bend) => raised('curved', x, y(bend)) !== undefined);
    expect(linearity(x, y(before)).pValue).toBeGreaterThanOrEqual(0.01);
    expect(linearity(x, y(after)).pValue).toBeCloseTo(0.01, 9);
    expect(linearity(x, y(after)).gain).toBeGreaterThan(0.03);
  });

  it('curved: |ρ| above |r| by .10 from 112 rows on, below by 1.05/√(n − 1)', () => {
    for (const n of [30, 400]) {
      const x = Float64Array.from({ length: n }, (_, i) => i / n);
      // Steeper and steeper, without a turn: ρ stays 1. A parabola tells so much more that only the rank rule is looked at here.
      const advantage = (power: number) =>
        linearity(
          x,
          x.map((value) => value ** power),
        ).rankAdvantage;
      const limit = Math.max(0.1, 1.05 / Math.sqrt(n - 1));
      const [before, after] = turning(1, 60, (power) => advantage(power) >= limit);
      expect(
        linearity(
          x,
          x.map((value) => value ** after),
        ).curved,
      ).toBe(true);
      expect(advantage(before)).toBeLessThan(limit);
    }
  });

  it('fan-shaped: p of Breusch–Pagan at .01, of 30 rows at least', () => {
    const [x, e] = [noise(60, 5).map((value) => Math.abs(value) + 0.2), noise(60, 6)];
    const y = (fan: number) => x.map((value, i) => value + e[i] * (1 + fan * value));
    const p = (fan: number) => breuschPagan(y(fan), [x]).pValue;
    const [before, after] = turning(0, 40, (fan) => raised('fan-shaped', x, y(fan)) !== undefined);
    expect(p(before)).toBeGreaterThanOrEqual(0.01);
    expect(p(after)).toBeLessThan(0.01);
    expect(p(after)).toBeCloseTo(0.01, 9);
    const fanned = (n: number) => [x.slice(0, n), x.slice(0, n).map((value, i) => value + (i % 2 ? 1 : -1) * value ** 4)] as const;
    expect(raised('fan-shaped', ...fanned(30))).toBeDefined();
    expect(raised('fan-shaped', ...fanned(29))).toBeUndefined();
  });

  // From 35 rows on by one standard error; below by what the furthest row of normal samples reaches in 5 %.
  it.each([
    [40, 1],
    [33, 0.43 + 3.18 / Math.sqrt(31)],
    [19, 0.43 + 3.18 / Math.sqrt(17)],
    [9, 0.43 + 3.18 / Math.sqrt(7)],
  ])('one row beside %d: z moves by %d of its standard errors', (others, limit) => {
    const [x, y] = [noise(others, 7), noise(others, 8)];
    const moved = (by: number) => [Float64Array.of(...x, by), Float64Array.of(...y, by)] as const;
    const reach = (by: number) => {
      const [a, b] = moved(by);
      const { leaveOneOut, coefficient } = influence(a, b, { method: 'pearson' });
      return Math.abs(Math.atanh(leaveOneOut[others]) - Math.atanh(coefficient)) * Math.sqrt(others + 1 - 3);
    };
    const [before, after] = turning(0, 30, (by) => raised('one-point', ...moved(by)) !== undefined);
    // Below the limit no sign flips that would count: the coefficient is not significant either way.
    expect(reach(before)).toBeLessThan(limit);
    expect(reach(after)).toBeCloseTo(limit, 9);
  });

  it.each(['pearson', 'spearman', 'kendall'] as const)('no row carries a %s of ±1', (method) => {
    const x = Float64Array.from({ length: 12 }, (_, i) => i);
    for (const y of [x, x.map((value) => -value)]) {
      expect(influence(x, y, { method })).toMatchObject({ mostInfluential: -1, carrying: -1, onePointCarries: false });
    }
  });

  it.each(['spearman', 'kendall'] as const)('one row: the standard error is that of %s', (method) => {
    const [x, y] = [noise(18, 7), noise(18, 8)];
    const all = [Float64Array.of(...x, 9), Float64Array.of(...y, 9)] as const;
    const { leaveOneOut, coefficient, carrying, mostInfluential } = influence(...all, { method });
    const moved = Math.abs(Math.atanh(leaveOneOut[mostInfluential]) - Math.atanh(coefficient));
    const variance = method === 'spearman' ? (1 + coefficient ** 2 / 2) / 16 : 0.437 / 15;
    expect(carrying >= 0).toBe(moved / Math.sqrt(variance) >= 0.43 + 3.18 / 4);
  });

  it('methods disagree: r and ρ apart by .10 from 112 rows on, below by 1.05/√(n − 1)', () => {
    for (const n of [50, 300]) {
      const [x, e] = [noise(n, 9), noise(n, 10)];
      const y = x.map((value, i) => 0.9 * value + 0.4 * e[i]);
      // One row further and further out turns r and hardly ρ; both stay significant at first.
      const out = (by: number) => [Float64Array.of(...x, by), Float64Array.of(...y, -by)] as const;
      const apart = (by: number) => Math.abs(pearson(...out(by)).coefficient - spearman(...out(by)).coefficient);
      const limit = Math.max(0.1, 1.05 / Math.sqrt(n));
      const [before, after] = turning(0, 40, (by) => raised('method-disagreement', ...out(by)) !== undefined);
      expect(apart(before)).toBeLessThan(limit);
      expect(apart(after)).toBeCloseTo(limit, 9);
      expect(raised('method-disagreement', ...out(after))?.level).toBe('could-change');
      expect(raised('method-disagreement', ...out(after), { method: 'spearman' })?.level).toBe('note');
    }
  });

  it('groups differ: p of their homogeneity at .05', () => {
    const [x, e] = [noise(80, 11), noise(80, 12)];
    const groups = x.map((_, i) => i % 2);
    const y = (slope: number) => x.map((value, i) => (i % 2 ? 1 : 1 - slope) * value + e[i]);
    const p = (slope: number) => groupDisagreement(x, y(slope), groups, { method: 'pearson' }).comparison.pValue;
    const differ = (slope: number) => {
      const codes = pairCautions(x, y(slope), { method: 'pearson', groups }).map(({ code }) => code);
      return codes.some((code) => code === 'groups-differ' || code === 'groups-hide' || code === 'groups-reverse');
    };
    const [before, after] = turning(0, 2, differ);
    expect(p(before)).toBeGreaterThanOrEqual(0.05);
    expect(p(after)).toBeCloseTo(0.05, 9);
  });

  it('ties: more than a quarter of the pairs of rows', () => {
    const y = Float64Array.from({ length: 9 }, (_, i) => (i * 4) % 9);
    // Of 36 pairs of rows, 9 tie where groups of 4, 3 and two single ones are equal: 6 + 3; 10 with 5 equal ones.
    const quarter = Float64Array.of(1, 1, 1, 1, 2, 2, 2, 3, 4);
    const more = Float64Array.of(1, 1, 1, 1, 1, 2, 3, 4, 5);
    expect(raised('ties', quarter, y, { method: 'kendall' })).toBeUndefined();
    expect(raised('ties', more, y, { method: 'kendall' })?.values).toEqual({ tiedX: 10 / 36, tiedY: 0 });
    expect(raised('ties', y, more, { method: 'spearman' })?.values).toEqual({ tiedX: 0, tiedY: 10 / 36 });
    expect(raised('ties', more, y)).toBeUndefined();
  });

  it('many missing: fewer than 80 % of the rows in use; few cases: fewer than ten', () => {
    const [x, y] = [noise(80, 13), noise(80, 14)];
    expect(raised('many-missing', x, y, { rowsInUse: 100 })).toBeUndefined();
    expect(raised('many-missing', x.slice(0, 79), y.slice(0, 79), { rowsInUse: 100 })?.values).toEqual({ n: 79, rowsInUse: 100 });
    expect(raised('few-cases', x.slice(0, 10), y.slice(0, 10))).toBeUndefined();
    expect(raised('few-cases', x.slice(0, 9), y.slice(0, 9))?.values).toEqual({ n: 9 });
  });

  it('shape: beyond skewness and kurtosis of the rule, of either variable', () => {
    const [x, y] = [noise(200, 15), noise(200, 16)];
    const skewed = (power: number) => x.map((value) => Math.exp(power * value));
    const rule = { kind: 'limits', skewness: 1.5, excessKurtosis: 1e9 } as const;
    const skewness = (power: number) => {
      const values = skewed(power);
      const found = pairCautions(values, y, { method: 'pearson', shapeRule: { kind: 'limits', skewness: 0, excessKurtosis: 0 } });
      return found.find(({ code }) => code === 'shape')?.values.skewnessX ?? Number.NaN;
    };
    const [before, after] = turning(0.01, 2, (power) => raised('shape', skewed(power), y, { shapeRule: rule }) !== undefined);
    expect(skewness(before)).toBeLessThanOrEqual(1.5);
    expect(skewness(after)).toBeCloseTo(1.5, 9);
    expect(raised('shape', y, skewed(after), { shapeRule: rule })).toBeDefined();
    const kurtic = { kind: 'limits', skewness: 1e9, excessKurtosis: 3 } as const;
    const [flat, heavy] = turning(0.01, 2, (power) => raised('shape', skewed(power), y, { shapeRule: kurtic }) !== undefined);
    expect(flat).toBeLessThan(heavy);
  });
});

describe('groups against the whole, with the whole negative', () => {
  /** Groups along a line of one sign, the cases in each along one of the other. */
  const stacked = (sign: 1 | -1, inside: number) => {
    const random = new Random(21);
    const cells = Array.from({ length: 90 }, (_, i) => {
      const group = i % 3;
      const within = random.normal();
      return { group, x: 4 * group + within, y: sign * 4 * group + inside * within + 0.4 * random.normal() };
    });
    const of = (name: 'group' | 'x' | 'y') => Float64Array.from(cells, (cell) => cell[name]);
    return groupDisagreement(of('x'), of('y'), of('group'), { method: 'pearson' });
  };

  it('a negative one over all rows and positive ones in every group reverse, as the mirror image does', () => {
    const negative = stacked(-1, 1);
    expect([negative.pooled.coefficient < 0, negative.reversed, negative.hidden]).toEqual([true, true, false]);
    expect(negative.groups.every(({ test: { coefficient } }) => coefficient > 0)).toBe(true);
    const positive = stacked(1, -1);
    expect([positive.pooled.coefficient > 0, positive.reversed]).toEqual([true, true]);
  });

  it('the same sign in a group is no reversal', () => {
    expect(stacked(-1, -1)).toMatchObject({ reversed: false, hidden: false });
    expect(stacked(1, 1)).toMatchObject({ reversed: false, hidden: false });
  });

  it.each([1, -1])('hidden: hardly any over all rows, a clear one of sign %d in one group', (sign) => {
    const random = new Random(22);
    const cells = Array.from({ length: 2400 }, (_, i) => {
      const group = i % 4;
      const x = random.normal();
      return { group, x, y: (group === 0 ? sign : -sign / 3) * x + 0.6 * random.normal() };
    });
    const of = (name: 'group' | 'x' | 'y') => Float64Array.from(cells, (cell) => cell[name]);
    const got = groupDisagreement(of('x'), of('y'), of('group'), { method: 'pearson' });
    expect(Math.abs(got.pooled.coefficient)).toBeLessThan(0.1);
    expect([got.hidden, got.reversed, got.differ]).toEqual([true, false, true]);
  });
});

test('a caution says what it is about, in figures that are those of its remedy', () => {
  const [x, y] = [noise(50, 30), noise(50, 31)];
  const [a, b] = [Float64Array.of(...x, 15), Float64Array.of(...y, 15)];
  const caution = raised('one-point', a, b);
  expect(caution?.found.coefficient).toBeCloseTo(pearson(a, b).coefficient, 14);
  expect(caution?.found.pValue).toBeCloseTo(pearson(a, b).pValue, 14);
  expect(caution?.remedy?.coefficient).toBeCloseTo(pearson(x, y).coefficient, 12);
  expect(caution?.remedy?.pValue).toBeCloseTo(pearson(x, y).pValue, 12);
  expect(caution?.values.without).toBeCloseTo(pearson(x, y).coefficient, 12);
});
