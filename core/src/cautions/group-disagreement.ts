import { compareIndependent, type IndependentComparison } from '../comparison/compare-independent';
import { groupRows } from '../comparison/grouped-rows';
import { adjustPValues } from '../correlation/adjust-p-values';
import { assertMethod } from '../correlation/assert-method';
import { METHODS } from '../correlation/methods';
import type { CorrelationTest, Method } from '../correlation/types';

export interface GroupDisagreement {
  readonly pooled: CorrelationTest;
  readonly groups: readonly { readonly label: number; readonly test: CorrelationTest }[];
  readonly comparison: IndependentComparison;
  /** The groups' coefficients differ (test of homogeneity at α). */
  readonly differ: boolean;
  /** The coefficient over all rows is significant, and every tested group has the other sign. */
  readonly reversed: boolean;
  /** Hardly any coefficient over all rows, but a clear one in some group, and the groups differ. */
  readonly hidden: boolean;
  /** Two groups of opposite sign are both significant after Holm. */
  readonly opposed: boolean;
}

const HARDLY_ANY = 0.1;
const CLEAR = 0.3;

/**
 * Do groups tell another story than all rows together? (Simpson 1951.)
 *
 * Reversed: over all rows p < α and every tested group of the other sign. Hidden: |coefficient| < .10 over all rows, some
 * group ≥ .30 with p < α after Holm (1979), and the groups differ (`compareIndependent`).
 * @param labels a group for each row; NaN is left out
 * @throws {RangeError} columns of unequal length or an unknown method.
 *
 * @example
 * groupDisagreement(Float64Array.of(1, 2, 3, 4, 5, 1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5, 5, 3, 4, 1, 2),
 *   Float64Array.of(0, 0, 0, 0, 0, 1, 1, 1, 1, 1), { method: 'pearson' }).comparison.pValue; // 0.0280044
 */
export function groupDisagreement(
  x: Float64Array,
  y: Float64Array,
  labels: Float64Array,
  { method, alpha = 0.05 }: { method: Method; alpha?: number },
): GroupDisagreement {
  assertMethod(method);
  const { test } = METHODS[method];
  const groups = groupRows(x, y, labels).map((group) => ({ label: group.label, test: test(group.x, group.y) }));
  const pooled = test(x, y);
  const comparison = compareIndependent(
    groups.map(({ test: { coefficient, n, zVariance } }) => ({ coefficient, n, zVariance })),
    { method },
  );
  const tested = groups.filter((_, k) => !comparison.untested.includes(k));
  const adjusted = adjustPValues(
    tested.map((group) => group.test.pValue),
    'holm',
  );
  const differ = comparison.pValue < alpha;
  const significant = (sign: 1 | -1) => tested.some(({ test: { coefficient } }, k) => coefficient * sign > 0 && adjusted[k] <= alpha);
  const clear = tested.some((group, k) => Math.abs(group.test.coefficient) >= CLEAR && adjusted[k] < alpha);
  return {
    pooled,
    groups,
    comparison,
    differ,
    reversed: pooled.pValue < alpha && tested.length > 0 && tested.every((group) => group.test.coefficient * pooled.coefficient < 0),
    hidden: Math.abs(pooled.coefficient) < HARDLY_ANY && clear && differ,
    opposed: significant(1) && significant(-1),
  };
}
