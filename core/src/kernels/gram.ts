import { GRAM_CODE } from './gram-code';
import { loadKernel } from './load-kernel';
import type { ShiftedProducts } from './shifted-sums';

interface Kernel {
  readonly gram: (columns: number, count: number, stride: number, rows: number, out: number) => void;
  readonly shift: (column: number, rows: number, by: number, stats: number) => void;
}

const BYTES = 8;
/** Rows taken at a time: this many of a hundred columns fit the processor's cache. */
const BLOCK = 512;

/**
 * Sums and products of shifted columns by a SIMD kernel; null where the machine has none.
 * Columns are copied block by block into memory of the kernel's own, so that it needs little.
 */
export function shiftedProductsBySimd(columns: readonly Float64Array[], shifts: Float64Array): ShiftedProducts | null {
  const size = columns.length;
  const rows = columns[0]?.length ?? 0;
  const count = Math.ceil(size / 4) * 4;
  const statsAt = count * count * BYTES;
  const blockAt = statsAt + 2 * count * BYTES;
  const loaded = loadKernel<Kernel>(GRAM_CODE, blockAt + count * BLOCK * BYTES);
  if (!loaded) return null;
  const { memory, kernel } = loaded;
  const block = new Float64Array(memory.buffer, blockAt, count * BLOCK);
  for (let start = 0; start < rows; start += BLOCK) {
    const length = Math.min(BLOCK, rows - start);
    const even = length + (length % 2);
    for (let j = 0; j < size; j++) {
      block.set(columns[j].subarray(start, start + length), j * BLOCK);
      // An odd last row is filled up with a missing value, which counts for nothing.
      if (even > length) block[j * BLOCK + length] = Number.NaN;
      kernel.shift(blockAt + j * BLOCK * BYTES, even, shifts[j], statsAt + 2 * j * BYTES);
    }
    kernel.gram(blockAt, count, BLOCK * BYTES, even, 0);
  }
  const sums = new Float64Array(memory.buffer, 0, count * count);
  const stats = new Float64Array(memory.buffer, statsAt, 2 * count);
  const products = new Float64Array(size * size);
  for (let i = 0; i < size; i++) {
    for (let j = 0; j <= i; j++) {
      products[i * size + j] = sums[i * count + j];
      products[j * size + i] = sums[i * count + j];
    }
  }
  return {
    products,
    totals: Float64Array.from({ length: size }, (_, j) => stats[2 * j]),
    present: Float64Array.from({ length: size }, (_, j) => stats[2 * j + 1]),
  };
}
