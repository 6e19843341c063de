import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { correlationMatrix, pearson } from '@ivlen/core';
import { expect, it, test } from 'vitest';
import { shiftedProductsBySimd } from '../src/kernels/gram';
import { triangleBySimd } from '../src/kernels/reflect';
import { plainShiftedProducts } from '../src/kernels/shifted-products';
import { triangleInLoops } from '../src/linear-algebra/triangle-of-rows';

const columns = (count: number, rows: number) =>
  Array.from({ length: count }, (_, j) => Float64Array.from({ length: rows }, (__, i) => Math.sin(i * (j + 1) + j) / Math.sqrt(rows)));

test.each([
  [1, 1],
  [2, 3],
  [3, 511],
  [4, 512],
  [5, 513],
  [9, 1500],
  [37, 100],
])('%d columns of %d rows: the kernel gives what plain loops give', (count, rows) => {
  const data = columns(count, rows).map((values, j) => values.map((value, i) => ((i + j) % 7 === 3 ? Number.NaN : value)));
  const shifts = Float64Array.from(data, (_, j) => j / 10);
  const fast = shiftedProductsBySimd(data, shifts);
  const plain = plainShiftedProducts(data, shifts);
  expect(fast).not.toBeNull();
  expect(fast?.present).toEqual(plain.present);
  for (const part of ['products', 'totals'] as const) {
    expect(fast?.[part].length).toBe(plain[part].length);
    plain[part].forEach((value, at) => {
      expect(Math.abs((fast?.[part][at] ?? Number.NaN) - value)).toBeLessThan(1e-12 * (1 + Math.abs(value)));
    });
  }
});

it('a matrix large enough for the kernel equals its pairs alone, with and without missing values', () => {
  const data = columns(8, 5000).map((values, j) =>
    values.map((value, i) => ((i * (j + 3)) % 97 === 5 && j % 2 === 0 ? Number.NaN : value + values[0])),
  );
  const { coefficient, n, pValue } = correlationMatrix(data, { method: 'pearson', missing: 'pairwise' });
  for (let i = 0; i < 8; i++) {
    for (let j = 0; j < i; j++) {
      const alone = pearson(data[i], data[j]);
      expect(Math.abs(coefficient[8 * i + j] - alone.coefficient)).toBeLessThan(1e-14);
      expect(Math.abs(pValue[8 * i + j] / alone.pValue - 1)).toBeLessThan(1e-9);
      expect(n[8 * i + j]).toBe(alone.n);
    }
  }
});

it.each(['gram', 'reflect'])('the compiled kernel %s is what its source compiles to', (name) => {
  const compiled = execFileSync(process.execPath, ['scripts/compile-kernels.mjs', name], { encoding: 'utf8' });
  expect(compiled).toBe(readFileSync(`core/src/kernels/${name}-code.ts`, 'utf8'));
});

it('reflects rows as plain loops do, to rounding, whatever the number of rows and columns', () => {
  for (const [size, rows] of [
    [1, 3],
    [2, 256],
    [5, 513],
    [9, 1001],
  ] as const) {
    const data = columns(size, rows);
    const [fast, plain] = [triangleBySimd(data), triangleInLoops(data)];
    expect(fast).not.toBeNull();
    const largest = Math.max(...plain.map(Math.abs));
    plain.forEach((value, at) => {
      expect(Math.abs(value - (fast?.[at] ?? Number.NaN)) / largest).toBeLessThan(1e-13);
    });
  }
});
