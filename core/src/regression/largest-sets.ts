import type { ModelTriangle } from './model-triangle';
import { inflationWithoutEach, type Terms, termInflation } from './term-inflation';

export interface LargestSets {
  /** How many terms the largest sets have. */
  readonly size: number;
  /** Places of the terms of each, with the largest inflation in it; the least inflated first. */
  readonly sets: readonly { readonly terms: readonly number[]; readonly largest: number }[];
  /** Whether these are all such sets; else one was found by leaving out one term at a time. */
  readonly complete: boolean;
}

const MOST_VISITED = 200_000;
const TOLD_EVERY = 1000;

/**
 * All largest sets of terms in which no inflation is above a limit. Inflation never falls when a term is added, so that what
 * stands in no allowed set of two stands in no larger one: depth first, with that and the size found so far as bounds, finds all.
 * After so many sets it goes on by leaving out one at a time, the one without which the largest inflation is smallest.
 * @param limit of VIF, or of GVIF^(1/df) for a term of several columns
 * @param options.most sets visited; default 200,000
 * @param options.tell is told how many were visited, now and then
 *
 * @example
 * largestSets(modelTriangle([Float64Array.of(1, 2, 3, 4), Float64Array.of(1, 2, 3, 5)]), [[0], [1]], 5).size; // 1
 */
export function largestSets(
  model: ModelTriangle,
  terms: Terms,
  limit: number,
  { most = MOST_VISITED, tell }: { most?: number; tell?: (visited: number, most: number) => void } = {},
): LargestSets {
  const alone = termInflation(model, terms);
  // The least inflated first: they stand together, so that a large set is found early and bounds the rest.
  const order = terms
    .map((_, k) => k)
    .filter((k) => largestAmong([k]) <= limit)
    .sort((a, b) => alone[a].inflation - alone[b].inflation);
  let visited = 0;
  let found: { readonly terms: readonly number[]; readonly largest: number }[] = [];
  let size = 0;
  search([], order);
  if (visited > most) return oneAtATime(model, terms, order, limit);
  return { size, sets: found.sort((a, b) => a.largest - b.largest), complete: true };

  function search(chosen: readonly number[], candidates: readonly number[]): void {
    visited++;
    if (visited % TOLD_EVERY === 0) tell?.(visited, most);
    if (visited > most || chosen.length + candidates.length < size) return;
    const together = [...chosen, ...candidates];
    const largest = largestAmong(together);
    if (largest <= limit) {
      keep(together, largest);
      return;
    }
    const [next, ...rest] = candidates;
    const withNext = [...chosen, next];
    search(
      withNext,
      rest.filter((term) => largestAmong([...withNext, term]) <= limit),
    );
    search(chosen, rest);
  }

  function keep(set: readonly number[], largest: number): void {
    if (set.length === 0 || set.length < size) return;
    if (set.length > size) found = [];
    size = set.length;
    found.push({ terms: [...set].sort((a, b) => a - b), largest });
  }

  function largestAmong(set: readonly number[]): number {
    return largestInflation(
      termInflation(
        model,
        set.map((k) => terms[k]),
      ).map(({ inflation }) => inflation),
    );
  }
}

/**
 * The largest inflation there is; 1 among none. What does not vary, or has too few rows, makes it NaN.
 *
 * @example
 * largestInflation([1.2, 8, 3]); // 8
 */
export function largestInflation(inflations: ArrayLike<number>): number {
  let largest = 1;
  for (let k = 0; k < inflations.length; k++) if (!(inflations[k] <= largest)) largest = inflations[k];
  return largest;
}

function oneAtATime(model: ModelTriangle, terms: Terms, order: readonly number[], limit: number): LargestSets {
  let left = [...order];
  while (left.length > 1) {
    const now = left.map((k) => terms[k]);
    const largest = largestInflation(termInflation(model, now).map(({ inflation }) => inflation));
    if (largest <= limit) return { size: left.length, sets: [{ terms: left.sort((a, b) => a - b), largest }], complete: false };
    const without = inflationWithoutEach(model, now).map((others) => largestInflation(others.filter((value) => value === value)));
    const best = without.reduce((least, value, k) => (value < without[least] ? k : least), 0);
    left = left.filter((_, k) => k !== best);
  }
  return { size: left.length, sets: left.map((k) => ({ terms: [k], largest: 1 })), complete: false };
}
