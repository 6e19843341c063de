import { decidingWithin, withinGroup } from '../comparison/within-group';
import { METHODS } from '../correlation/methods';
import { partialCorrelation } from '../correlation/partial-correlation';
import { spearman } from '../correlation/spearman';
import type { Alternative, CorrelationTest, Method } from '../correlation/types';
import { maximumLikelihood, testLikelihood } from '../missing-values/maximum-likelihood';
import { distributionFreeTest, remediedTest } from '../remedies/remedied-test';
import { permutationTest } from '../resampling/permutation-test';
import type { Judged } from './decisive';
import { isMonotone, type Linearity } from './linearity';

/** What a caution advises to do. */
export type RemedyKind =
  /** Spearman's ρ instead of r. */
  | 'ranks'
  /** The multiple correlation of a parabola, against |r|. */
  | 'parabola'
  /** The same r with the distribution-free interval and its p. */
  | 'distribution-free'
  /** The same coefficient with the p of a permutation test. */
  | 'permutation'
  /** The coefficient without one row. */
  | 'without-row'
  /** The coefficient within groups. */
  | 'within-groups'
  /** The coefficient within the cases whose rows repeat. */
  | 'within-cases'
  /** r that makes all values most likely, of rows that lack one of the two as well. */
  | 'maximum-likelihood'
  /** The correlation of normal variables behind the steps of ordered ones. */
  | 'behind-steps'
  /** What lies below a detection limit as such: r by maximum likelihood, ranks tied at the limit. */
  | 'below-limit'
  /** The common component held constant. */
  | 'component-constant'
  /** The component with what else the other variable is made of. */
  | 'remaining-part';

/** A remedy carried out: what the coefficient, its interval and its p become. */
export interface Remedy extends Judged {
  readonly kind: RemedyKind;
  readonly n: number;
  /** Limits at .95; NaN where there are none. */
  readonly low: number;
  readonly high: number;
  /** The row left out, among those given. */
  readonly row?: number;
}

/** What two derived variables have in common, or one with what it is derived from. */
export type SharedComponent =
  | { readonly kind: 'constant'; readonly columns: readonly Float64Array[] }
  /** One of the two is the component itself: it stands here with the rest of the other. */
  | { readonly kind: 'remaining'; readonly x: Float64Array; readonly y: Float64Array }
  /** Shared, but nothing can be held constant. */
  | { readonly kind: 'inseparable' };

/** A pair as it was judged: the rows given, the method and the direction of its test. */
export interface JudgedPair {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly method: Method;
  readonly alternative: Alternative;
}

function remedyOf(kind: RemedyKind, { coefficient, pValue, n, interval }: CorrelationTest): Remedy {
  return { kind, coefficient, pValue, n, low: interval?.low ?? Number.NaN, high: interval?.high ?? Number.NaN };
}

export function byRanks({ x, y, alternative }: JudgedPair): Remedy {
  return remedyOf('ranks', spearman(x, y, { alternative }));
}

/** Ranks where the relation runs one way; else the parabola that was judged, which has no direction. */
export function againstCurve(pair: JudgedPair, complete: { x: Float64Array; y: Float64Array }, { direction, parabola }: Linearity): Remedy {
  const [from, to] = direction === 'y-on-x' ? [complete.x, complete.y] : [complete.y, complete.x];
  if (isMonotone(from, to)) return byRanks(pair);
  return { kind: 'parabola', coefficient: parabola.r, pValue: parabola.pValue, n: from.length, low: Number.NaN, high: Number.NaN };
}

export function distributionFree({ x, y, alternative }: JudgedPair): Remedy {
  return remedyOf('distribution-free', distributionFreeTest(x, y, { alternative }));
}

/** null for coefficients whose p is exact at this size already. */
export function byPermutation({ x, y, method, alternative }: JudgedPair): Remedy | null {
  if (METHODS[method].hasExactP) return null;
  const { pValue } = permutationTest(x, y, { method, alternative });
  return { ...remedyOf('permutation', METHODS[method].test(x, y, { alternative })), pValue };
}

export function withoutRow({ x, y, method, alternative }: JudgedPair, row: number): Remedy {
  const without = x.slice();
  without[row] = Number.NaN;
  return { ...remedyOf('without-row', METHODS[method].test(without, y, { alternative })), row };
}

export function insideGroups({ x, y, method, alternative }: JudgedPair, groups: Float64Array): Remedy {
  return remedyOf('within-groups', decidingWithin(withinGroup(x, y, groups, { method, alternative })));
}

/** For coefficients of values only; null where it does not settle. */
export function byLikelihood({ x, y, method, alternative }: JudgedPair): Remedy | null {
  if (METHODS[method].looksAt !== 'values') return null;
  const found = maximumLikelihood([x, y]);
  const { coefficient, pValue, n, interval } = testLikelihood(found, 0, 1, { alternative });
  if (!found.converged || Number.isNaN(pValue)) return null;
  return { kind: 'maximum-likelihood', coefficient, pValue, n, low: interval?.low ?? Number.NaN, high: interval?.high ?? Number.NaN };
}

/** For coefficients of values only; null where it has none. @param steps which of the two are ordered */
export function behindSteps({ x, y, method, alternative }: JudgedPair, steps: readonly [boolean, boolean]): Remedy | null {
  if (METHODS[method].looksAt !== 'values') return null;
  const found = remediedTest(x, y, { kind: 'behind-steps', steps }, { method, alternative });
  return Number.isNaN(found.coefficient) ? null : remedyOf('behind-steps', found);
}

/** Whether what was measured of a pair is taken as lognormal: where nothing is at or below zero. */
export function areLogsTaken({ x, y }: Pick<JudgedPair, 'x' | 'y'>): boolean {
  return [x, y].every((values) => values.every((value) => !(value <= 0)));
}

/** On logarithms where both variables are above zero; null where too little was measured. */
export function knowingLimits({ x, y, method, alternative }: JudgedPair, limits: readonly [number | null, number | null]): Remedy | null {
  const found = remediedTest(x, y, { kind: 'below-limit', limits, logs: areLogsTaken({ x, y }) }, { method, alternative });
  return Number.isNaN(found.coefficient) ? null : remedyOf('below-limit', found);
}

/** null where no case has enough rows. */
export function insideCases({ x, y, method, alternative }: JudgedPair, identifiers: Float64Array): Remedy | null {
  // SDs of a case's few rows differ by chance alone, and say nothing against the coefficient from deviations.
  const within = withinGroup(x, y, identifiers, { method, alternative });
  return Number.isNaN(within.coefficient) ? null : remedyOf('within-cases', within);
}

/** null where the component cannot be held constant. */
export function withoutComponent({ x, y, method, alternative }: JudgedPair, shared: SharedComponent): Remedy | null {
  if (shared.kind === 'inseparable') return null;
  if (shared.kind === 'remaining') return remedyOf('remaining-part', METHODS[method].test(shared.x, shared.y, { alternative }));
  if (METHODS[method].partial.from === 'one-control' && shared.columns.length > 1) return null;
  // A bootstrap for each pair would take too long to look for cautions.
  const partial = partialCorrelation(x, y, shared.columns, { method, alternative, replicates: 0 });
  return Number.isNaN(partial.coefficient) ? null : remedyOf('component-constant', partial);
}
