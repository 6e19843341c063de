import { sortedValues } from '../columns/complete-rows';
import { quantile } from '../description/quantile';
import { FAR_OUT_LIMITS, FAR_OUT_SIZES } from './far-out-limits';

export type SuspicionReason = 'below-range' | 'above-range' | 'decimal-slip' | 'far-out';

/** A value that should be looked at. */
export interface Suspicion {
  readonly row: number;
  readonly value: number;
  readonly reason: SuspicionReason;
  /** For a decimal slip: the value with its point moved. */
  readonly suggestion: number | null;
  /** .6745(x − median)/MAD, of the logarithms where those are judged; by the mean absolute deviation where the MAD is 0. */
  readonly modifiedZ: number;
}

/** A decimal point slips by one place: further moves fit by chance too often. */
const SLIPS = [10, 0.1];
/** Interquartile ranges beyond the quartiles. */
const [INNER_FENCE, OUTER_FENCE] = [1.5, 3];
/** A value is far from all others only if somewhere between it and them so many interquartile ranges are empty. */
const EMPTY_BETWEEN = 1;
const MAD_TO_SD = 0.6745;
const MEAN_DEVIATION_TO_SD = 1.253314;

/**
 * Rows whose value could be a slip of the decimal point: beyond the outer fences, but within the inner ones after moving the
 * point by one place. Fences Tukey (1977) on type-7 quartiles, of the logarithms where they are less skewed; missing
 * values (NaN) are left out. Whole numbers have no point that could slip, and an IQR of 0 finds nothing.
 *
 * @example
 * decimalSlips(Float64Array.of(7.1, 7.3, 6.9, 7.4, 7.2, 7, 6.8, 7.1, 7.3, 74)); // [{ row: 9, value: 74, suggestion: 7.4 }]
 */
export function decimalSlips(x: Float64Array): { row: number; value: number; suggestion: number }[] {
  const spread = judgeSpread(x);
  const slips: { row: number; value: number; suggestion: number }[] = [];
  x.forEach((value, row) => {
    const suggestion = isFarOut(value, spread) ? slipOf(value, spread) : null;
    if (suggestion !== null) slips.push({ row, value, suggestion });
  });
  return slips;
}

/**
 * Values to look at, at most one reason for each: outside the stated range, a decimal slip, or far out (beyond the outer
 * fences, or |modified z|, Iglewicz & Hoaglin 1993, above `farOutLimit`, and apart from the others by a gap of more than an
 * interquartile range), both of the logarithms where they are less skewed. Missing values (NaN) are left out; a constant has none.
 * @param options.low smallest possible value, if stated
 * @param options.high largest possible value, if stated
 *
 * @example
 * suspiciousValues(Float64Array.of(3, 4, 5, 4, 101), { low: 0, high: 100 }).map(({ row }) => row); // [4]
 */
export function suspiciousValues(x: Float64Array, { low, high }: { low?: number; high?: number } = {}): Suspicion[] {
  const spread = judgeSpread(x);
  const limit = farOutLimit(spread.n);
  const found: Suspicion[] = [];
  x.forEach((value, row) => {
    if (value !== value) return;
    const z = zOf(value, spread);
    const farOut = isFarOut(value, spread);
    const suggestion = farOut ? slipOf(value, spread) : null;
    const reason = reasonFor(value, suggestion !== null, (farOut || Math.abs(z) > limit) && isApart(value, spread));
    if (reason) found.push({ row, value, reason, suggestion, modifiedZ: z });
  });
  return found;

  function reasonFor(value: number, slipped: boolean, far: boolean): SuspicionReason | null {
    if (low !== undefined && value < low) return 'below-range';
    if (high !== undefined && value > high) return 'above-range';
    if (slipped) return 'decimal-slip';
    return far ? 'far-out' : null;
  }
}

/**
 * Modified z-scores by row; NaN where missing, 0 for a constant. Source: Iglewicz & Hoaglin (1993), p. 11.
 *
 * @example
 * modifiedZ(Float64Array.of(1, 2, 3, 4, 50)); // [-1.349, -0.6745, 0, 0.6745, 31.7015]
 */
export function modifiedZ(x: Float64Array): Float64Array {
  const spread = spreadOf(sortedValues(x), false, true);
  return x.map((value) => zOf(value, spread));
}

/**
 * The |modified z| that the furthest of n normal values passes in 5 % of samples, about 4.0 at n = 20, 3.75 at 50 and 4.1 at
 * 1,000. The 3.5 of Iglewicz & Hoaglin (1993) is passed in 9 % of them at n = 20 and in 40 % at 1,000. Simulated
 * (`reference/far_out_table.py`), linear in ln n between the sizes of the table.
 *
 * @example
 * farOutLimit(200); // 3.813
 */
export function farOutLimit(n: number): number {
  const last = FAR_OUT_SIZES.length - 1;
  if (n <= FAR_OUT_SIZES[0]) return FAR_OUT_LIMITS[0];
  if (n >= FAR_OUT_SIZES[last]) return FAR_OUT_LIMITS[last];
  const k = FAR_OUT_SIZES.findIndex((size) => size >= n);
  const share = Math.log(n / FAR_OUT_SIZES[k - 1]) / Math.log(FAR_OUT_SIZES[k] / FAR_OUT_SIZES[k - 1]);
  return FAR_OUT_LIMITS[k - 1] + share * (FAR_OUT_LIMITS[k] - FAR_OUT_LIMITS[k - 1]);
}

