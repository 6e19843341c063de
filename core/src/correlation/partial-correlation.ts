import { centreColumn } from '../columns/centre';
import { listwiseColumns } from '../columns/complete-rows';
import { applyReflections, factorize } from '../linear-algebra/householder';
import { midranks } from '../ranks/midranks';
import { bootstrapInterval } from '../resampling/bootstrap-interval';
import { correlationP } from './correlation-p';
import { fisherInterval } from './fisher-interval';
import { kendall } from './kendall';
import { assertMethod, assertSameLength, resolveCorrelationOptions } from './options';
import { constantReason, FEWEST_ROWS, undefinedTest } from './test-result';
import type { Alternative, CorrelationTest, Method } from './types';
import { toUnitLength, unitProduct } from './unit-product';

export interface PartialOptions {
  method: Method;
  alternative?: Alternative;
  level?: number;
  /** For Kendall's interval, which has no formula: bootstrap replicates and seed. */
  replicates?: number;
  seed?: number;
}

/** A partial correlation: a correlation test with the number of independent controls. */
export interface PartialCorrelation extends CorrelationTest {
  /** Rank of the controls: how many of them tell something of their own. */
  readonly controls: number;
}

/** What is left of a column below this share of its length is rounding. */
const REST_IS_ROUNDING = 1e-13;

/**
 * Correlation of x and y with controls held constant, over the rows complete for all of them.
 *
 * Pearson: correlation of the residuals on the controls; t on n − 2 − k degrees of freedom, k the rank of the controls;
 * variance of z 1/(n − k − 3) (Fisher 1924). Spearman: midranks first, then the same with 1.06/(n − k − 3) (Fieller,
 * Hartley & Pearson 1957). Kendall: one control, τ of Kendall (1942), no p-value, percentile bootstrap interval.
 * A variable that the controls tell completely counts as constant.
 * @throws {RangeError} columns of unequal length, no control, more than one for Kendall, or an option that does not exist.
 */
export function partialCorrelation(
  x: Float64Array,
  y: Float64Array,
  controls: readonly Float64Array[],
  options: PartialOptions,
): PartialCorrelation {
  assertMethod(options.method);
  assertSameLength(x, y, ...controls);
  if (controls.length === 0) throw new RangeError('controls must hold at least one column');
  const complete = listwiseColumns([x, y, ...controls]);
  if (options.method === 'kendall') return partialKendall(complete, options);
  const resolved = resolveCorrelationOptions(options.method, options);
  const n = complete[0].length;
  const used = options.method === 'spearman' ? complete.map(midranks) : complete;
  const centred = used.map((column) => centreColumn(column));
  const [first, second, ...others] = centred;
  const units = others.filter(({ constant }) => !constant).map(({ centred: values }) => values);
  for (const values of units) toUnitLength(values);
  const factors = factorize(units, { pivot: true, tolerances: new Float64Array(units.length).fill(REST_IS_ROUNDING) });
  const k = factors.rank;
  const df = n - 2 - k;
  const none = (because: Parameters<typeof undefinedTest>[0]) => ({ ...undefinedTest(because, n, resolved), controls: k });
  if (n < FEWEST_ROWS || df < 1) return none('too-few-cases');
  const rests = [first, second].map(({ centred: values, constant }) => (constant ? null : restOf(values)));
  const because = constantReason(rests[0] === null, rests[1] === null);
  const [u, v] = rests;
  if (because || !u || !v) return none(because ?? 'constant-both');
  const product = unitProduct(u, v);
  const { t, pValue, log10P } = correlationP(product.r, product.oneMinusAbs, df, resolved.alternative);
  const [numerator, kind] = options.method === 'spearman' ? ([1.06, 'fieller'] as const) : ([1, 'fisher'] as const);
  const variance = n - k > 3 ? numerator / (n - k - 3) : Number.NaN;
  return {
    method: options.method,
    coefficient: product.r,
    n,
    controls: k,
    pValue,
    log10P,
    pMethod: 't',
    statistic: { name: 't', value: t, df },
    alternative: resolved.alternative,
    interval: fisherInterval(product, variance, resolved, kind),
    ...(product.oneMinusAbs === 0 ? { degenerate: true as const } : {}),
  };

  /** The part of a column that the controls do not tell, of unit length; in the coordinates of Q. */
  function restOf(values: Float64Array): Float64Array | null {
    toUnitLength(values);
    const rest = applyReflections(factors, values).subarray(k);
    if (Math.sqrt(rest.reduce((sum, value) => sum + value * value, 0)) < REST_IS_ROUNDING * Math.sqrt(values.length)) return null;
    toUnitLength(rest);
    return rest;
  }
}

function partialKendall(columns: readonly Float64Array[], options: PartialOptions): PartialCorrelation {
  if (columns.length !== 3) throw new RangeError(`kendall takes one control; got ${columns.length - 2}`);
  const { alternative, level } = resolveCorrelationOptions('kendall', {
    ...(options.alternative ? { alternative: options.alternative } : {}),
    ...(options.level ? { level: options.level } : {}),
  });
  const [x, y, z] = columns;
  const n = x.length;
  const whole = kendall(x, y, { p: 'approximate' });
  if (whole.undefinedBecause) return { ...undefinedTest(whole.undefinedBecause, n, { method: 'kendall', alternative }), controls: 0 };
  const coefficient = partialTau(x, y, z);
  if (Number.isNaN(coefficient)) return { ...undefinedTest('constant-both', n, { method: 'kendall', alternative }), controls: 1 };
  const pick = (column: Float64Array, rows: Int32Array) => Float64Array.from(rows, (row) => column[row]);
  const { interval } = bootstrapInterval({
    n,
    statistic: (rows) => partialTau(pick(x, rows), pick(y, rows), pick(z, rows)),
    replicates: options.replicates ?? 2000,
    seed: options.seed ?? 1,
    level,
  });
  return {
    method: 'kendall',
    coefficient,
    n,
    controls: 1,
    pValue: Number.NaN,
    log10P: Number.NaN,
    pMethod: 'normal',
    statistic: null,
    alternative,
    interval,
  };
}

/** Kendall (1942), eq. 4; a control that does not vary leaves τ as it is. */
function partialTau(x: Float64Array, y: Float64Array, z: Float64Array): number {
  const tau = (a: Float64Array, b: Float64Array) => kendall(a, b, { p: 'approximate' }).coefficient;
  const [xy, xz, yz] = [tau(x, y), tau(x, z), tau(y, z)];
  if (Number.isNaN(xz) && Number.isNaN(yz)) return xy;
  return (xy - xz * yz) / Math.sqrt((1 - xz * xz) * (1 - yz * yz));
}
