import { casesOf } from '../columns/cases';
import { listwiseColumns } from '../columns/complete-rows';
import { assertMethod } from '../correlation/assert-method';
import { METHODS } from '../correlation/methods';
import { assertLevel, assertPositiveInteger, assertSameLength } from '../correlation/options';
import type { Interval, Method } from '../correlation/types';
import { bootstrapInterval } from './bootstrap-interval';

export interface ClusterBootstrapOptions {
  method: Method;
  /** Default 2,000. */
  replicates?: number;
  /** Default 1. The same seed gives the same interval. */
  seed?: number;
  /** Default .95. */
  level?: number;
  onProgress?: (done: number) => void;
}

export interface ClusterBootstrap {
  readonly coefficient: number;
  readonly n: number;
  /** Identifiers among the rows, each drawn with all its rows. */
  readonly identifiers: number;
  /** null with fewer than ten identifiers, and where too many samples had no coefficient. */
  readonly interval: Interval | null;
  /** SD of Fisher’s z among the samples, from that of the coefficient; NaN where there is no interval. */
  readonly spreadOfZ: number;
  readonly replicates: number;
  readonly seed: number;
}

/** Fewer identifiers than this say too little of others. */
const FEWEST_IDENTIFIERS = 10;

/**
 * Percentile bootstrap interval where rows belong together: identifiers are drawn with all their rows, so that what repeats
 * inside one does not count as new.
 * Source: Davison & Hinkley (1997), section 3.8; percentile Efron (1979). Rows with a missing value or identifier (NaN) are
 * left out.
 * @param identifiers which case each row belongs to
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 *
 * @example
 * clusterBootstrap(Float64Array.of(1, 2, 3, 4), Float64Array.of(2, 1, 4, 3), Float64Array.of(1, 1, 2, 2),
 *   { method: 'pearson' }).identifiers; // 2
 */
export function clusterBootstrap(
  x: Float64Array,
  y: Float64Array,
  identifiers: Float64Array,
  { method, replicates = 2000, seed = 1, level = 0.95, onProgress }: ClusterBootstrapOptions,
): ClusterBootstrap {
  assertMethod(method);
  assertSameLength(x, y, identifiers);
  assertLevel(level);
  assertPositiveInteger('replicates', replicates);
  const [a, b, labels] = listwiseColumns([x, y, identifiers]);
  const { caseOf, count } = casesOf(labels);
  const members = Array.from({ length: count }, (): number[] => []);
  for (let row = 0; row < caseOf.length; row++) members[caseOf[row]].push(row);
  const entry = METHODS[method];
  const { coefficient } = entry.test(a, b, { p: 'approximate' });
  const facts = { coefficient, n: a.length, identifiers: count, replicates, seed };
  if (count < FEWEST_IDENTIFIERS || Number.isNaN(coefficient)) return { ...facts, interval: null, spreadOfZ: Number.NaN };
  const most = count * members.reduce((largest, { length }) => Math.max(largest, length), 0);
  const statistic = entry.resampled(lengthened(a, most), lengthened(b, most));
  const rows = new Int32Array(most);
  const { interval, standardError } = bootstrapInterval({
    n: count,
    statistic: (drawn) => {
      let n = 0;
      for (let k = 0; k < drawn.length; k++) for (const row of members[drawn[k]]) rows[n++] = row;
      return statistic(rows.subarray(0, n));
    },
    replicates,
    seed,
    level,
    ...(onProgress ? { onProgress } : {}),
  });
  return {
    ...facts,
    interval: interval && { ...interval, method: 'bootstrap-clusters' },
    spreadOfZ: interval ? standardError / ((1 - coefficient) * (1 + coefficient)) : Number.NaN,
  };
}

/** The same values with room for the largest sample: what is behind them is never drawn. */
function lengthened(column: Float64Array, length: number): Float64Array {
  const longer = new Float64Array(Math.max(length, column.length)).fill(column[0]);
  longer.set(column);
  return longer;
}
