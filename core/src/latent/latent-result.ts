import type { Alternative, Interval, UndefinedBecause } from '../correlation/types';
import { NO_PROBABILITY } from '../distributions/tail-probability';

export interface LatentOptions {
  /** Default 'two-sided'. */
  alternative?: Alternative;
  /** Default .95. */
  level?: number;
}

/**
 * Information found in n rows counts as that of n − 3, as Fisher’s variance of z does: with the likelihood’s own, independence
 * is rejected in 6.5 to 8 % of samples of 20 where 5 % is meant; so in 4 to 6 %.
 */
export function informationOf(n: number): number {
  return (n - 3) / n;
}

/** A correlation of normal variables that stand behind the steps of those observed. */
export interface LatentCorrelation {
  readonly coefficient: number;
  readonly n: number;
  /** Standard error of the coefficient, from the information of thresholds and coefficient together; NaN at ±1. */
  readonly se: number;
  /** Variance of Fisher’s z; polyserial: times n/(n − 3), as Fisher’s is. */
  readonly zVariance: number;
  /** Signed root of the likelihood ratio against no correlation; polyserial: times √((n − 3)/n). */
  readonly z: number;
  readonly pValue: number;
  readonly log10P: number;
  readonly interval: Interval | null;
  /** Where the variables behind are cut into the levels that are used; empty for one that is observed itself. */
  readonly thresholds: readonly [Float64Array, Float64Array];
  readonly rounds: number;
  /** Whether a top of the likelihood inside (−1, 1) was found. */
  readonly converged: boolean;
  /** The likelihood is largest at ±1: no interval. */
  readonly degenerate?: true;
  /** Why it is: the levels stand in order without overlap, so that ±1 fits what was observed exactly. */
  readonly separated?: true;
  readonly undefinedBecause?: UndefinedBecause;
}

/** Nothing, and why. */
export function undefinedLatent(n: number, undefinedBecause: UndefinedBecause): LatentCorrelation {
  const none = new Float64Array(0);
  return {
    coefficient: Number.NaN,
    n,
    se: Number.NaN,
    zVariance: Number.NaN,
    z: Number.NaN,
    ...NO_PROBABILITY,
    interval: null,
    thresholds: [none, none],
    rounds: 0,
    converged: false,
    undefinedBecause,
  };
}

/** ±1, where the levels are separated: a likelihood ratio, but neither a standard error nor an interval. */
export const SEPARATED = {
  se: Number.NaN,
  zVariance: Number.NaN,
  interval: null,
  converged: false,
  degenerate: true,
  separated: true,
} as const;
