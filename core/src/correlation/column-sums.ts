import { shiftedProducts } from '../kernels/shifted-products';
import type { ShiftedProducts } from '../kernels/shifted-sums';
import { assertSameLength } from './options';

/** Rows whose sums are taken together. */
const STRETCH = 8192;
const SAMPLED = 255;

/** Sums and products over the rows of some columns, each shifted to about its middle. */
export interface ColumnSums extends ShiftedProducts {
  readonly shifts: Float64Array;
  /** By column: the rows where it has no value, ascending. */
  readonly missingRows: readonly Uint32Array[];
}

/**
 * In how many stretches the rows of columns are summed.
 *
 * @example
 * sumStretches(100_000); // 13
 */
export function sumStretches(rows: number): number {
  return Math.max(1, Math.ceil(rows / STRETCH));
}

/**
 * Sums and products over one stretch of the rows of some columns: what Pearson's coefficients of all their pairs are made of.
 * `addColumnSums` puts the stretches together; the digits do not depend on who summed which.
 * @param columns of the same length; NaN is missing and counts for 0
 * @param stretch below `sumStretches`
 * @throws {RangeError} columns of unequal length, or a stretch that there is not.
 *
 * @example
 * columnSums([Float64Array.of(1, 2, 4)], 0).totals; // [1]
 */
export function columnSums(columns: readonly Float64Array[], stretch: number): ColumnSums {
  for (const column of columns) assertSameLength(columns[0], column);
  const rows = columns[0]?.length ?? 0;
  if (!(Number.isInteger(stretch) && stretch >= 0 && stretch < sumStretches(rows))) {
    throw new RangeError(`stretch must be a whole number below ${sumStretches(rows)}; got ${stretch}`);
  }
  const shifts = Float64Array.from(columns, middleOf);
  const from = stretch * STRETCH;
  const part = columns.map((column) => column.subarray(from, from + STRETCH));
  const sums = shiftedProducts(part, shifts, rows);
  const missingRows = part.map((column, j) => (sums.present[j] === column.length ? NONE : missingIn(column, from)));
  return { shifts, missingRows, ...sums };
}

const NONE = new Uint32Array(0);

function missingIn(column: Float64Array, from: number): Uint32Array {
  const rows: number[] = [];
  for (let i = 0; i < column.length; i++) if (column[i] !== column[i]) rows.push(from + i);
  return Uint32Array.from(rows);
}

/**
 * Adds the sums of all stretches, which must be in their order.
 *
 * @example
 * addColumnSums([columnSums([Float64Array.of(1, 2, 4)], 0)]).products; // [5]
 */
export function addColumnSums(parts: readonly ColumnSums[]): ColumnSums {
  const [first, ...others] = parts;
  if (!first) throw new RangeError('there must be a stretch to add');
  const sums = {
    shifts: first.shifts,
    missingRows: first.missingRows.map((_, j) => joined(parts.map(({ missingRows }) => missingRows[j]))),
    products: first.products.slice(),
    totals: first.totals.slice(),
    present: first.present.slice(),
  };
  for (const other of others) {
    for (const name of ['products', 'totals', 'present'] as const) {
      const [sum, part] = [sums[name], other[name]];
      for (let k = 0; k < sum.length; k++) sum[k] += part[k];
    }
  }
  return sums;
}

function joined(stretches: readonly Uint32Array[]): Uint32Array {
  const all = new Uint32Array(stretches.reduce((sum, rows) => sum + rows.length, 0));
  let at = 0;
  for (const rows of stretches) {
    all.set(rows, at);
    at += rows.length;
  }
  return all;
}

/** About the median: the middle one of some values spread over the column; a constant's own value. */
function middleOf(values: Float64Array): number {
  const step = Math.max(1, Math.floor(values.length / SAMPLED));
  const sample: number[] = [];
  for (let i = 0; i < values.length; i += step) if (values[i] === values[i]) sample.push(values[i]);
  const middle = Float64Array.from(sample).sort()[sample.length >> 1];
  return middle ?? values.find((value) => value === value) ?? 0;
}
