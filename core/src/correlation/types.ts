/** Alternative hypothesis about the population correlation: not zero, above zero, below zero. */
export type Alternative = 'two-sided' | 'greater' | 'less';

/** Correlation coefficients: Pearson's r, Spearman's ρ, Kendall's τ-b. */
export type Method = 'pearson' | 'spearman' | 'kendall';

/** How cells with missing values are dropped from a matrix. */
export type MissingRule = 'pairwise' | 'listwise';

/** Why a coefficient could not be computed; a pair that fails never stops a matrix. */
export type UndefinedBecause =
  | 'too-few-cases'
  | 'constant-x'
  | 'constant-y'
  | 'constant-both'
  /** A likelihood that has no top, or that its rounds did not reach. */
  | 'does-not-settle'
  /** Too few values above a limit to tell the rest. */
  | 'too-few-measured'
  /** Logarithms of values that are not above zero. */
  | 'not-positive';

/** How a p-value was got; `t-of-z`: Fisher’s z by its standard error, judged by Student’s t since that error is itself estimated. */
export type PMethod = 't' | 't-of-z' | 'normal' | 'exact' | 'permutation';

/**
 * Kinds of interval, all on Fisher's z scale. `default` is Fisher's for Pearson, Bonett & Wright's for Spearman and
 * Brown & Benedetti's for Kendall, which counts ties as p does; `adf` (asymptotically distribution-free) is for Pearson.
 */
export type IntervalKind = 'default' | 'fisher' | 'fieller' | 'bonett-wright' | 'brown-benedetti' | 'adf';

/** The steps of an interval on the scale of Fisher's z: z ± quantile · se, then tanh back. */
export interface ZSteps {
  readonly z: number;
  readonly se: number;
  readonly quantile: number;
  /** Degrees of freedom where the quantile is Student's; left out where it is the normal one. */
  readonly df?: number | undefined;
}

/** A confidence interval. One-sided alternatives have one limit at −1 or 1. */
export interface Interval {
  readonly low: number;
  readonly high: number;
  /** Confidence level between 0 and 1. */
  readonly level: number;
  readonly method: string;
  /** How it was got on the scale of Fisher's z = artanh r; left out where it was not. */
  readonly steps?: ZSteps | undefined;
  /** Why its level is no promise here: fewer than five rows lie outside the commonest value of a variable. */
  readonly unsure?: 'few-outside-largest-tie' | undefined;
}

/** A statistic with its name and, where it has them, its degrees of freedom. */
export interface Statistic {
  readonly name: string;
  readonly value: number;
  readonly df?: number;
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
  readonly pMethod: PMethod;
  readonly statistic: Statistic | null;
  readonly alternative: Alternative;
  /** null where n is too small for it, or where the coefficient is exactly ±1. */
  readonly interval: Interval | null;
  /** Variance of Fisher's z that the interval rests on; NaN where there is none. */
  readonly zVariance: number;
  /** Set where the coefficient is exactly ±1: there is no interval. */
  readonly degenerate?: true;
  readonly undefinedBecause?: UndefinedBecause;
}

export interface CorrelationOptions {
  /** Default 'two-sided'. */
  alternative?: Alternative;
  /** Confidence level of the interval, between 0 and 1. Default .95. */
  level?: number;
  /**
   * `best` (default) is exact where that can be computed. `exact` asks for it and falls back beyond its limits (12 rows,
   * Kendall without ties 60), which `pMethod` then says. Pearson has no exact p.
   */
  p?: 'best' | 'exact' | 'approximate';
  interval?: IntervalKind;
}
