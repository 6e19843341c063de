import { betweenGroups } from '../comparison/between-groups';
import { decidingWithin, withinGroup } from '../comparison/within-group';
import { fisherInterval } from '../correlation/fisher-interval';
import { METHODS, resolveOptionsOf } from '../correlation/methods';
import { partialCorrelation } from '../correlation/partial-correlation';
import { pearson } from '../correlation/pearson';
import { undefinedTest } from '../correlation/test-result';
import type { Alternative, CorrelationTest, Method, UndefinedBecause } from '../correlation/types';
import { belowLimits, type LimitedColumn, tiedBelowLimits } from '../detection-limits/below-limits';
import { normalP } from '../distributions/tail-probability';
import { latentCorrelation } from '../latent/latent-correlation';
import { type MaximumLikelihood, maximumLikelihood, testLikelihood } from '../missing-values/maximum-likelihood';
import { clusterBootstrap } from '../resampling/cluster-bootstrap';
import { permutationTest } from '../resampling/permutation-test';

/** What is done to a pair, with the columns that it needs; of the same rows as the pair. */
export type PairRemedy =
  | { readonly kind: 'distribution-free' }
  | { readonly kind: 'permutation' }
  | {
      readonly kind: 'within';
      readonly groups: Float64Array /** Whether the groups are cases of few rows, whose SDs differ by chance. */;
      readonly cases: boolean;
    }
  | { readonly kind: 'between'; readonly groups: Float64Array }
  | { readonly kind: 'cases-drawn'; readonly groups: Float64Array }
  /** `found` for a whole set, and the places of the two in it; else of the two alone. */
  | { readonly kind: 'maximum-likelihood'; readonly found?: { readonly all: MaximumLikelihood; readonly i: number; readonly j: number } }
  /** Which of the two are ordered. */
  | { readonly kind: 'behind-steps'; readonly steps: readonly [boolean, boolean] }
  /** By variable; null where all was measured. */
  | { readonly kind: 'below-limit'; readonly limits: readonly [number | null, number | null]; readonly logs: boolean }
  | { readonly kind: 'constant'; readonly held: readonly Float64Array[] };

export type PairRemedyKind = PairRemedy['kind'];

/** Which coefficients each remedy can be carried out on. */
const SERVES: Readonly<Record<PairRemedyKind, (method: Method) => boolean>> = {
  'distribution-free': ofValues,
  permutation: (method) => !METHODS[method].hasExactP,
  within: () => true,
  between: () => true,
  'cases-drawn': () => true,
  'maximum-likelihood': ofValues,
  'behind-steps': ofValues,
  'below-limit': () => true,
  constant: () => true,
};

function ofValues(method: Method): boolean {
  return METHODS[method].looksAt === 'values';
}

/**
 * Whether a remedy can be carried out on a coefficient.
 *
 * @example
 * remedyServes('behind-steps', 'kendall'); // false
 */
export function remedyServes(kind: PairRemedyKind, method: Method): boolean {
  return SERVES[kind](method);
}

interface Options {
  readonly method: Method;
  readonly alternative?: Alternative;
  readonly level?: number;
}

/**
 * A pair's coefficient with a remedy carried out: `withinGroup`, `betweenGroups`, `clusterBootstrap`, `maximumLikelihood`,
 * `polychoric` and `polyserial`, `belowLimits`, `partialCorrelation`, the permutation test or the distribution-free interval;
 * see these for what they suppose and where they come from.
 * @throws {RangeError} a remedy that does not serve the coefficient, and as these.
 *
 * @example
 * remediedTest(Float64Array.of(1, 2, 3, 1, 2, 3), Float64Array.of(2, 1, 3, 12, 11, 13),
 *   { kind: 'within', groups: Float64Array.of(0, 0, 0, 1, 1, 1), cases: true }, { method: 'pearson' }).coefficient; // 0.5
 */
