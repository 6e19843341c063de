import { groupRows } from '../comparison/grouped-rows';
import { type GroupsJudged, judgeGroups } from '../comparison/judge-groups';
import { assertMethod } from '../correlation/assert-method';
import { METHODS } from '../correlation/methods';
import type { CorrelationTest, Method } from '../correlation/types';

export interface GroupDisagreement extends GroupsJudged {
  readonly pooled: CorrelationTest;
  readonly groups: readonly { readonly label: number; readonly test: CorrelationTest }[];
}

/**
 * Do groups tell another story than all rows together? (Simpson 1951.)
 *
 * Reversed: over all rows p < α and every tested group of the other sign. Hidden: |coefficient| < .10 over all rows, some
 * group ≥ .30 with p < α after Holm (1979), and the groups differ (`compareIndependent`).
 * @param labels a group for each row; NaN is left out of the groups
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
  const judged = judgeGroups(
    pooled,
    groups.map((group) => group.test),
    { method, alpha },
  );
  return { pooled, groups, ...judged };
}
