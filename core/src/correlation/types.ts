/** Alternative hypothesis about the population correlation: not zero, above zero, below zero. */
export type Alternative = 'two-sided' | 'greater' | 'less';

/** Correlation coefficients that the core computes. */
export type Method = 'pearson';

/** How cells with missing values are dropped from a matrix. */
export type MissingRule = 'pairwise' | 'listwise';

/** Why a coefficient could not be computed; a pair that fails never stops a matrix. */
export type UndefinedBecause = 'too-few-cases' | 'constant-x' | 'constant-y' | 'constant-both';

/** A confidence interval. One-sided alternatives have one limit at −1 or 1. */
export interface Interval {
  readonly low: number;
  readonly high: number;
  /** Confidence level between 0 and 1. */
  readonly level: number;
  readonly method: string;
}

/** A correlation coefficient with its test. */
export interface CorrelationTest {
  readonly method: Method;
  /** The coefficient in [−1, 1]; NaN where `undefinedBecause` is set. */
  readonly coefficient: number;
  /** Rows complete for both variables. */
  readonly n: number;
  readonly pValue: number;
  /** log10 of the p-value, finite where the p-value itself underflows to zero. */
  readonly log10P: number;
  readonly pMethod: 't';
  readonly statistic: { readonly name: string; readonly value: number; readonly df?: number } | null;
  readonly alternative: Alternative;
  /** null where n is too small for it, or where the coefficient is exactly ±1. */
  readonly interval: Interval | null;
  /** Set where the points lie exactly on a line: p is 0 and there is no interval. */
  readonly degenerate?: true;
  readonly undefinedBecause?: UndefinedBecause;
}

export interface CorrelationOptions {
  /** Default 'two-sided'. */
  alternative?: Alternative;
  /** Confidence level of the interval, between 0 and 1. Default .95. */
  level?: number;
}
