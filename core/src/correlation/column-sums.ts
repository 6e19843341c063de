import { shiftedProducts } from '../kernels/shifted-products';
import type { ShiftedProducts } from '../kernels/shifted-sums';
import { assertSameLength } from './options';

/** Rows whose sums are taken together. */
const STRETCH = 8192;
const SAMPLED = 255;

/** Sums and products over the rows of some columns, each shifted to about its middle. */
export interface ColumnSums extends ShiftedProducts {
  readonly shifts: Float64Array;
  /** Of column a over the rows where column b has no value, at a·size + b; empty where no column lacks any. */
  readonly lost: LostSums;
}

/** How many values, their sum and their sum of squares, all shifted. */
export interface LostSums {
  readonly counts: Float64Array;
  readonly totals: Float64Array;
  readonly squares: Float64Array;
}

const LOST = ['counts', 'totals', 'squares'] as const;

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
  return { shifts, ...sums, lost: lostSums(part, shifts, sums.present) };
}

function emptyLost(length: number): LostSums {
  return { counts: new Float64Array(length), totals: new Float64Array(length), squares: new Float64Array(length) };
}

/** One column after the other, so that its stretch stays in the processor's cache for the missing rows of all others. */
function lostSums(part: readonly Float64Array[], shifts: Float64Array, present: Float64Array): LostSums {
  const missing = part.map((column, j) => (present[j] === column.length ? NONE : missingIn(column)));
  if (missing.every((rows) => rows.length === 0)) return emptyLost(0);
  const size = part.length;
  const lost = emptyLost(size * size);
  // Missing values count for 0, as in the products.
  const shifted = new Float64Array(part[0].length);
  const there = new Uint8Array(part[0].length);
  for (let a = 0; a < size; a++) {
    shiftInto(part[a], shifts[a], shifted, there);
    for (let b = 0; b < size; b++) if (missing[b].length > 0) sumOver(missing[b], shifted, there, lost, a * size + b);
  }
  return lost;
}

function shiftInto(values: Float64Array, shift: number, shifted: Float64Array, there: Uint8Array): void {
  for (let i = 0; i < values.length; i++) {
    const value = values[i] - shift;
    const isThere = value === value;
    shifted[i] = isThere ? value : 0;
    there[i] = isThere ? 1 : 0;
  }
}

function sumOver(rows: Uint32Array, shifted: Float64Array, there: Uint8Array, { counts, totals, squares }: LostSums, at: number): void {
  let [count, total, square] = [0, 0, 0];
  for (let k = 0; k < rows.length; k++) {
    const value = shifted[rows[k]];
    count += there[rows[k]];
    total += value;
    square += value * value;
  }
  counts[at] = count;
  totals[at] = total;
  squares[at] = square;
}

const NONE = new Uint32Array(0);

function missingIn(column: Float64Array): Uint32Array {
  const rows: number[] = [];
  for (let i = 0; i < column.length; i++) if (column[i] !== column[i]) rows.push(i);
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
  const sums = { shifts: first.shifts, products: first.products.slice(), totals: first.totals.slice(), present: first.present.slice() };
  for (const other of others) for (const name of ['products', 'totals', 'present'] as const) addInto(sums[name], other[name]);
  const withGaps = parts.filter(({ lost }) => lost.counts.length > 0);
  const lost = emptyLost(withGaps.length > 0 ? first.products.length : 0);
  for (const part of withGaps) for (const name of LOST) addInto(lost[name], part.lost[name]);
  return { ...sums, lost };
}

function addInto(sum: Float64Array, part: Float64Array): void {
  for (let k = 0; k < sum.length; k++) sum[k] += part[k];
}

/** About the median: the middle one of some values spread over the column; a constant's own value. */
function middleOf(values: Float64Array): number {
  const step = Math.max(1, Math.floor(values.length / SAMPLED));
  const sample: number[] = [];
  for (let i = 0; i < values.length; i += step) if (values[i] === values[i]) sample.push(values[i]);
  const middle = Float64Array.from(sample).sort()[sample.length >> 1];
  return middle ?? values.find((value) => value === value) ?? 0;
}
