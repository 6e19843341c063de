import { centreColumn } from '../columns/centre';
import { correlationP } from '../correlation/correlation-p';
import { fisherInterval } from '../correlation/fisher-interval';
import { kendall } from '../correlation/kendall';
import { resolveCorrelationOptions } from '../correlation/options';
import { spearman } from '../correlation/spearman';
import { undefinedTest } from '../correlation/test-result';
import type { Alternative, CorrelationTest, Method } from '../correlation/types';
import { toUnitLength, unitProduct } from '../correlation/unit-product';
import { fisherZ } from '../correlation/z-variance';
import { normalP } from '../distributions/tail-probability';
import { givenCoefficient } from './coefficient';
import { compareIndependent } from './compare-independent';
import { groupRows } from './grouped-rows';

export interface WithinOptions {
  method: Method;
  alternative?: Alternative;
  level?: number;
}

/** A correlation within groups: what is left when the groups' differences are taken out. */
export interface WithinCorrelation extends CorrelationTest {
  /** Groups that enter it. */
  readonly groups: number;
}

/**
 * Correlation within groups.
 *
 * Pearson: both variables centred in each group, t on N − k − 1 degrees of freedom, variance of z 1/(N − k − 2) (Bland &
 * Altman 1995; analysis of covariance). Ranks: tanh of the weighted mean of the groups' z (Hedges & Olkin 1985), normal.
 * Rows with a missing value or group are left out; groups of one row enter nothing.
 * @param groups a label for each row
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 */
export function withinGroup(x: Float64Array, y: Float64Array, groups: Float64Array, options: WithinOptions): WithinCorrelation {
  const resolved = resolveCorrelationOptions(options.method, options);
  const split = groupRows(x, y, groups).filter((group) => group.x.length > 1);
  const n = split.reduce((sum, group) => sum + group.x.length, 0);
  const k = split.length;
  if (options.method !== 'pearson') return withinRanks(split, n, options);
  const df = n - k - 1;
  if (df < 1) return { ...undefinedTest('too-few-cases', n, resolved), groups: k };
  const [u, v] = [new Float64Array(n), new Float64Array(n)];
  let at = 0;
  for (const group of split) {
    at += group.x.length;
    const place = (values: Float64Array, into: Float64Array) => {
      const { centred, scale } = centreColumn(values);
      into.set(
        centred.map((value) => value / scale),
        at - values.length,
      );
    };
    place(group.x, u);
    place(group.y, v);
  }
  const [a, b] = [centreColumn(u), centreColumn(v)];
  if (a.constant || b.constant) {
    return {
      ...undefinedTest(a.constant && b.constant ? 'constant-both' : a.constant ? 'constant-x' : 'constant-y', n, resolved),
      groups: k,
    };
  }
  toUnitLength(a.centred);
  toUnitLength(b.centred);
  const product = unitProduct(a.centred, b.centred);
  const { t, pValue, log10P } = correlationP(product.r, product.oneMinusAbs, df, resolved.alternative);
  return {
    method: 'pearson',
    coefficient: product.r,
    n,
    groups: k,
    pValue,
    log10P,
    pMethod: 't',
    statistic: { name: 't', value: t, df },
    alternative: resolved.alternative,
    interval: fisherInterval(product, n - k > 2 ? 1 / (n - k - 2) : Number.NaN, resolved, 'fisher'),
    ...(product.oneMinusAbs === 0 ? { degenerate: true as const } : {}),
  };
}

function withinRanks(split: ReturnType<typeof groupRows>, n: number, options: WithinOptions): WithinCorrelation {
  const resolved = resolveCorrelationOptions(options.method, options);
  const test = options.method === 'spearman' ? spearman : kendall;
  const coefficients = split.map((group) => ({ coefficient: test(group.x, group.y, { p: 'approximate' }).coefficient, n: group.x.length }));
  const { pooled, untested } = compareIndependent(coefficients, { method: options.method });
  const tested = coefficients.filter((_, k) => !untested.includes(k));
  if (tested.length === 0) return { ...undefinedTest('too-few-cases', n, resolved), groups: 0 };
  const variance = 1 / tested.reduce((sum, group) => sum + 1 / groupVariance(options.method, group), 0);
  const z = fisherZ(givenCoefficient(pooled)) / Math.sqrt(variance);
  return {
    method: options.method,
    coefficient: pooled,
    n,
    groups: tested.length,
    ...normalP(z, resolved.alternative),
    pMethod: 'normal',
    statistic: { name: 'z', value: z },
    alternative: resolved.alternative,
    interval: fisherInterval(givenCoefficient(pooled), variance, resolved, resolved.interval),
  };
}

function groupVariance(method: Method, { coefficient, n }: { coefficient: number; n: number }): number {
  return method === 'kendall' ? 0.437 / (n - 4) : (1 + coefficient ** 2 / 2) / (n - 3);
}
