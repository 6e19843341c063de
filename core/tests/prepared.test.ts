import { addColumnSums, columnSums, correlationMatrix, type Method, matrixDiagonal, rankColumn, sumStretches } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { concordance } from '../src/correlation/concordance';
import { createRankScratch } from '../src/correlation/rank-scratch';
import { Random } from '../src/random/random';
import { midranksOf, rankComplete } from '../src/ranks/rank-column';

const random = new Random(20);
const columns = (count: number, rows: number, missing = 0) => {
  const common = Float64Array.from({ length: rows }, () => random.normal());
  return Array.from({ length: count }, (_, j) =>
    // Every second column is rounded, so that it has ties.
    common.map((value) =>
      random.uniform() < missing ? Number.NaN : j % 2 ? Math.round(4 * (value + random.normal())) : value + random.normal(),
    ),
  );
};

describe('columns that were made ready before', () => {
  test.each<[Method, number]>([
    ['pearson', 0],
    ['pearson', 0.02],
    ['spearman', 0],
    ['spearman', 0.02],
    ['kendall', 0],
    ['kendall', 0.02],
  ])('%s, %d missing: every digit is as without them, whichever pairs are asked for', (method, missing) => {
    const data = columns(5, 40_000, missing);
    const options = { method, missing: 'pairwise' } as const;
    const whole = correlationMatrix(data, options);
    const prepared = {
      ranked: data.map(rankColumn),
      sums: addColumnSums(Array.from({ length: sumStretches(40_000) }, (_, stretch) => columnSums(data, stretch))),
    };
    const [first, second] = [0, 1].map((half) => correlationMatrix(data, { ...options, prepared, only: (i, j) => (i + j) % 2 === half }));
    for (const name of ['coefficient', 'pValue', 'log10P', 'n', 'low', 'high'] as const) {
      for (let i = 0; i < 5; i++) {
        for (let j = 0; j < i; j++) {
          const part = (i + j) % 2 === 0 ? first : second;
          expect(part?.[name][5 * i + j], `${name} of ${i}, ${j}`).toBe(whole[name][5 * i + j]);
        }
      }
    }
  });

  it('are refused under listwise deletion, which would cut them down', () => {
    expect(() => correlationMatrix(columns(2, 10), { method: 'kendall', missing: 'listwise', prepared: {} })).toThrow(/prepared/);
  });

  it('the sums have as many stretches as there are rows for, and no other', () => {
    expect([0, 1, 8192, 8193, 100_000].map(sumStretches)).toEqual([1, 1, 1, 2, 13]);
    expect(() => columnSums(columns(2, 10), 1)).toThrow(/below 1/);
    expect(() => columnSums([new Float64Array(2), new Float64Array(3)], 0)).toThrow(/same number of rows/);
    expect(() => addColumnSums([])).toThrow(/stretch/);
  });
});

describe('a ranked column', () => {
  it('has midranks, dense ranks and ties as they are counted out', () => {
    const values = Float64Array.from({ length: 5000 }, () => Math.round(random.normal() * 40));
    const column = rankComplete(values);
    const below = (value: number) => values.reduce((count, other) => count + (other < value ? 1 : other === value ? 0.5 : 0), 0);
    const distinct = [...new Set(values)].sort((a, b) => a - b);
    const ranks = midranksOf(column);
    for (let i = 0; i < values.length; i += 97) {
      expect(ranks[i]).toBe(below(values[i]) + 0.5);
      expect(column.dense[i]).toBe(distinct.indexOf(values[i]));
    }
    const sizes = distinct.map((value) => values.reduce((count, other) => count + Number(other === value), 0));
    expect(column.ties).toEqual({
      n: 5000,
      groups: distinct.length,
      pairs: sizes.reduce((sum, t) => sum + t * (t - 1), 0),
      triples: sizes.reduce((sum, t) => sum + t * (t - 1) * (t - 2), 0),
    });
  });

  it('with gaps has no ties of its own, and −1 for its missing rows', () => {
    const column = rankColumn(Float64Array.of(3, Number.NaN, 1, 3));
    expect([[...column.dense], [...column.order], column.ties]).toEqual([[1, -1, 0, 1], [2, 0, 3], null]);
    expect(() => rankComplete(Float64Array.of(1, Number.NaN))).toThrow(/missing/);
  });
});

/** Concordant less discordant partners of each row, counted out. */
function countedOut(x: Float64Array, y: Float64Array): number[] {
  return Array.from(x, (a, i) => x.reduce((sum, b, j) => sum + Math.sign(a - b) * Math.sign(y[i] - y[j]), 0));
}

describe('balances of rows, where values of y fill several blocks', () => {
  const n = 2600;
  const few = Float64Array.from({ length: n }, () => random.below(5));
  const many = Float64Array.from({ length: n }, () => random.normal());
  const some = Float64Array.from({ length: n }, (_, i) => Math.round(300 * (many[i] + random.normal())));
  test.each([
    ['none tied', many, Float64Array.from(many, (value) => value + random.normal())],
    ['x tied', few, many],
    ['y tied', many, some],
    ['both tied', some, some.map((value, i) => Math.round(value / 2 + 100 * many[i]))],
    ['few values of y', some, few],
  ])('%s: as counted pair by pair', (_, x, y) => {
    const [a, b] = [rankColumn(x), rankColumn(y)];
    const scratch = createRankScratch(n);
    const { s } = concordance(a, b, scratch);
    const wanted = countedOut(x, y);
    // The balance stands by place in the order of x, within equal x in that of y.
    const places = Array.from(a.order).sort((i, j) => x[i] - x[j] || y[i] - y[j]);
    expect(places.map((_, place) => scratch.balance[place])).toEqual(places.map((row) => wanted[row]));
    expect(s).toBe(wanted.reduce((sum, value) => sum + value, 0) / 2);
  });
});

it('the diagonal says how many values there are, and why there is no coefficient', () => {
  expect(matrixDiagonal(Float64Array.of(1, 2, Number.NaN))).toEqual({ coefficient: 1, n: 2, undefinedBecause: null });
  expect(matrixDiagonal(Float64Array.of(4, 4, 4))).toEqual({ coefficient: Number.NaN, n: 3, undefinedBecause: 'constant-both' });
  expect(matrixDiagonal(Float64Array.of(4, Number.NaN))).toEqual({ coefficient: Number.NaN, n: 1, undefinedBecause: 'too-few-cases' });
});