export function remediedTest(
  x: Float64Array,
  y: Float64Array,
  remedy: PairRemedy,
  { method, alternative = 'two-sided', level = 0.95 }: Options,
): CorrelationTest {
  if (!remedyServes(remedy.kind, method)) throw new RangeError(`${remedy.kind} does not serve ${method}`);
  const options = { alternative, level };
  switch (remedy.kind) {
    case 'distribution-free':
      return distributionFreeTest(x, y, options);
    case 'permutation': {
      const test = METHODS[method].test(x, y, options);
      if (test.undefinedBecause) return test;
      const { pValue } = permutationTest(x, y, { method, alternative });
      return { ...test, pValue, log10P: Math.log10(pValue), pMethod: 'permutation', statistic: null };
    }
    case 'within': {
      const within = withinGroup(x, y, remedy.groups, { method, ...options });
      return remedy.cases ? within : decidingWithin(within);
    }
    case 'between':
      return betweenTest(x, y, remedy.groups, { method, ...options });
    case 'cases-drawn':
      return drawnTest(x, y, remedy.groups, { method, ...options });
    case 'maximum-likelihood':
      return likelihoodTest(x, y, remedy.found, { method, ...options });
    case 'behind-steps':
      return latentCorrelation(x, y, remedy.steps, options);
    case 'below-limit':
      return belowLimitTest(x, y, remedy, { method, ...options });
    case 'constant':
      return partialCorrelation(x, y, remedy.held, { method, ...options });
  }
}

/** r with the interval that asks no shape, and the p that belongs to it. */
export function distributionFreeTest(
  x: Float64Array,
  y: Float64Array,
  { alternative, level }: { alternative: Alternative; level?: number },
): CorrelationTest {
  const test = METHODS.pearson.test(x, y, { interval: 'adf', alternative, ...(level === undefined ? {} : { level }) });
  if (!(test.zVariance > 0)) return test;
  const z = Math.atanh(test.coefficient) / Math.sqrt(test.zVariance);
  return { ...test, ...normalP(z, alternative), pMethod: 'normal', statistic: { name: 'z', value: z } };
}

type Resolved = Required<Options>;

/** Values: means weighted by rows, interval by Fisher's z with as many cases as there are. Ranks: each mean once. */
function betweenTest(x: Float64Array, y: Float64Array, groups: Float64Array, { method, alternative, level }: Resolved): CorrelationTest {
  const { groups: cases, weighted, means } = betweenGroups(x, y, groups, { alternative });
  const resolved = resolveOptionsOf(method, { alternative, level });
  if (!ofValues(method)) return METHODS[method].test(means.x, means.y, { alternative, level });
  if (Number.isNaN(weighted.coefficient)) return METHODS.pearson.test(means.x, means.y, { alternative, level });
  const r = weighted.coefficient;
  const zVariance = cases > 3 ? 1 / (cases - 3) : Number.NaN;
  const test: CorrelationTest = {
    method,
    coefficient: r,
    n: cases,
    pValue: weighted.pValue,
    log10P: weighted.log10P,
    pMethod: 't',
    statistic: { name: 't', value: tOf(r, weighted.df), df: weighted.df },
    alternative,
    interval: fisherInterval({ r, oneMinusAbs: 1 - Math.abs(r) }, zVariance, resolved, 'fisher'),
    zVariance,
  };
  return Math.abs(r) === 1 ? { ...test, degenerate: true } : test;
}

function tOf(r: number, df: number): number {
  return r * Math.sqrt(df / ((1 - r) * (1 + r)));
}

/** The coefficient of all rows; interval and p from cases drawn whole: p by the SD of z among the samples. */
function drawnTest(x: Float64Array, y: Float64Array, groups: Float64Array, { method, alternative, level }: Resolved): CorrelationTest {
  const present = groups.map((label, i) => (label === label ? x[i] : Number.NaN));
  const test = METHODS[method].test(present, y, { alternative, level });
  if (test.undefinedBecause || test.degenerate) return test;
  const both = alternative === 'two-sided' ? level : Math.max(0, 2 * level - 1);
  const { interval, spreadOfZ } = clusterBootstrap(x, y, groups, { method, level: both });
  const z = Math.atanh(test.coefficient) / spreadOfZ;
  return {
    ...test,
    ...normalP(z, alternative),
    pMethod: 'normal',
    statistic: Number.isNaN(z) ? null : { name: 'z', value: z },
    interval: interval && { ...oneSided(interval, alternative), level },
    zVariance: spreadOfZ * spreadOfZ,
  };
}

