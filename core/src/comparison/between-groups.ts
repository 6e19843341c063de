import { centreColumn } from '../columns/centre';
import { correlationP } from '../correlation/correlation-p';
import { pearson } from '../correlation/pearson';
import type { Alternative, CorrelationTest } from '../correlation/types';
import { toUnitLength, unitProduct } from '../correlation/unit-product';
import { NO_PROBABILITY } from '../distributions/tail-probability';
import { groupRows } from './grouped-rows';

/** Fewer means than this leave no degrees of freedom. */
const FEWEST = 3;

export interface BetweenGroups {
  /** Groups with a complete row. */
  readonly groups: number;
  /** Each group's means count as often as it has rows. */
  readonly weighted: { readonly coefficient: number; readonly df: number; readonly pValue: number; readonly log10P: number };
  /** Each group's means count once. */
  readonly unweighted: CorrelationTest;
  /** Of each group, as deviations from the mean of all rows by a power of two: in these no digit of a large mean is lost. */
  readonly means: { readonly x: Float64Array; readonly y: Float64Array };
}

/**
 * Correlation of the groups' means: whether groups high in one variable are high in the other, which says nothing of the
 * rows inside them.
 * Source: Bland & Altman (1995), part 2: means weighted by rows, t on k − 2 degrees of freedom for k groups.
 * @param labels a group for each row; rows with a missing value or label are left out
 * @param options.alternative of both tests. Default two-sided
 * @throws {RangeError} columns of unequal length.
 *
 * @example
 * betweenGroups(Float64Array.of(1, 3, 4, 6, 8, 9), Float64Array.of(2, 2, 5, 3, 4, 9),
 *   Float64Array.of(0, 0, 1, 1, 2, 2)).weighted.coefficient; // 0.999806
 */
export function betweenGroups(
  x: Float64Array,
  y: Float64Array,
  labels: Float64Array,
  { alternative = 'two-sided' }: { alternative?: Alternative } = {},
): BetweenGroups {
  const split = groupRows(x, y, labels);
  const means = (of: 'x' | 'y') => meansOf(split.map((group) => group[of]));
  const sizes = split.map((group) => group.x.length);
  const [meansX, meansY] = [means('x'), means('y')];
  const [u, v] = [weightedDeviations(meansX, sizes), weightedDeviations(meansY, sizes)];
  const df = split.length - 2;
  const unweighted = pearson(meansX, meansY, { alternative });
  const facts = { groups: split.length, unweighted, means: { x: meansX, y: meansY } };
  if (!u || !v || split.length < FEWEST) {
    return { ...facts, weighted: { coefficient: Number.NaN, df, ...NO_PROBABILITY } };
  }
  const { r, oneMinusAbs } = unitProduct(u, v);
  const { pValue, log10P } = correlationP(r, oneMinusAbs, df, alternative);
  return { ...facts, weighted: { coefficient: r, df, pValue, log10P } };
}

/** Means of groups, from the values of all of them centred together. */
function meansOf(groups: readonly Float64Array[]): Float64Array {
  const all = new Float64Array(groups.reduce((sum, { length }) => sum + length, 0));
  let end = 0;
  for (const group of groups) {
    all.set(group, end);
    end += group.length;
  }
  const { centred } = centreColumn(all);
  let from = 0;
  return Float64Array.from(groups, ({ length }) => {
    const { mean } = centreColumn(centred.subarray(from, from + length));
    from += length;
    return mean;
  });
}

/** √w times the deviations from the weighted mean, of unit length; null where the means are all the same. */
function weightedDeviations(means: Float64Array, sizes: readonly number[]): Float64Array | null {
  const { centred, constant } = centreColumn(means);
  if (constant) return null;
  const total = sizes.reduce((sum, size) => sum + size, 0);
  const mean = centred.reduce((sum, value, k) => sum + sizes[k] * value, 0) / total;
  const deviations = centred.map((value, k) => Math.sqrt(sizes[k]) * (value - mean));
  toUnitLength(deviations);
  return deviations;
}
