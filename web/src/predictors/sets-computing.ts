import { largestSets, type ModelTriangle, type Terms } from '@ivlen/core';

/** What can take long, in a worker of its own that can be ended. */
export const setsComputing = {
  largest: (model: ModelTriangle, terms: Terms, limit: number, tell: (visited: number, most: number) => void) =>
    largestSets(model, terms, limit, { tell: (visited, most) => tell(visited, most) }),
};
export type SetsComputing = typeof setsComputing;
