import { assertMethod } from '../correlation/assert-method';
import { fisherInterval } from '../correlation/fisher-interval';
import { assertLevel } from '../correlation/options';
import type { Interval, Method } from '../correlation/types';
import { fisherZ } from '../correlation/z-variance';
import { assertCoefficient, assertSize, type GroupCoefficient, givenCoefficient, varianceOf } from './coefficient';

/** Of two groups there is nothing to be told of a spread of population coefficients. */
const FEWEST_GROUPS = 3;

/** How much of the spread of groups' coefficients is more than chance, and the coefficient of a group drawn among such. */
export interface RandomEffects {
  /** Groups that enter. */
  readonly groups: number;
  /** The share of the spread that is more than chance, 0 to 1; imprecise for few groups. */
  readonly iSquared: number;
  /** Variance of the groups' population z. */
  readonly tauSquared: number;
  readonly coefficient: number;
  readonly interval: Interval | null;
}

/**
 * Random-effects coefficient of independent groups, and I².
 *
 * Sources: I² = max(0, (Q − df)/Q), Higgins & Thompson (2002), eq. 10; τ² and weights 1/(v + τ²) on z DerSimonian & Laird
 * (1986), eqs. 8 and 9; interval tanh(z* ± t on k − 1 degrees of freedom · SE), Knapp & Hartung (2003), eq. 2, with SE
 * never below DerSimonian and Laird's. Variances of z and groups left out as in `compareIndependent`; fewer than three groups
 * give NaN.
 * @throws {RangeError} a coefficient outside [−1, 1], a size that is no whole number, or an option that does not exist.
 *
 * @example
 * randomEffects([{ coefficient: 0.12, n: 60 }, { coefficient: 0.55, n: 62 }, { coefficient: 0.4, n: 63 },
 *   { coefficient: -0.05, n: 60 }], { method: 'pearson' }).iSquared; // 0.808297
 */
export function randomEffects(
  groups: readonly GroupCoefficient[],
  { method, level = 0.95 }: { method: Method; level?: number },
): RandomEffects {
  assertMethod(method);
  assertLevel(level);
  for (const { coefficient, n } of groups) {
    assertCoefficient('coefficient', coefficient);
    assertSize(n);
  }
  const tested = groups.filter((group) => Math.abs(group.coefficient) < 1 && varianceOf(method, group) > 0);
  const k = tested.length;
  const none = { groups: k, iSquared: Number.NaN, tauSquared: Number.NaN, coefficient: Number.NaN, interval: null };
  if (k < FEWEST_GROUPS) return none;
  const zs = tested.map(({ coefficient }) => fisherZ(givenCoefficient(coefficient)));
  const variances = tested.map((group) => varianceOf(method, group));
  const fixed = weightedMean(
    zs,
    variances.map((v) => 1 / v),
  );
  const df = k - 1;
  const squares = variances.reduce((sum, v) => sum + 1 / v ** 2, 0);
  const tauSquared = Math.max(0, (fixed.q - df) / (fixed.weight - squares / fixed.weight));
  const random = weightedMean(
    zs,
    variances.map((v) => 1 / (v + tauSquared)),
  );
  const variance = Math.max(1 / random.weight, random.q / (df * random.weight));
  const coefficient = Math.tanh(random.mean);
  return {
    groups: k,
    iSquared: fixed.q > 0 ? Math.max(0, (fixed.q - df) / fixed.q) : 0,
    tauSquared,
    coefficient,
    interval: fisherInterval(givenCoefficient(coefficient), variance, { alternative: 'two-sided', level }, 'knapp-hartung', df),
  };
}

/** Weighted mean of z with the weighted squares about it. */
function weightedMean(zs: readonly number[], weights: readonly number[]) {
  const weight = weights.reduce((sum, w) => sum + w, 0);
  const mean = zs.reduce((sum, z, k) => sum + weights[k] * z, 0) / weight;
  return { weight, mean, q: zs.reduce((sum, z, k) => sum + weights[k] * (z - mean) ** 2, 0) };
}
