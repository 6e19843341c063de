import {
  columnCorrelations,
  type DependentSet,
  dependencesInTriangle,
  inflationWithoutEach,
  largestInflation,
  type ModelTriangle,
  type TermInflation,
  type Terms,
  type ToldBy,
  termInflation,
  toldBy,
} from '@ivlen/core';

/** Of which at least so much is told, those who tell it are sought. */
const NAMED_FROM = 0.5;

export interface ClosePair {
  /** Numbers of two columns of different predictors. */
  readonly a: number;
  readonly b: number;
  readonly r: number;
}

/** What some predictors tell of each other; all lists are in the order of the terms. */
export interface Shares {
  readonly inflation: readonly TermInflation[];
  /** null where hardly anything is told. */
  readonly told: readonly (ToldBy | null)[];
  /** The largest inflation that remains without each. */
  readonly largestWithout: readonly number[];
  readonly largest: number;
  /** All pairs of columns, the closest first. */
  readonly pairs: readonly ClosePair[];
  readonly dependences: readonly DependentSet[];
}

/** So many of the closest pairs are kept. */
const MOST_PAIRS = 200;

/** @param terms columns of each predictor that varies */
export function findShares(model: ModelTriangle, terms: Terms): Shares {
  const inflation = termInflation(model, terms);
  const between = columnCorrelations(model);
  return {
    inflation,
    told: inflation.map(({ share }, k) => (share >= NAMED_FROM && terms.length > 1 ? toldBy(model, terms, k, share, between) : null)),
    largestWithout: inflationWithoutEach(model, terms).map((others, k) => largestInflation(others.filter((_, at) => at !== k))),
    largest: largestInflation(inflation.map((term) => term.inflation)),
    pairs: closestPairs(between, model.predictors, terms),
    dependences: dependencesInTriangle(model, terms.flat()),
  };
}

function closestPairs(between: Float64Array, size: number, terms: Terms): ClosePair[] {
  const pairs = terms.flatMap((first, k) =>
    terms.slice(k + 1).flatMap((second) => first.flatMap((a) => second.map((b) => ({ a, b, r: between[a * size + b] ?? Number.NaN })))),
  );
  return pairs.sort((one, other) => Math.abs(other.r) - Math.abs(one.r)).slice(0, MOST_PAIRS);
}