function oneSided<T extends { low: number; high: number }>(interval: T, alternative: Alternative): T {
  if (alternative === 'two-sided') return interval;
  return alternative === 'greater' ? { ...interval, high: 1 } : { ...interval, low: -1 };
}

function likelihoodTest(
  x: Float64Array,
  y: Float64Array,
  given: { readonly all: MaximumLikelihood; readonly i: number; readonly j: number } | undefined,
  { method, alternative, level }: Resolved,
): CorrelationTest {
  const { all, i, j } = given ?? { all: maximumLikelihood([x, y]), i: 0, j: 1 };
  const resolved = resolveOptionsOf(method, { alternative, level });
  if (all.undefinedBecause) return undefinedTest(all.undefinedBecause === 'constant' ? 'constant-both' : 'too-few-cases', all.n, resolved);
  if (all.degenerate) {
    const shared = pearson(x, y).coefficient;
    const { undefinedBecause, ...none } = undefinedTest('does-not-settle', all.n, resolved);
    // The likelihood grows without end: towards ±1 for a pair whose shared rows lie on a line, towards nothing for the others.
    return Math.abs(shared) === 1
      ? { ...none, coefficient: shared, degenerate: true }
      : { ...none, undefinedBecause: undefinedBecause ?? 'does-not-settle' };
  }
  if (!all.converged) return undefinedTest('does-not-settle', all.n, resolved);
  const { coefficient, n, pValue, log10P, z, df, interval } = testLikelihood(all, i, j, { alternative, level });
  const zVariance = all.zVariance[i * all.means.length + j];
  return {
    method,
    coefficient,
    n,
    pValue,
    log10P,
    pMethod: Number.isFinite(df) ? 't-of-z' : 'normal',
    statistic: Number.isFinite(z) ? { name: 'z', value: z, ...(Number.isFinite(df) ? { df } : {}) } : null,
    alternative,
    interval,
    zVariance,
  };
}

const WHY: Readonly<Record<string, UndefinedBecause>> = {
  'too-few-cases': 'too-few-cases',
  'too-few-measured': 'too-few-measured',
  'not-positive': 'not-positive',
  'does-not-settle': 'does-not-settle',
};

function belowLimitTest(
  x: Float64Array,
  y: Float64Array,
  { limits, logs }: { readonly limits: readonly [number | null, number | null]; readonly logs: boolean },
  { method, alternative, level }: Resolved,
): CorrelationTest {
  const [a, b] = [limitedColumn(x, limits[0]), limitedColumn(y, limits[1])];
  if (method !== 'pearson') return tiedBelowLimits(a, b, method, { alternative, level });
  const found = belowLimits(a, b, { logs: [logs, logs], alternative, level });
  if (found.undefinedBecause) return undefinedTest(WHY[found.undefinedBecause], found.n, resolveOptionsOf(method, { alternative, level }));
  const z = Math.atanh(found.coefficient) / Math.sqrt(found.zVariance);
  return {
    method,
    coefficient: found.coefficient,
    n: found.n,
    pValue: found.pValue,
    log10P: found.log10P,
    pMethod: 'normal',
    statistic: { name: 'z', value: z },
    alternative,
    interval: found.interval,
    zVariance: found.zVariance,
  };
}

/**
 * A column whose values up to a limit lie below it.
 *
 * @example
 * limitedColumn(Float64Array.of(0.5, 2), 0.5).limits; // [0.5, NaN]
 */
export function limitedColumn(values: Float64Array, limit: number | null): LimitedColumn {
  return { values, limits: values.map((value) => (limit !== null && value <= limit ? limit : Number.NaN)) };
}
