import { assertLevel } from '../correlation/options';
import type { Interval } from '../correlation/types';
import { fP } from '../distributions/f-distribution';
import { studentUpperQuantile } from '../distributions/student-t';
import { NO_PROBABILITY } from '../distributions/tail-probability';
import { groupDeviations } from './group-deviations';
import { groupRows } from './grouped-rows';

/** Below this a line through a group's points leaves nothing to be judged by. */
const FEWEST = 3;
/** Squares about the lines below this share of those about the means are rounding noise: the points lie on the lines. */
const EXACT = 64 * Number.EPSILON * Number.EPSILON;

export interface GroupSlope {
  readonly label: number;
  readonly n: number;
  /** Units of y for each unit of x. */
  readonly slope: number;
  readonly intercept: number;
  readonly se: number;
  readonly interval: Interval | null;
}

export interface SlopesTest {
  readonly groups: readonly GroupSlope[];
  /** The slope that fits all groups best, each with an intercept of its own. */
  readonly commonSlope: number;
  readonly f: number;
  readonly df: number;
  readonly dfResidual: number;
  readonly pValue: number;
  readonly log10P: number;
  /** Labels of the groups left out: fewer than three rows, or x without variation. */
  readonly untested: readonly number[];
  readonly undefinedBecause?: 'too-few-groups' | 'too-few-cases' | 'exact-fit';
}

/**
 * Do the regression lines of y on x have the same slope in every group? F of own against common slopes, with own intercepts
 * in both, on k − 1 and N − 2k degrees of freedom: about the slope, not about how close the points lie to it.
 * Source: Cohen, Cohen, West & Aiken (2003), ch. 9. Where all points lie exactly on their group's line, F is NaN.
 * @param labels a group for each row; rows with a missing value or label are left out
 * @param options.level level of the slopes' intervals, default .95
 * @throws {RangeError} columns of unequal length, or a level outside (0, 1).
 *
 * @example
 * compareSlopes(Float64Array.of(1, 2, 3, 4, 1, 2, 3, 4), Float64Array.of(2, 4, 5, 8, 3, 3, 4, 3),
 *   Float64Array.of(0, 0, 0, 0, 1, 1, 1, 1)).pValue; // 0.00858092
 */
export function compareSlopes(
  x: Float64Array,
  y: Float64Array,
  labels: Float64Array,
  { level = 0.95 }: { level?: number } = {},
): SlopesTest {
  assertLevel(level);
  const all = groupRows(x, y, labels);
  const isTestable = (group: (typeof all)[number]) => group.x.length >= FEWEST && group.x.some((value) => value !== group.x[0]);
  const split = all.filter(isTestable);
  const untested = all.filter((group) => !isTestable(group)).map(({ label }) => label);
  const { u, v, scaleX, scaleY, means } = groupDeviations(split);
  const unit = scaleX / scaleY;
  let at = 0;
  const sums = split.map((group) => {
    at += group.x.length;
    return sumsOf(u.subarray(at - group.x.length, at), v.subarray(at - group.x.length, at));
  });
  const groups = split.map((group, k): GroupSlope => {
    const { sxx, slope, rest } = sums[k];
    const n = group.x.length;
    const se = Math.sqrt(rest / (n - 2) / sxx) * unit;
    const own = slope * unit;
    const reach = studentUpperQuantile((1 - level) / 2, n - 2) * se;
    return {
      label: group.label,
      n,
      slope: own,
      intercept: means[k].y - own * means[k].x,
      se,
      interval: { low: own - reach, high: own + reach, level, method: 't' },
    };
  });
  const total = (of: (one: (typeof sums)[number]) => number) => sums.reduce((sum, one) => sum + of(one), 0);
  const common = total(({ sxy }) => sxy) / total(({ sxx }) => sxx);
  const [n, k] = [u.length, split.length];
  const [df, dfResidual] = [Math.max(0, k - 1), n - 2 * k];
  const none = { groups, commonSlope: common * unit, f: Number.NaN, df, dfResidual, ...NO_PROBABILITY, untested };
  if (k < 2) return { ...none, undefinedBecause: 'too-few-groups' };
  if (dfResidual < 1) return { ...none, undefinedBecause: 'too-few-cases' };
  const rest = total((one) => one.rest);
  if (!(rest > EXACT * total(({ syy }) => syy))) return { ...none, undefinedBecause: 'exact-fit' };
  const between = total(({ sxx, slope }) => sxx * (slope - common) ** 2);
  const f = between / df / (rest / dfResidual);
  return { ...none, f, ...fP(f, df, dfResidual) };
}

function sumsOf(u: Float64Array, v: Float64Array) {
  let [sxx, sxy, syy] = [0, 0, 0];
  for (let i = 0; i < u.length; i++) {
    sxx += u[i] * u[i];
    sxy += u[i] * v[i];
    syy += v[i] * v[i];
  }
  const slope = sxy / sxx;
  let rest = 0;
  for (let i = 0; i < u.length; i++) rest += (v[i] - slope * u[i]) ** 2;
  return { sxx, sxy, syy, slope, rest };
}
