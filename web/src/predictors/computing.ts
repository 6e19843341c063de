import { blocksFromTriangle, type ModelTriangle, modelFromTriangle, nearDependences, predictFromTriangle, type Terms } from '@ivlen/core';
import { findHarm } from './find-harm';
import { findShares } from './find-shares';

/** Everything that a switch changes, from the triangle alone. */
export const predictorComputing = {
  shares: findShares,
  near: (model: ModelTriangle, columns: readonly number[], centred: boolean) => nearDependences(model, columns, { centred }),
  harm: findHarm,
  fit: (model: ModelTriangle, columns: readonly number[], level: number) => modelFromTriangle(model, columns, { level }),
  blocks: (model: ModelTriangle, blocks: Terms) => blocksFromTriangle(model, blocks),
  /** What each term adds to all others. */
  last: (model: ModelTriangle, terms: Terms) =>
    terms.map((term, k) => blocksFromTriangle(model, [terms.filter((_, other) => other !== k).flat(), term])[1]),
  predict: (model: ModelTriangle, columns: readonly number[], at: readonly number[], level: number) =>
    predictFromTriangle(model, columns, at, { level }),
};
export type PredictorComputing = typeof predictorComputing;
