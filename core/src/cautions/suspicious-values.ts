import { boxSummary } from '../description/box-summary';
import { describe } from '../description/describe';

export type SuspicionReason = 'below-range' | 'above-range' | 'decimal-slip' | 'far-out';

/** A value that should be looked at. */
export interface Suspicion {
  readonly row: number;
  readonly value: number;
  readonly reason: SuspicionReason;
  /** For a decimal slip: the value with its point moved. */
  readonly suggestion: number | null;
  /** .6745(x − median)/MAD; by the mean absolute deviation where the MAD is 0. */
  readonly modifiedZ: number;
}

/** Powers of ten by which a decimal point slips. */
const SLIPS = [10, 100, 1000, 0.1, 0.01, 0.001];
const FAR_Z = 3.5;
const MAD_TO_SD = 0.6745;
const MEAN_DEVIATION_TO_SD = 1.253314;

/**
 * Rows whose value could be a slip of the decimal point: beyond the outer fences, but within the inner ones after moving
 * the point by one to three places; the smallest move counts. Fences Tukey (1977) on type-7 quartiles; missing values
 * (NaN) are left out. An IQR of 0 finds nothing.
 */
export function decimalSlips(x: Float64Array): { row: number; value: number; suggestion: number }[] {
  const { farOut, innerFences, q1, q3 } = boxSummary(x);
  if (!(q3 > q1)) return [];
  return farOut.flatMap((row) => {
    const value = x[row];
    const fitting = SLIPS.map((factor) => moved(value, factor)).filter((moves) => moves >= innerFences[0] && moves <= innerFences[1]);
    const nearest = fitting.sort((a, b) => Math.abs(Math.log10(Math.abs(a / value))) - Math.abs(Math.log10(Math.abs(b / value))))[0];
    return nearest === undefined ? [] : [{ row, value, suggestion: nearest }];
  });
}

/** Divides by whole powers of ten, so that 74/10 is 7.4 and not 7.4 with rounding noise. */
function moved(value: number, factor: number): number {
  return factor >= 1 ? value / factor : value * Math.round(1 / factor);
}

/**
 * Values to look at, at most one reason for each: outside the stated range, a decimal slip, or far out (beyond the outer
 * fences, or |modified z| > 3.5, Iglewicz & Hoaglin 1993). Missing values (NaN) are left out; a constant has none.
 * @param options.low smallest possible value, if stated
 * @param options.high largest possible value, if stated
 */
export function suspiciousValues(x: Float64Array, { low, high }: { low?: number; high?: number } = {}): Suspicion[] {
  const slips = new Map(decimalSlips(x).map((slip) => [slip.row, slip.suggestion]));
  const { farOut, q1, q3 } = boxSummary(x);
  const beyond = new Set(q3 > q1 ? farOut : []);
  const zs = modifiedZ(x);
  const found: Suspicion[] = [];
  x.forEach((value, row) => {
    if (value !== value) return;
    const reason = reasonFor(value, row);
    if (reason) found.push({ row, value, reason, suggestion: slips.get(row) ?? null, modifiedZ: zs[row] });
  });
  return found;

  function reasonFor(value: number, row: number): SuspicionReason | null {
    if (low !== undefined && value < low) return 'below-range';
    if (high !== undefined && value > high) return 'above-range';
    if (slips.has(row)) return 'decimal-slip';
    return beyond.has(row) || Math.abs(zs[row]) > FAR_Z ? 'far-out' : null;
  }
}

/** Modified z-scores by row; NaN where missing, 0 for a constant. Source: Iglewicz & Hoaglin (1993), p. 11. */
export function modifiedZ(x: Float64Array): Float64Array {
  const { median, mad, n } = describe(x);
  if (mad > 0) return x.map((value) => (MAD_TO_SD * (value - median)) / mad);
  let deviation = 0;
  for (const value of x) if (value === value) deviation += Math.abs(value - median) / n;
  return x.map((value) => (value !== value ? value : deviation > 0 ? (value - median) / (MEAN_DEVIATION_TO_SD * deviation) : 0));
}

/** Groups of rows that are equal in every column, missing cells included; only groups of two and more, in row order. */
export function duplicatedRows(columns: readonly Float64Array[]): number[][] {
  const seen = new Map<string, number[]>();
  const rows = columns[0]?.length ?? 0;
  for (let row = 0; row < rows; row++) {
    const key = columns.map((column) => column[row]).join(' ');
    const known = seen.get(key);
    if (known) known.push(row);
    else seen.set(key, [row]);
  }
  return [...seen.values()].filter((group) => group.length > 1);
}
