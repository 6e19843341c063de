import { presentValues } from '../columns/complete-rows';
import { decidingWithin, withinGroup } from '../comparison/within-group';
import { METHODS } from '../correlation/methods';
import { partialCorrelation } from '../correlation/partial-correlation';
import { bentColumn, bentTogether } from '../correlation/percentage-bend';
import type { Alternative, UndefinedBecause } from '../correlation/types';
import { COEFFICIENTS } from '../display/coefficients';
import { maximumLikelihood, testLikelihood } from '../missing-values/maximum-likelihood';
import type { WayHeld, WayMethod } from './choices';

/** Fewer rows than this make no way: an interval and its comparison need four. */
export const FEWEST_IN_A_WAY = 4;

/** Why a way has no coefficient. */
export type Impossible =
  | UndefinedBecause
  /** The coefficient has no form that holds this constant. */
  | 'no-such-partial'
  /** Maximum likelihood is there for r with nothing held constant only, and has to settle. */
  | 'no-likelihood';

/** What a way comes to. */
export interface WayResult {
  readonly coefficient: number;
  /** Limits; NaN where there is no interval. */
  readonly low: number;
  readonly high: number;
  /** NaN where there is none. */
  readonly pValue: number;
  readonly n: number;
  readonly impossible: Impossible | null;
}

export interface TestOptions {
  readonly alternative: Alternative;
  readonly level: number;
}

/** The coefficient of a way, of complete rows. @param bent columns for the percentage bend, where they are kept */
export function testWay(
  method: WayMethod,
  x: Float64Array,
  y: Float64Array,
  held: WayHeld,
  options: TestOptions,
  bent: (column: Float64Array) => Float64Array | null = bentColumn,
): WayResult {
  const n = x.length;
  if (n < FEWEST_IN_A_WAY) return impossibleWay('too-few-cases', n);
  if (method === 'percentage-bend') {
    if (held.kind !== 'nothing') return impossibleWay('no-such-partial', n);
    const { coefficient, pValue } = bentTogether(bent(x), bent(y), n, options.alternative);
    if (Number.isNaN(coefficient)) return impossibleWay(constantOf(x, y), n);
    return { coefficient, low: Number.NaN, high: Number.NaN, pValue, n, impossible: null };
  }
  const test = testHeld(method, x, y, held, options);
  if (!test) return impossibleWay('no-such-partial', n);
  if (test.undefinedBecause) return impossibleWay(test.undefinedBecause, test.n);
  const { coefficient, pValue, interval } = test;
  return { coefficient, low: interval?.low ?? Number.NaN, high: interval?.high ?? Number.NaN, pValue, n: test.n, impossible: null };
}

/** r by maximum likelihood, of rows that may lack one of the two. */
export function testLikelihoodWay(method: WayMethod, x: Float64Array, y: Float64Array, held: WayHeld, options: TestOptions): WayResult {
  if (method !== 'pearson' || held.kind !== 'nothing') return impossibleWay('no-likelihood', x.length);
  const found = maximumLikelihood([x, y]);
  if (found.undefinedBecause === 'too-few-cases') return impossibleWay('too-few-cases', found.n);
  if (found.undefinedBecause) return impossibleWay(constantOf(presentValues(x), presentValues(y)), found.n);
  if (!found.converged) return impossibleWay('no-likelihood', found.n);
  const { coefficient, pValue, interval, n } = testLikelihood(found, 0, 1, options);
  return { coefficient, low: interval?.low ?? Number.NaN, high: interval?.high ?? Number.NaN, pValue, n, impossible: null };
}

function testHeld(method: Exclude<WayMethod, 'percentage-bend'>, x: Float64Array, y: Float64Array, held: WayHeld, options: TestOptions) {
  switch (held.kind) {
    case 'nothing':
      return METHODS[method].test(x, y, options);
    case 'controls':
      if (held.columns.length > COEFFICIENTS[method].mostControls) return null;
      // τ of one control has an interval by thousands of samples only, which no figure of many ways can wait for.
      return partialCorrelation(x, y, held.columns, { method, ...options, replicates: 0 });
    case 'groups':
      return decidingWithin(withinGroup(x, y, held.labels, { method, ...options }));
  }
}

function constantOf(x: Float64Array, y: Float64Array): Impossible {
  const [a, b] = [x, y].map((column) => column.every((value) => value === column[0]));
  if (a && b) return 'constant-both';
  return a ? 'constant-x' : b ? 'constant-y' : 'constant-both';
}

/** A way without a coefficient, and why. */
export function impossibleWay(impossible: Impossible, n: number): WayResult {
  return { coefficient: Number.NaN, low: Number.NaN, high: Number.NaN, pValue: Number.NaN, n, impossible };
}