/** By what the values of a variable are judged, on their own scale or that of their logarithms. */
interface Spread {
  readonly n: number;
  readonly onLogs: boolean;
  readonly q1: number;
  readonly median: number;
  readonly q3: number;
  readonly mad: number;
  /** Mean absolute deviation from the median, for a MAD of 0. */
  readonly meanDeviation: number;
  /** From here on outwards values are apart from the others. */
  readonly apart: readonly [low: number, high: number];
  readonly wholeNumbers: boolean;
}

/**
 * Judges on logarithms where they are less skewed than the values: what looks far out among concentrations is often
 * their ordinary right tail. Only for values all above 0.
 */
function judgeSpread(x: Float64Array): Spread {
  const sorted = sortedValues(x);
  // A slipped value itself may have lost its decimals, the others not.
  const whole = allWhole(sorted);
  if (sorted.length > 0 && sorted[0] > 0) {
    const logs = sorted.map(Math.log);
    if (Math.abs(skewnessOf(logs)) < Math.abs(skewnessOf(sorted))) return spreadOf(logs, true, whole);
  }
  return spreadOf(sorted, false, whole);
}

function spreadOf(sorted: Float64Array, onLogs: boolean, wholeNumbers: boolean): Spread {
  const [q1, median, q3] = [0.25, 0.5, 0.75].map((p) => quantile(sorted, p));
  const mad = medianDeviation(sorted, median);
  let meanDeviation = 0;
  if (mad === 0) for (let i = 0; i < sorted.length; i++) meanDeviation += Math.abs(sorted[i] - median) / sorted.length;
  return {
    n: sorted.length,
    onLogs,
    q1,
    median,
    q3,
    mad,
    meanDeviation,
    apart: [lastBeforeGap(sorted, -1, EMPTY_BETWEEN * (q3 - q1)), lastBeforeGap(sorted, 1, EMPTY_BETWEEN * (q3 - q1))],
    wholeNumbers,
  };
}

/** Going outwards from the middle: the first value behind a gap that is larger than some width; infinite if there is none. */
function lastBeforeGap(sorted: Float64Array, direction: 1 | -1, width: number): number {
  for (let i = sorted.length >> 1; i + direction >= 0 && i + direction < sorted.length; i += direction) {
    if (Math.abs(sorted[i + direction] - sorted[i]) > width) return sorted[i + direction];
  }
  return direction * Number.POSITIVE_INFINITY;
}

function allWhole(values: Float64Array): boolean {
  return values.every((value) => Number.isInteger(value));
}

/** Median absolute deviation of sorted values: walks outwards from the median, so that nothing is sorted again. */
function medianDeviation(sorted: Float64Array, median: number): number {
  const n = sorted.length;
  if (n === 0) return Number.NaN;
  let above = Math.floor(n / 2);
  let below = above - 1;
  const [lower, upper] = [Math.floor((n - 1) / 2), Math.ceil((n - 1) / 2)];
  let atLower = 0;
  for (let rank = 0; ; rank++) {
    const up = above < n ? Math.abs(sorted[above] - median) : Number.POSITIVE_INFINITY;
    const down = below >= 0 ? Math.abs(median - sorted[below]) : Number.POSITIVE_INFINITY;
    const deviation = Math.min(up, down);
    if (up <= down) above++;
    else below--;
    if (rank === lower) atLower = deviation;
    if (rank === upper) return (atLower + deviation) / 2;
  }
}

/** g1, to compare two scales by. */
function skewnessOf(values: Float64Array): number {
  const n = values.length;
  let mean = 0;
  for (let i = 0; i < n; i++) mean += values[i] / n;
  let m2 = 0;
  let m3 = 0;
  for (let i = 0; i < n; i++) {
    const deviation = values[i] - mean;
    m2 += deviation * deviation;
    m3 += deviation * deviation * deviation;
  }
  return (Math.sqrt(n) * m3) / m2 ** 1.5;
}

function zOf(value: number, { onLogs, median, mad, meanDeviation }: Spread): number {
  const deviation = (onLogs ? Math.log(value) : value) - median;
  if (mad > 0) return (MAD_TO_SD * deviation) / mad;
  if (deviation !== deviation) return deviation;
  return meanDeviation > 0 ? deviation / (MEAN_DEVIATION_TO_SD * meanDeviation) : 0;
}

function isApart(value: number, { onLogs, apart: [low, high] }: Spread): boolean {
  const judged = onLogs ? Math.log(value) : value;
  return judged <= low || judged >= high;
}

function isFarOut(value: number, spread: Spread): boolean {
  return isBeyond(value, spread, OUTER_FENCE) && spread.q3 > spread.q1;
}

function isBeyond(value: number, { onLogs, q1, q3 }: Spread, reach: number): boolean {
  const judged = onLogs ? Math.log(value) : value;
  return judged < q1 - reach * (q3 - q1) || judged > q3 + reach * (q3 - q1);
}

/** The value with its point moved by one place, if that makes it fit. */
function slipOf(value: number, spread: Spread): number | null {
  if (spread.wholeNumbers) return null;
  return SLIPS.map((factor) => moved(value, factor)).find((moves) => !isBeyond(moves, spread, INNER_FENCE)) ?? null;
}

/** Moves the point in the decimal digits, so that 17.29 becomes 1.729 without rounding noise. */
function moved(value: number, factor: number): number {
  const [digits, exponent] = value.toExponential().split('e');
  return Number(`${digits}e${Number(exponent) - Math.round(Math.log10(factor))}`);
}
