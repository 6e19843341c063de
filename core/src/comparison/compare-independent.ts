import { type Adjustment, adjustPValues } from '../correlation/adjust-p-values';
import { assertMethod } from '../correlation/assert-method';
import type { VarianceKind } from '../correlation/methods';
import { assertAlternative, assertLevel } from '../correlation/options';
import type { Alternative, Interval, Method } from '../correlation/types';
import { fisherZ } from '../correlation/z-variance';
import { chiSquaredP } from '../distributions/chi-squared';
import { normalP } from '../distributions/tail-probability';
import { assertCoefficient, assertSize, type GroupCoefficient, givenCoefficient, intervalOf, varianceOf } from './coefficient';
import { zouInterval } from './zou-interval';

export interface CompareOptions {
  method: Method;
  /** Of the first coefficient less the second; two groups only. Default 'two-sided'. */
  alternative?: Alternative;
  /** Default .95. */
  level?: number;
  /** Default: the method's own variance of z. */
  variance?: VarianceKind;
}

export type { GroupCoefficient };

export interface IndependentComparison {
  /** Homogeneity of all groups that could be tested: Q on their number less one degrees of freedom. */
  readonly q: number;
  readonly df: number;
  /** Of z for two groups, of Q for more. */
  readonly pValue: number;
  readonly log10P: number;
  /** z₁ − z₂ in standard errors; NaN unless there are two groups. */
  readonly z: number;
  /** Cohen's q = z₁ − z₂; NaN unless there are two groups. */
  readonly cohensQ: number;
  /** Of the difference of two groups. */
  readonly interval: Interval | null;
  /** tanh of the weighted mean of z over the groups tested. */
  readonly pooled: number;
  /** Numbers of the groups that are too small or have no z; they are shown, not tested. */
  readonly untested: readonly number[];
}

/**
 * Compares correlation coefficients of independent groups.
 *
 * Source: Fisher (1921) for two groups; Q of k groups Hedges & Olkin (1985), ch. 11; Cohen's q Cohen (1988), ch. 4;
 * interval of the difference Zou (2007). Variance of z 1/(n − 3) for r, (1 + ρ²/2)/(n − 3) for ρ (Bonett & Wright 2000),
 * .437/(n − 4) for τ (Fieller, Hartley & Pearson 1957), unless a group brings the one measured on its rows, which for τ
 * counts ties. Groups below n = 4 (Kendall 5) and coefficients of ±1 or NaN are
 * not tested; fewer than two testable groups give NaN.
 * @throws {RangeError} a coefficient outside [−1, 1], a size that is no whole number, or an option that does not exist.
 *
 * @example
 * compareIndependent([{ coefficient: 0.6, n: 50 }, { coefficient: 0.2, n: 60 }],
 *   { method: 'pearson' }).pValue; // 0.0128086
 */
export function compareIndependent(
  groups: readonly GroupCoefficient[],
  { method, alternative = 'two-sided', level = 0.95, variance = 'default' }: CompareOptions,
): IndependentComparison {
  assertMethod(method);
  assertAlternative(alternative);
  assertLevel(level);
  groups.forEach(({ coefficient, n }, k) => {
    assertCoefficient(`coefficient ${k + 1}`, coefficient);
    assertSize(n);
  });
  const isTestable = (group: GroupCoefficient) => Math.abs(group.coefficient) < 1 && varianceOf(method, group, variance) > 0;
  const tested = groups.filter(isTestable);
  const untested = groups.flatMap((group, k) => (isTestable(group) ? [] : [k]));
  const zs = tested.map(({ coefficient }) => fisherZ(givenCoefficient(coefficient)));
  const weights = tested.map((group) => 1 / varianceOf(method, group, variance));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const mean = zs.reduce((sum, z, k) => sum + weights[k] * z, 0) / total;
  const pooled = tested.length > 0 ? Math.tanh(mean) : Number.NaN;
  const df = Math.max(0, tested.length - 1);
  if (df === 0) {
    return {
      q: Number.NaN,
      df,
      pValue: Number.NaN,
      log10P: Number.NaN,
      z: Number.NaN,
      cohensQ: Number.NaN,
      interval: null,
      pooled,
      untested,
    };
  }
  const q = zs.reduce((sum, z, k) => sum + weights[k] * (z - mean) ** 2, 0);
  if (groups.length !== 2) return { q, df, ...chiSquaredP(q, df), z: Number.NaN, cohensQ: Number.NaN, interval: null, pooled, untested };
  const cohensQ = zs[0] - zs[1];
  const z = cohensQ / Math.sqrt(1 / weights[0] + 1 / weights[1]);
  const [first, second] = tested.map((group) => intervalOf(method, group, level, variance));
  const interval = zouInterval(tested[0].coefficient, tested[1].coefficient, first, second);
  return { q, df, ...normalP(z, alternative), z, cohensQ, interval, pooled, untested };
}

export interface PairwiseComparison extends IndependentComparison {
  readonly first: number;
  readonly second: number;
  readonly adjustedP: number;
}

/**
 * Compares every two groups; p-values are adjusted for the number of comparisons. See `compareIndependent`.
 *
 * @example
 * comparePairwise([{ coefficient: 0.6, n: 50 }, { coefficient: 0.2, n: 60 }, { coefficient: 0.1, n: 40 }],
 *   { method: 'pearson', adjust: 'holm' }).map(({ adjustedP }) => adjustedP); // [0.0256172, 0.0209722, 0.62766]
 */
export function comparePairwise(
  groups: readonly GroupCoefficient[],
  options: CompareOptions & { adjust: Adjustment },
): PairwiseComparison[] {
  const pairs = groups.flatMap((_, i) => groups.slice(i + 1).map((__, k) => [i, i + 1 + k] as const));
  const compared = pairs.map(([first, second]) => ({ first, second, ...compareIndependent([groups[first], groups[second]], options) }));
  const adjusted = adjustPValues(
    compared.map(({ pValue }) => pValue),
    options.adjust,
  );
  return compared.map((comparison, k) => ({ ...comparison, adjustedP: adjusted[k] }));
}
