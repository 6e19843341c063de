import { COEFFICIENTS } from '../display/coefficients';
import { midranks } from '../ranks/rank-column';
import { type Permuted, permutedKendall, permutedProduct } from '../resampling/permuted';
import { assertMethod } from './assert-method';
import { KENDALL, kendall, tauQuantileDf, testKendall } from './kendall';
import { kendallLeaveOneOut } from './kendall-leave-one-out';
import { type MethodTraits, type ResolvedCorrelationOptions, resolveCorrelationOptions } from './options';
import { PEARSON, pearson } from './pearson';
import { type LeftOut, pearsonLeaveOneOut } from './pearson-leave-one-out';
import { createPearsonPairs } from './pearson-pairs';
import type { PreparedColumns } from './prepared-columns';
import { rankPairsBy } from './rank-pairs';
import { type ResampledCoefficient, resampledKendall, resampledPearson, resampledSpearman } from './resampled-coefficient';
import { SPEARMAN, spearman, testSpearman, withMidranks } from './spearman';
import { spearmanLeaveOneOut } from './spearman-leave-one-out';
import type { TestedPairs } from './tested-pairs';
import type { CorrelationOptions, CorrelationTest, IntervalKind, Method } from './types';
import { bonettWrightVariance, FIELLER_RHO, fiellerTauVariance, fiellerVariance, fisherVariance } from './z-variance';

/** How the variance of Fisher's z is taken where only coefficient and n are known: the method's own, or Fieller's. */
export type VarianceKind = 'default' | 'fieller';

/** Everything the core knows of one coefficient. A coefficient more is an entry more; the compiler names what it must hold. */
export interface MethodEntry extends MethodTraits {
  /** The test of a pair; see `pearson`, `spearman`, `kendall`. */
  readonly test: (x: Float64Array, y: Float64Array, options?: CorrelationOptions) => CorrelationTest;
  /** Columns made ready once for the tests of all their pairs. */
  readonly preparePairs: (columns: readonly Float64Array[], options: ResolvedCorrelationOptions, prepared: PreparedColumns) => TestedPairs;
  /** Of a complete pair: the coefficient without each row. */
  readonly leaveOneOut: (x: Float64Array, y: Float64Array) => LeftOut;
  /** Of a complete pair: the coefficient of rows drawn from it. */
  readonly resampled: (x: Float64Array, y: Float64Array) => ResampledCoefficient;
  /** Of a complete pair: a statistic in order of the coefficient, for shuffled rows; null where a variable does not vary. */
  readonly permuted: (x: Float64Array, y: Float64Array, studentized: boolean) => Permuted | null;
  /** Whether the permutation test can be studentized. */
  readonly hasStudentized: boolean;
  /** Whether the values themselves count, or their order alone. */
  readonly looksAt: 'values' | 'ranks';
  /** What of a complete column the coefficient looks at: its values or their ranks. */
  readonly scale: (column: Float64Array) => Float64Array;
  /** Below this size a coefficient has no variance of z from n alone. */
  readonly fewestCompared: number;
  /** Variance of z from the coefficient and n alone; NaN below `fewestCompared`. */
  readonly zVariance: (coefficient: number, n: number, kind: VarianceKind) => number;
  /** Degrees of freedom of the quantile of an interval whose variance of z was measured on the rows. */
  readonly measuredDf: (n: number) => number;
  /** Within groups: from deviations of each group's means, or as the weighted mean of the groups' z. */
  readonly within: 'deviations' | 'mean-of-z';
  /** Holding others constant: from what is left of the scaled columns (numerator of the variance of z), or τ of one control. */
  readonly partial:
    | { readonly from: 'rests'; readonly numerator: number; readonly interval: IntervalKind }
    | { readonly from: 'one-control' };
}

const byNormalQuantile = () => Number.POSITIVE_INFINITY;

/** All coefficients, in the order in which they are offered. */
export const METHODS: Readonly<Record<Method, MethodEntry>> = {
  pearson: {
    ...PEARSON,
    test: pearson,
    preparePairs: createPearsonPairs,
    leaveOneOut: pearsonLeaveOneOut,
    resampled: resampledPearson,
    permuted: permutedProduct,
    hasStudentized: true,
    looksAt: 'values',
    scale: (column) => column,
    fewestCompared: COEFFICIENTS.pearson.fewestForInterval,
    zVariance: fisherVariance,
    measuredDf: byNormalQuantile,
    within: 'deviations',
    partial: { from: 'rests', numerator: 1, interval: 'fisher' },
  },
  spearman: {
    ...SPEARMAN,
    test: spearman,
    preparePairs: rankPairsBy(withMidranks, testSpearman),
    leaveOneOut: spearmanLeaveOneOut,
    resampled: resampledSpearman,
    permuted: (x, y) => permutedProduct(midranks(x), midranks(y), false),
    hasStudentized: false,
    looksAt: 'ranks',
    scale: midranks,
    fewestCompared: COEFFICIENTS.spearman.fewestForInterval,
    zVariance: (rho, n, kind) => (kind === 'fieller' ? fiellerVariance : bonettWrightVariance)(rho, n),
    measuredDf: byNormalQuantile,
    within: 'mean-of-z',
    partial: { from: 'rests', numerator: FIELLER_RHO, interval: 'fieller' },
  },
  kendall: {
    ...KENDALL,
    test: kendall,
    preparePairs: rankPairsBy((column) => column, testKendall),
    leaveOneOut: kendallLeaveOneOut,
    resampled: resampledKendall,
    permuted: permutedKendall,
    hasStudentized: false,
    looksAt: 'ranks',
    scale: midranks,
    fewestCompared: COEFFICIENTS.kendall.fewestForInterval,
    zVariance: fiellerTauVariance,
    measuredDf: tauQuantileDf,
    within: 'mean-of-z',
    partial: { from: 'one-control' },
  },
};

/** The kinds of interval that each method has, its default first. */
export const INTERVAL_KINDS: Readonly<Record<Method, MethodTraits['intervals']>> = {
  pearson: PEARSON.intervals,
  spearman: SPEARMAN.intervals,
  kendall: KENDALL.intervals,
};

/**
 * Options of a method that is given by name, with the defaults filled in.
 * @throws {RangeError} as `resolveCorrelationOptions`, and an unknown method.
 */
export function resolveOptionsOf(method: Method, options?: CorrelationOptions): ResolvedCorrelationOptions {
  assertMethod(method);
  return resolveCorrelationOptions(METHODS[method], options);
}

/**
 * The test of a pair by a coefficient that is given by name: `pearson`, `spearman` or `kendall`.
 * @throws {RangeError} as these, and an unknown method.
 *
 * @example
 * testPair('spearman', Float64Array.of(1, 2, 3, 4), Float64Array.of(1, 3, 2, 4)).coefficient; // 0.8
 */
export function testPair(method: Method, x: Float64Array, y: Float64Array, options?: CorrelationOptions): CorrelationTest {
  assertMethod(method);
  return METHODS[method].test(x, y, options);
}

/**
 * How many variables can be held constant under a coefficient.
 *
 * @example
 * mostControls('kendall'); // 1
 */
export function mostControls(method: Method): number {
  return COEFFICIENTS[method].mostControls;
}
