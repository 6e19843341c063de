import type { CollinearityResult, RequestOf } from '@ivlen/contract';
import { modelTriangle } from '@ivlen/core';
import { DomainError } from '../errors/domain-error';
import type { AnalysisModule, Tell } from './analysis';
import { type AnalysisColumns, columnOf, endsOf, valuesAt } from './analysis-columns';
import { correlatable } from './needed-variables';
import { completePlaces, predictorColumns, predictorVariables } from './predictor-columns';

/** Goes through the rows of predictors and outcome once; the browser computes the rest from what is left of them. */
export const collinearity: AnalysisModule<'collinearity'> = {
  needs: ({ predictors, outcome }, all) => {
    if (outcome !== null && predictors.some(({ variable }) => variable === outcome)) {
      throw new DomainError('outcome-among-predictors', 'The outcome stands among its predictors.', {
        where: correlatable(all, outcome).name,
        hint: 'Take it out of the predictors, or choose another outcome.',
      });
    }
    return [...predictorVariables(predictors, all), ...(outcome === null ? [] : [correlatable(all, outcome)])];
  },
  run: triangleOfRequest,
  counts: 'rows',
};

function triangleOfRequest({ predictors, outcome }: RequestOf<'collinearity'>, columns: AnalysisColumns, tell: Tell): CollinearityResult {
  const ids = [...predictors.map(({ variable }) => variable), ...(outcome === null ? [] : [outcome])];
  const { places, costs } = completePlaces(ids, columns);
  const { columns: made, of, terms } = predictorColumns(predictors, columns, places);
  const y = outcome === null ? null : valuesAt(columnOf(columns, outcome), places);
  const all = y ? [...made, y] : made;
  const base = {
    kind: 'collinearity' as const,
    n: places.length,
    rowsInUse: columns.rowsInUse,
    terms: [...terms],
    costs,
    columns: [...of],
  };
  const outcomeValues = y && distinctUpToThree(y);
  // A nominal predictor of one level alone has no column at all.
  if (made.length === 0 || places.length === 0) return { ...base, measured: [], outcomeValues, triangle: [] };
  const { means, lengths, tolerances, triangle } = modelTriangle(made, y, tell);
  const size = lengths.length;
  return {
    ...base,
    measured: all.map((column, j) => {
      const { min, max } = endsOf(column) ?? { min: null, max: null };
      return { mean: means[j] ?? 0, length: lengths[j] ?? 0, tolerance: tolerances[j] ?? 0, min, max };
    }),
    outcomeValues,
    triangle: Array.from(lengths, (_, i) => [...triangle.subarray(i * size + i, (i + 1) * size)]).flat(),
  };
}

function distinctUpToThree(values: Float64Array): number {
  const found = new Set<number>();
  for (const value of values) if (found.add(value).size === 3) break;
  return found.size;
}
