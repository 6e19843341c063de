import { correlationMatrix, describe as describeVariable } from '@ivlen/core';
import { expect, test } from 'vitest';

// Wilkinson (1985), Statistics Quiz, the table NASTY.DAT.
const digits = [1, 2, 3, 4, 5, 6, 7, 8, 9];
const table = {
  X: digits,
  ZERO: digits.map(() => 0),
  MISS: digits.map(() => Number.NaN),
  BIG: digits.map((i) => 99999990 + i),
  LITTLE: digits.map((i) => Number(`.9999999${i}`)),
  HUGE: digits.map((i) => i * 1e12),
  TINY: digits.map((i) => i * 1e-12),
  ROUND: digits.map((i) => i - 0.5),
};
const names = Object.keys(table) as (keyof typeof table)[];
const columns = names.map((name) => Float64Array.from(table[name]));

test('correlations among the linear variables are exactly 1, with ZERO and MISS undefined', () => {
  const matrix = correlationMatrix(columns, { method: 'pearson', missing: 'pairwise' });
  names.forEach((row, i) => {
    names.forEach((col, j) => {
      const r = matrix.coefficient[i * matrix.size + j];
      const linear = ![row, col].some((name) => name === 'ZERO' || name === 'MISS');
      if (linear && (row === 'LITTLE') === (col === 'LITTLE')) expect(r, `${row} × ${col}`).toBe(1);
      // .99999991 … .99999999 are not exactly equidistant as doubles: 1 to 15 digits is all that the numbers hold.
      else if (linear) expect(Math.abs(r - 1), `${row} × ${col}`).toBeLessThan(1e-15);
      else expect(r, `${row} × ${col}`).toBeNaN();
    });
  });
});

test('why ZERO and MISS have no coefficient', () => {
  const matrix = correlationMatrix(columns, { method: 'pearson', missing: 'pairwise' });
  const because = (row: keyof typeof table, col: keyof typeof table) =>
    matrix.undefinedBecause[names.indexOf(row) * matrix.size + names.indexOf(col)];
  expect(because('X', 'ZERO')).toBe('constant-y');
  expect(because('ZERO', 'X')).toBe('constant-x');
  expect(because('MISS', 'X')).toBe('too-few-cases');
  expect(because('ZERO', 'ZERO')).toBe('constant-both');
});

test('means and standard deviations', () => {
  const sd = Math.sqrt(7.5);
  expect(describeVariable(columns[names.indexOf('BIG')]).mean).toBe(99999995);
  expect(describeVariable(columns[names.indexOf('BIG')]).sd).toBeCloseTo(sd, 14);
  expect(describeVariable(columns[names.indexOf('LITTLE')]).sd / (sd * 1e-8)).toBeCloseTo(1, 7);
  expect(describeVariable(columns[names.indexOf('HUGE')]).sd / (sd * 1e12)).toBeCloseTo(1, 14);
  expect(describeVariable(columns[names.indexOf('TINY')]).sd / (sd * 1e-12)).toBeCloseTo(1, 14);
  expect(describeVariable(columns[names.indexOf('ZERO')]).sd).toBe(0);
  expect(describeVariable(columns[names.indexOf('MISS')]).mean).toBeNaN();
});
