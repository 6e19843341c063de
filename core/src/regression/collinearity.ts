import { dependencesInTriangle } from './dependences-in-triangle';
import type { DependentSet } from './dependent-sets';
import { modelTriangle } from './model-triangle';
import { type NearDependences, nearDependences } from './near-dependences';

export interface CollinearityOptions {
  /** Names for what is said about exact dependences. */
  names?: readonly string[];
  /** Condition indices of centred columns, without the intercept. Default false: uncentred, with it. */
  centred?: boolean;
}

export interface Collinearity extends NearDependences {
  readonly n: number;
  readonly dependentSets: readonly DependentSet[];
}

/**
 * Near-dependences among predictors (`nearDependences`) and exact ones, over the rows complete for all of them.
 * @throws {RangeError} columns of unequal length, or none.
 *
 * @example
 * collinearity([Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5)]).conditionIndices; // [1, 4.97966, 8.85103]
 */
export function collinearity(predictors: readonly Float64Array[], { names, centred = false }: CollinearityOptions = {}): Collinearity {
  const model = modelTriangle(predictors);
  const keep = predictors.map((_, j) => j);
  return {
    n: model.n,
    ...nearDependences(model, keep, { centred }),
    dependentSets: dependencesInTriangle(model, keep, names),
  };
}
