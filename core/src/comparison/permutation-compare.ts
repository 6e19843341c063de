import { joined } from '../columns/joined';
import { assertMethod } from '../correlation/assert-method';
import { METHODS, type MethodEntry } from '../correlation/methods';
import { assertPositiveInteger } from '../correlation/options';
import type { Method } from '../correlation/types';
import { Random } from '../random/random';
import { REPORTED_EVERY } from '../resampling/bootstrap-interval';
import { standardize } from '../transformation/standard-scales';
import { groupRows } from './grouped-rows';

export interface PermutationComparison {
  readonly method: Method;
  /** Weighted squares of the groups' z about their mean, as observed; weights by n alone. */
  readonly q: number;
  readonly pValue: number;
  readonly asExtreme: number;
  readonly permutations: number;
  readonly seed: number;
  /** Labels of the groups that are not tested: too small, without variation, or with a coefficient of exactly ±1. */
  readonly untested: readonly number[];
}

export interface PermutationCompareOptions {
  method: Method;
  /** Default 9,999. */
  permutations?: number;
  /** Default 1. */
  seed?: number;
  /** Told now and then how many permutations are done. */
  onProgress?: (done: number) => void;
}

const ROUNDING = 1e-12;
const FEWEST = 5;

/**
 * Permutation test that groups do not differ in a correlation.
 *
 * Both variables are standardized within each group (ranks: ranked within, then standardized), so that groups may differ
 * in mean and spread; then rows are shuffled among the groups. Statistic: Σw(z − z̄)² with weights by n alone, so that every
 * split is measured alike. A group whose coefficient is exactly ±1 has no z and is left out; a shuffled split that has
 * such a group counts as at least as extreme. The hypothesis is equality of the standardized joint distributions.
 * p = (b + 1)/(m + 1), Phipson & Smyth (2010); with fewer than two groups left all is NaN.
 * @param groups a label for each row; groups of fewer than five complete rows are not tested
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 *
 * @example
 * permutationCompare(Float64Array.of(1, 2, 3, 4, 5, 1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5, 5, 3, 4, 1, 2),
 *   Float64Array.of(0, 0, 0, 0, 0, 1, 1, 1, 1, 1), { method: 'pearson', permutations: 999 }).untested; // []
 */
export function permutationCompare(
  x: Float64Array,
  y: Float64Array,
  groups: Float64Array,
  { method, permutations = 9999, seed = 1, onProgress }: PermutationCompareOptions,
): PermutationComparison {
  assertMethod(method);
  assertPositiveInteger('permutations', permutations);
  const entry = METHODS[method];
  const scale = (values: Float64Array) => standardize(entry.scale(values)).values;
  const scaled = groupRows(x, y, groups).map((group) => ({ label: group.label, x: scale(group.x), y: scale(group.y) }));
  const isTestable = ({ x: u, y: v }: (typeof scaled)[number]) =>
    u !== null && v !== null && u.length >= FEWEST && Math.abs(entry.test(u, v, { p: 'approximate' }).coefficient) < 1;
  const tested = scaled.filter(isTestable).flatMap((group) => (group.x && group.y ? [{ x: group.x, y: group.y }] : []));
  const untested = scaled.filter((group) => !isTestable(group)).map(({ label }) => label);
  const none = { method, q: Number.NaN, pValue: Number.NaN, asExtreme: 0, permutations, seed, untested };
  if (tested.length < 2) return none;
  const [u, v] = (['x', 'y'] as const).map((of) =>
    joined(
      tested.map((group) => group[of]),
      Float64Array,
    ),
  );
  const order = Int32Array.from({ length: u.length }, (_, i) => i);
  const statistic = spreadOfSplit(
    entry,
    tested.map((group) => group.x.length),
    entry.resampled(u, v),
  );
  const q = statistic(order);
  const random = new Random(seed);
  let asExtreme = 0;
  for (let m = 0; m < permutations; m++) {
    random.shuffle(order);
    if (statistic(order) >= q * (1 - ROUNDING)) asExtreme++;
    if ((m + 1) % REPORTED_EVERY === 0 || m + 1 === permutations) onProgress?.(m + 1);
  }
  return { ...none, q, asExtreme, pValue: (asExtreme + 1) / (permutations + 1) };
}

/** Σw(z − z̄)² of rows split into groups of these sizes, in order; infinite where a group's coefficient is ±1 or undefined. */
function spreadOfSplit({ zVariance }: MethodEntry, sizes: readonly number[], coefficient: (rows: Int32Array) => number) {
  const weights = sizes.map((n) => 1 / zVariance(0, n, 'default'));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return (order: Int32Array): number => {
    let start = 0;
    const zs = sizes.map((n) => {
      start += n;
      const r = coefficient(order.subarray(start - n, start));
      return Math.abs(r) < 1 - ROUNDING ? Math.atanh(r) : Number.POSITIVE_INFINITY;
    });
    const mean = zs.reduce((sum, z, k) => sum + weights[k] * z, 0) / total;
    return mean < Number.POSITIVE_INFINITY ? zs.reduce((sum, z, k) => sum + weights[k] * (z - mean) ** 2, 0) : mean;
  };
}
