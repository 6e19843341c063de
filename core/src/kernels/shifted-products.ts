import { shiftedProductsBySimd } from './gram';
import type { ShiftedProducts } from './shifted-sums';

/** Below this many products the kernel's set-up costs more than it saves. */
const KERNEL_FROM = 200_000;

/** @param rows of the whole columns, of which these may be a stretch: all stretches are computed in the same way. */
export function shiftedProducts(columns: readonly Float64Array[], shifts: Float64Array, rows: number): ShiftedProducts {
  const products = columns.length ** 2 * rows;
  return (products >= KERNEL_FROM ? shiftedProductsBySimd(columns, shifts) : null) ?? plainShiftedProducts(columns, shifts);
}

/** The same without the kernel. */
export function plainShiftedProducts(columns: readonly Float64Array[], shifts: Float64Array): ShiftedProducts {
  const size = columns.length;
  const present = new Float64Array(size);
  const totals = new Float64Array(size);
  const shifted = columns.map((column, j) => {
    const values = new Float64Array(column.length);
    for (let i = 0; i < column.length; i++) {
      if (column[i] !== column[i]) continue;
      values[i] = column[i] - shifts[j];
      totals[j] += values[i];
      present[j]++;
    }
    return values;
  });
  const products = new Float64Array(size * size);
  for (let i = 0; i < size; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = 0;
      for (let row = 0; row < shifted[i].length; row++) sum += shifted[i][row] * shifted[j][row];
      products[i * size + j] = sum;
      products[j * size + i] = sum;
    }
  }
  return { products, totals, present };
}
