import { adjustPValues } from '../correlation/adjust-p-values';
import type { Method } from '../correlation/types';
import type { GroupCoefficient } from './coefficient';
import { compareIndependent, type IndependentComparison } from './compare-independent';

/** A coefficient over all rows, or in one group, with its two-sided p. */
export type JudgedCoefficient = GroupCoefficient & { readonly pValue: number };

export interface GroupsJudged {
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

/** Whether the groups tell another story than all rows together; see `groupDisagreement`. */
export function judgeGroups(
  pooled: JudgedCoefficient,
  groups: readonly JudgedCoefficient[],
  { method, alpha = 0.05, level = 0.95 }: { method: Method; alpha?: number; level?: number },
): GroupsJudged {
  const comparison = compareIndependent(groups, { method, level });
  const untested = new Set(comparison.untested);
  const tested = groups.filter((_, k) => !untested.has(k));
  const adjusted = adjustPValues(
    tested.map(({ pValue }) => pValue),
    'holm',
  );
  const differ = comparison.pValue < alpha;
  const significant = (sign: 1 | -1) => tested.some(({ coefficient }, k) => coefficient * sign > 0 && adjusted[k] <= alpha);
  const clear = tested.some(({ coefficient }, k) => Math.abs(coefficient) >= CLEAR && adjusted[k] < alpha);
  return {
    comparison,
    differ,
    reversed: pooled.pValue < alpha && tested.length > 0 && tested.every(({ coefficient }) => coefficient * pooled.coefficient < 0),
    hidden: Math.abs(pooled.coefficient) < HARDLY_ANY && clear && differ,
    opposed: significant(1) && significant(-1),
  };
}
