import { sortedValues } from '../columns/complete-rows';
import { quantile } from './quantile';

export interface Histogram {
  /** Bin edges, one more than there are counts; the last bin holds its upper edge. */
  readonly edges: Float64Array;
  readonly counts: Int32Array;
}

/** A fixed number of bins; about so many, or Freedman & Diaconis's rule, in widths that suit how the values are rounded. */
export type BinRule = 'freedman-diaconis' | { readonly bins: number } | { readonly about: number };

const MOST_BINS = 100;

/**
 * Histogram of equal bins.
 *
 * Values that are rounded (whole numbers, tenths) have bins whose width is a multiple of that step and whose edges lie
 * between the values, so that a scale from 1 to 7 has seven bars and no bar is empty for the rounding alone; others, and a
 * fixed number of bins, go from the smallest to the largest value. Source: width 2·IQR·n^(−1/3), Freedman & Diaconis (1981); Sturges (1926) where the IQR is 0; at most 100 bins.
 * A constant column gives one bin; no values give none. Missing values (NaN) are left out.
 * @throws {RangeError} a number of bins that is not a positive integer.
 *
 * @example
 * histogram(Float64Array.of(1, 2, 2, 3, 3, 3)).counts; // [1, 2, 3]
 */
export function histogram(x: Float64Array, rule: BinRule = 'freedman-diaconis'): Histogram {
  const sorted = sortedValues(x);
  const n = sorted.length;
  if (n === 0) return { edges: new Float64Array(0), counts: new Int32Array(0) };
  const low = sorted[0];
  const high = sorted[n - 1];
  if (low === high) return { edges: Float64Array.of(low, high), counts: Int32Array.of(n) };

  const step = typeof rule === 'object' && 'bins' in rule ? null : roundingOf(sorted);
  if (step !== null) return onGrid(sorted, step, rule);
  const bins = binCount(sorted, rule);
  // Halves first: high − low overflows where the two are of opposite sign and near the largest number.
  const width = (high / 2 - low / 2) * (2 / bins);
  const edges = Float64Array.from({ length: bins + 1 }, (_, i) => (i === bins ? high : low + i * width));
  return { edges, counts: countsBetween(sorted, edges) };
}

function countsBetween(sorted: Float64Array, edges: Float64Array): Int32Array {
  const counts = new Int32Array(edges.length - 1);
  let bin = 0;
  for (let i = 0; i < sorted.length; i++) {
    while (bin < counts.length - 1 && sorted[i] >= edges[bin + 1]) bin++;
    counts[bin]++;
  }
  return counts;
}

/** A scale of up to so many steps has a bar for each, unless so many bins are not asked for. */
const FEW_STEPS = 12;

/** Bins as wide as whole steps, about as many as wanted, with their edges half a step beside the values. */
function onGrid(sorted: Float64Array, step: number, rule: BinRule): Histogram {
  const [low, high] = [sorted[0], sorted[sorted.length - 1]];
  const steps = Math.round((high - low) / step) + 1;
  const few = rule === 'freedman-diaconis' && steps <= FEW_STEPS;
  const each = few ? 1 : Math.max(1, Math.round(steps / binCount(sorted, rule)));
  const edges = Float64Array.from({ length: Math.ceil(steps / each) + 1 }, (_, i) => low + (i * each - 0.5) * step);
  return { edges, counts: countsBetween(sorted, edges) };
}

/** Decimals beyond the first digit of the largest value at which rounding is looked for. */
const MOST_DECIMALS = 6;
/** A decimal fraction is this near to its double, relative to the number of steps. */
const ROUNDING = 1e-9;

/** The step of ten to which all values are rounded, 1 at most; null where they are not, or lie more steps apart than count. */
function roundingOf(sorted: Float64Array): number | null {
  const largest = Math.max(Math.abs(sorted[0]), Math.abs(sorted[sorted.length - 1]));
  // At a coarser step all values would be 0 but for rounding.
  const first = Math.max(0, Math.ceil(-Math.log10(2 * largest)));
  for (let decimals = first; decimals <= first + MOST_DECIMALS; decimals++) {
    const scale = 10 ** decimals;
    if (largest * scale > 1 / ROUNDING) return null;
    if (sorted.every((value) => Math.abs(value * scale - Math.round(value * scale)) <= ROUNDING * Math.max(1, Math.abs(value * scale)))) {
      return 1 / scale;
    }
  }
  return null;
}

function binCount(sorted: Float64Array, rule: BinRule): number {
  const n = sorted.length;
  if (rule !== 'freedman-diaconis') {
    const bins = 'bins' in rule ? rule.bins : rule.about;
    if (!Number.isInteger(bins) || bins < 1) throw new RangeError(`bins must be a positive integer; got ${bins}`);
    return bins;
  }
  const iqr = quantile(sorted, 0.75) - quantile(sorted, 0.25);
  const range = sorted[n - 1] - sorted[0];
  const wanted = iqr > 0 ? Math.ceil((range * Math.cbrt(n)) / (2 * iqr)) : Math.ceil(Math.log2(n)) + 1;
  return Math.max(1, Math.min(MOST_BINS, wanted));
}
