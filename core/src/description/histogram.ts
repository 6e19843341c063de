import { sortedValues } from '../columns/complete-rows';
import { quantile } from './quantile';

export interface Histogram {
  /** Bin edges, one more than there are counts; the last bin holds its upper edge. */
  readonly edges: Float64Array;
  readonly counts: Int32Array;
}

/** A fixed number of bins, or Freedman & Diaconis's rule for the width. */
export type BinRule = 'freedman-diaconis' | { readonly bins: number };

const MOST_BINS = 100;

/**
 * Histogram of equal bins from the smallest to the largest value.
 *
 * Source: width 2·IQR·n^(−1/3), Freedman & Diaconis (1981); Sturges (1926) where the IQR is 0; at most 100 bins.
 * A constant column gives one bin; no values give none. Missing values (NaN) are left out.
 * @throws {RangeError} a number of bins that is not a positive integer.
 */
export function histogram(x: Float64Array, rule: BinRule = 'freedman-diaconis'): Histogram {
  const sorted = sortedValues(x);
  const n = sorted.length;
  if (n === 0) return { edges: new Float64Array(0), counts: new Int32Array(0) };
  const low = sorted[0];
  const high = sorted[n - 1];
  if (low === high) return { edges: Float64Array.of(low, high), counts: Int32Array.of(n) };

  const bins = binCount(sorted, rule);
  // Halves first: high − low overflows where the two are of opposite sign and near the largest number.
  const width = (high / 2 - low / 2) * (2 / bins);
  const edges = Float64Array.from({ length: bins + 1 }, (_, i) => (i === bins ? high : low + i * width));
  const counts = new Int32Array(bins);
  let bin = 0;
  for (let i = 0; i < n; i++) {
    while (bin < bins - 1 && sorted[i] >= edges[bin + 1]) bin++;
    counts[bin]++;
  }
  return { edges, counts };
}

function binCount(sorted: Float64Array, rule: BinRule): number {
  const n = sorted.length;
  if (rule !== 'freedman-diaconis') {
    if (!Number.isInteger(rule.bins) || rule.bins < 1) throw new RangeError(`bins must be a positive integer; got ${rule.bins}`);
    return rule.bins;
  }
  const iqr = quantile(sorted, 0.75) - quantile(sorted, 0.25);
  const range = sorted[n - 1] - sorted[0];
  const wanted = iqr > 0 ? Math.ceil((range * Math.cbrt(n)) / (2 * iqr)) : Math.ceil(Math.log2(n)) + 1;
  return Math.max(1, Math.min(MOST_BINS, wanted));
}
