import { dot } from '../linear-algebra/dot';
import { columnCorrelations, columnOfTriangle, type ModelTriangle } from './model-triangle';
import { orthonormal, withoutDirections } from './orthonormal';
import type { Terms } from './term-inflation';

const ENOUGH = 0.95;
const MOST_NAMED = 3;

/** Who tells a predictor. */
export interface ToldBy {
  /** Places of the terms, in the order in which they were taken. */
  readonly partners: readonly number[];
  /** The share that these tell together. */
  readonly share: number;
  /** Whether that is at least 95 % of what all others tell. */
  readonly enough: boolean;
}

/**
 * The fewest other terms that tell 95 % of what all others tell of one, three at most: forward steps, each taking the one with
 * the largest gain. Leaving out one at a time would name none of two that say the same.
 * @param target place of the term that is told
 * @param whole the share that all others tell of it, from `termInflation`
 * @param between `columnCorrelations`, where they are at hand: for terms of one column each nothing else is needed
 *
 * @example
 * toldBy(modelTriangle([Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5)]), [[0], [1]], 0, 0.64).partners; // [1]
 */
export function toldBy(
  model: ModelTriangle,
  terms: Terms,
  target: number,
  whole: number,
  between: Float64Array = columnCorrelations(model),
): ToldBy {
  if (terms.every((term) => term.length === 1)) {
    return toldBySingle(
      between,
      model.predictors,
      terms.map(([column]) => column),
      target,
      whole,
    );
  }
  const rests = terms.map((term) => term.filter((j) => model.lengths[j] > 0).map((j) => columnOfTriangle(model, j)));
  const own = rests[target];
  const start = volume(own);
  const partners: number[] = [];
  let share = 0;
  while (own.length > 0 && partners.length < MOST_NAMED && !(share >= ENOUGH * whole)) {
    let [best, most] = [-1, share];
    for (let term = 0; term < rests.length; term++) {
      if (term === target || partners.includes(term)) continue;
      const told = shareTold(rests[term]);
      if (told > most) [best, most] = [term, told];
    }
    if (best < 0) break;
    partners.push(best);
    share = most;
    const directions = directionsOf(rests[best]);
    for (const vectors of rests) for (const vector of vectors) for (const direction of directions) takeOff(vector, direction);
  }
  return { partners, share, enough: share >= ENOUGH * whole };

  /** What of the target is told once one more term is added. */
  function shareTold(candidate: readonly Float64Array[]): number {
    const directions = directionsOf(candidate);
    return 1 - (volume(own.map((vector) => withoutDirections(vector, directions))) / start) ** (1 / own.length);
  }
}

function directionsOf(vectors: readonly Float64Array[]): Float64Array[] {
  return orthonormal(vectors.filter((vector) => dot(vector, vector) > NEGLIGIBLE));
}

/** Takes off what lies along a direction of unit length, in place. */
function takeOff(vector: Float64Array, direction: Float64Array): void {
  const along = dot(vector, direction);
  for (let i = 0; i < vector.length; i++) vector[i] -= along * direction[i];
}

/** Squared length up to which a column of unit length is told by what was taken before. */
const NEGLIGIBLE = 1e-20;

/** det of the products of some vectors among themselves; 0 where they depend on each other. */
function volume(vectors: readonly Float64Array[]): number {
  const directions: Float64Array[] = [];
  let product = 1;
  for (const vector of vectors) {
    const rest = withoutDirections(vector, directions);
    const square = dot(rest, rest);
    product *= square;
    if (square > 0) directions.push(rest.map((value) => value / Math.sqrt(square)));
  }
  return product;
}

/** Variance, of one, that is left of a column after others, up to which it is told by them. */
const TOLD = 1e-12;

/** The same for columns by themselves, from their correlations: what was taken is swept out of the few that are looked at. */
function toldBySingle(between: Float64Array, size: number, columns: readonly number[], target: number, whole: number): ToldBy {
  const count = columns.length;
  const r = (a: number, b: number) => between[columns[a] * size + columns[b]];
  const left = new Float64Array(count).fill(1);
  // Of each column taken, in its turn: what it has in common with all others beyond those before it, over the root of its rest.
  const taken: Float64Array[] = [];
  const partners: number[] = [];
  const beyond = (a: number, b: number) => taken.reduce((rest, column) => rest - column[a] * column[b], r(a, b));
  let share = 0;
  while (partners.length < MOST_NAMED && !(share >= ENOUGH * whole)) {
    let [best, most] = [-1, 0];
    for (let k = 0; k < count; k++) {
      if (k === target || partners.includes(k) || !(left[k] > TOLD)) continue;
      const common = beyond(target, k);
      const gain = (common * common) / left[k];
      if (gain > most) [best, most] = [k, gain];
    }
    if (best < 0) break;
    const root = Math.sqrt(left[best]);
    const column = Float64Array.from(columns, (_, k) => beyond(best, k) / root);
    taken.push(column);
    for (let k = 0; k < count; k++) left[k] -= column[k] * column[k];
    partners.push(best);
    share = Math.min(1, share + most);
  }
  return { partners, share, enough: share >= ENOUGH * whole };
}
