import { kendall } from '../correlation/kendall';
import { assertMethod, assertPositiveInteger } from '../correlation/options';
import { pearson } from '../correlation/pearson';
import { spearman } from '../correlation/spearman';
import type { Method } from '../correlation/types';
import { Random } from '../random/random';
import { midranks } from '../ranks/midranks';
import { standardize } from '../transformation/standard-scales';
import { compareIndependent } from './compare-independent';
import { groupRows } from './grouped-rows';

export interface PermutationComparison {
  readonly method: Method;
  /** Q of the groups as observed. */
  readonly q: number;
  readonly pValue: number;
  readonly asExtreme: number;
  readonly permutations: number;
  readonly seed: number;
  /** Labels of the groups that are too small or have no variation; they are not tested. */
  readonly untested: readonly number[];
}

const ROUNDING = 1e-12;
const COEFFICIENT = { pearson, spearman, kendall } as const;
const FEWEST = 5;

/**
 * Permutation test that groups do not differ in a correlation.
 *
 * Both variables are standardized within each group (ranks: ranked within, then standardized), so that groups may differ
 * in mean and spread; then rows are shuffled among the groups. Statistic: Q of `compareIndependent`. The hypothesis is
 * equality of the standardized joint distributions. p = (b + 1)/(m + 1), Phipson & Smyth (2010).
 * @param groups a label for each row; groups of fewer than five complete rows are not tested
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 */
export function permutationCompare(
  x: Float64Array,
  y: Float64Array,
  groups: Float64Array,
  { method, permutations = 9999, seed = 1 }: { method: Method; permutations?: number; seed?: number },
): PermutationComparison {
  assertMethod(method);
  assertPositiveInteger('permutations', permutations);
  const split = groupRows(x, y, groups);
  const scale = (values: Float64Array) => standardize(method === 'pearson' ? values : midranks(values)).values;
  const scaled = split.map((group) => ({ label: group.label, x: scale(group.x), y: scale(group.y) }));
  const tested = scaled.flatMap((group) => (group.x && group.y && group.x.length >= FEWEST ? [{ x: group.x, y: group.y }] : []));
  const untested = scaled.filter((group) => !group.x || !group.y || group.x.length < FEWEST).map(({ label }) => label);
  const none = { method, q: Number.NaN, pValue: Number.NaN, asExtreme: 0, permutations, seed, untested };
  if (tested.length < 2) return none;
  const [u, v] = [concatenated(tested.map((group) => group.x)), concatenated(tested.map((group) => group.y))];
  const ends = tested.map((_, k) => tested.slice(0, k + 1).reduce((sum, group) => sum + group.x.length, 0));
  const order = Int32Array.from({ length: u.length }, (_, i) => i);
  const statistic = () => {
    const coefficients = ends.map((end, k) => {
      const rows = order.subarray(k === 0 ? 0 : ends[k - 1], end);
      const pick = (values: Float64Array) => Float64Array.from(rows, (row) => values[row]);
      return { coefficient: COEFFICIENT[method](pick(u), pick(v), { p: 'approximate' }).coefficient, n: rows.length };
    });
    return compareIndependent(coefficients, { method }).q;
  };
  const q = statistic();
  const random = new Random(seed);
  let asExtreme = 0;
  for (let m = 0; m < permutations; m++) {
    random.shuffle(order);
    if (statistic() >= q * (1 - ROUNDING)) asExtreme++;
  }
  return { ...none, q, asExtreme, pValue: (asExtreme + 1) / (permutations + 1) };
}

function concatenated(parts: readonly Float64Array[]): Float64Array {
  const whole = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}
