import { assertMethod } from '../correlation/assert-method';
import { assertAlternative, assertLevel } from '../correlation/options';
import type { Alternative, Interval, Method } from '../correlation/types';
import { fisherZ } from '../correlation/z-variance';
import { normalP } from '../distributions/tail-probability';
import { assertCoefficient, assertSize, type GroupCoefficient, givenCoefficient, intervalOf, varianceOf } from './coefficient';

export interface AgainstOptions {
  /** Default 'pearson'. */
  method?: Method;
  alternative?: Alternative;
  level?: number;
}

export interface TestAgainst {
  readonly z: number;
  readonly pValue: number;
  readonly log10P: number;
  /** Two-sided, of the coefficient itself. */
  readonly interval: Interval | null;
}

/**
 * Tests whether the population coefficient is a given value: (z − artanh ρ₀)/SE.
 * Source: Fisher (1921); variances of z as in `compareIndependent`. NaN below n = 4 (Kendall 5), for |coefficient| = 1
 * and for |ρ₀| = 1.
 * @throws {RangeError} a coefficient or ρ₀ outside [−1, 1], or an option that does not exist.
 *
 * @example
 * testAgainst({ coefficient: 0.6, n: 50 }, 0.4).pValue; // 0.0646621
 */
export function testAgainst(
  group: GroupCoefficient,
  rho0: number,
  { method = 'pearson', alternative = 'two-sided', level = 0.95 }: AgainstOptions = {},
): TestAgainst {
  const { coefficient, n } = group;
  assertMethod(method);
  assertAlternative(alternative);
  assertLevel(level);
  assertCoefficient('coefficient', coefficient);
  assertCoefficient('rho0', rho0);
  assertSize(n);
  const testable = Math.abs(coefficient) < 1 && Math.abs(rho0) < 1;
  const difference = fisherZ(givenCoefficient(coefficient)) - fisherZ(givenCoefficient(rho0));
  const z = testable ? difference / Math.sqrt(varianceOf(method, group)) : Number.NaN;
  return { z, ...normalP(z, alternative), interval: intervalOf(method, group, level) };
}

export interface EquivalenceTest {
  /** Of the test that the coefficient lies above −bound. */
  readonly lower: { readonly z: number; readonly pValue: number };
  /** Of the test that the coefficient lies below bound. */
  readonly upper: { readonly z: number; readonly pValue: number };
  /** The larger of the two: small if the coefficient lies within ±bound. */
  readonly pValue: number;
  readonly log10P: number;
  /** Two-sided at 1 − 2α: equivalence at α is this interval lying within ±bound. */
  readonly interval: Interval | null;
}

/**
 * Two one-sided tests that a population coefficient is smaller in size than the smallest effect of interest.
 * Source: Schuirmann (1987); for correlations by Fisher's z, Goertzen & Cribbie (2010).
 * @param bound smallest effect of interest, in (0, 1)
 * @param options.alpha level of each of the two tests, in (0, .5): at .5 and above the interval 1 − 2α would be empty
 * @throws {RangeError} a coefficient outside [−1, 1], a bound outside (0, 1), an alpha outside (0, .5), or an unknown method.
 *
 * @example
 * equivalenceTest({ coefficient: 0.02, n: 400 }, 0.2).pValue; // 0.000135861
 */
export function equivalenceTest(
  group: GroupCoefficient,
  bound: number,
  { method = 'pearson', alpha = 0.05 }: { method?: Method; alpha?: number } = {},
): EquivalenceTest {
  if (!(bound > 0 && bound < 1)) throw new RangeError(`bound must lie between 0 and 1; got ${bound}`);
  if (!(alpha > 0 && alpha < 0.5)) throw new RangeError(`alpha must lie between 0 and .5; got ${alpha}`);
  const lower = testAgainst(group, -bound, { method, alternative: 'greater' });
  const upper = testAgainst(group, bound, { method, alternative: 'less' });
  const larger = lower.pValue >= upper.pValue ? lower : upper;
  return {
    lower: { z: lower.z, pValue: lower.pValue },
    upper: { z: upper.z, pValue: upper.pValue },
    pValue: larger.pValue,
    log10P: larger.log10P,
    interval: intervalOf(method, group, 1 - 2 * alpha),
  };
}
