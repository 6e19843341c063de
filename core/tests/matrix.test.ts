import { correlationMatrix, fittedLine, pearson } from '@ivlen/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { relativeError } from './tolerance';

const cell = fc.oneof(
  { weight: 9, arbitrary: fc.double({ min: -1e6, max: 1e6, noNaN: true }) },
  { weight: 1, arbitrary: fc.constant(Number.NaN) },
);
const tableOf = (columns: number) =>
  fc
    .integer({ min: 4, max: 25 })
    .chain((rows) => fc.array(fc.array(cell, { minLength: rows, maxLength: rows }), { minLength: columns, maxLength: columns }))
    .map((table) => table.map((values) => Float64Array.from(values)));

describe('correlationMatrix', () => {
  it('equals the pair alone in every cell, under pairwise deletion', () => {
    fc.assert(
      fc.property(tableOf(4), (columns) => {
        const matrix = correlationMatrix(columns, { method: 'pearson', missing: 'pairwise', alternative: 'less', level: 0.9 });
        for (let i = 0; i < 4; i++) {
          for (let j = 0; j < 4; j++) {
            if (i === j) continue;
            const alone = pearson(columns[i], columns[j], { alternative: 'less', level: 0.9 });
            const at = i * 4 + j;
            expect(matrix.n[at]).toBe(alone.n);
            expect(Math.abs(matrix.coefficient[at] - alone.coefficient)).not.toBeGreaterThan(1e-14);
            expect(relativeError(matrix.pValue[at], alone.pValue)).not.toBeGreaterThan(1e-10);
            expect(relativeError(matrix.high[at], alone.interval?.high ?? Number.NaN)).not.toBeGreaterThan(1e-10);
            expect(Number.isNaN(matrix.coefficient[at])).toBe(Number.isNaN(alone.coefficient));
            expect(Number.isNaN(matrix.high[at])).toBe(alone.interval === null);
            expect(matrix.undefinedBecause[at]).toBe(alone.undefinedBecause ?? null);
          }
        }
      }),
      { seed: 11 },
    );
  });

  it('uses the same rows for every cell under listwise deletion, and is positive semidefinite there', () => {
    fc.assert(
      fc.property(tableOf(3), (columns) => {
        const complete = columns[0].reduce((n, _, i) => n + Number(columns.every((values) => !Number.isNaN(values[i]))), 0);
        const { n, coefficient: r } = correlationMatrix(columns, { method: 'pearson', missing: 'listwise' });
        expect(new Set(n)).toEqual(new Set([complete]));
        if (r.some(Number.isNaN)) return;
        const determinant = 1 + 2 * r[1] * r[2] * r[5] - r[1] ** 2 - r[2] ** 2 - r[5] ** 2;
        expect(determinant).toBeGreaterThanOrEqual(-1e-12);
      }),
      { seed: 12 },
    );
  });

  it('does not change its columns, and has NaN p on the diagonal', () => {
    const columns = [Float64Array.of(1, 2, 4, 3), Float64Array.of(2, 1, Number.NaN, 5)];
    const matrix = correlationMatrix(columns, { method: 'pearson', missing: 'pairwise' });
    expect([...columns[0]]).toEqual([1, 2, 4, 3]);
    expect(matrix.coefficient[0]).toBe(1);
    expect(matrix.pValue[0]).toBeNaN();
    expect([matrix.n[0], matrix.n[3], matrix.n[1]]).toEqual([4, 3, 3]);
  });

  it('is empty for no columns and refuses what it does not know', () => {
    expect(correlationMatrix([], { method: 'pearson', missing: 'pairwise' }).size).toBe(0);
    const columns = [Float64Array.of(1, 2), Float64Array.of(1)];
    expect(() => correlationMatrix(columns, { method: 'pearson', missing: 'pairwise' })).toThrow(RangeError);
    expect(() => correlationMatrix([], { method: 'pearson', missing: 'some' as 'pairwise' })).toThrow(/missing/);
  });
});

describe('Pearson’s r', () => {
  const varied = fc
    .array(fc.double({ min: -1000, max: 1000, noNaN: true }), { minLength: 5, maxLength: 40 })
    .map((values) => values.map((value, i) => Math.round(value * 1024) / 1024 + i / 7));

  it('is symmetric, and unchanged by the order of rows and by linear change; a negative factor turns its sign', () => {
    fc.assert(
      fc.property(varied, fc.integer(), (values, seed) => {
        const x = Float64Array.from(values);
        const y = x.map((value, i) => Math.sin(seed + i * i) * 10 + value / 50);
        const r = pearson(x, y).coefficient;
        expect(pearson(y, x).coefficient).toBeCloseTo(r, 14);
        expect(pearson(x.toReversed(), y.toReversed()).coefficient).toBeCloseTo(r, 13);
        expect(
          pearson(
            x.map((v) => 3.5 * v + 1e6),
            y,
          ).coefficient,
        ).toBeCloseTo(r, 7);
        expect(
          pearson(
            x.map((v) => -2 * v),
            y,
          ).coefficient,
        ).toBeCloseTo(-r, 13);
        const interval = pearson(x, y).interval;
        if (interval) expect(r >= interval.low && r <= interval.high).toBe(true);
      }),
      { seed: 13 },
    );
  });
});

describe('fittedLine', () => {
  it('finds slope and intercept, also far from the origin', () => {
    const x = Float64Array.of(1e9 + 1, 1e9 + 2, 1e9 + 3, Number.NaN);
    const line = fittedLine(x, Float64Array.of(12, 14, 16, 90));
    expect(line.slope).toBeCloseTo(2, 12);
    expect(line.intercept + line.slope * 1e9).toBeCloseTo(10, 6);
    expect(line.n).toBe(3);
  });

  it('has none where x does not vary', () => {
    expect(fittedLine(Float64Array.of(1, 1, 1), Float64Array.of(1, 2, 3)).slope).toBeNaN();
  });
});
