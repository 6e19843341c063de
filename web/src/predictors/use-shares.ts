import type { ModelTerm, PredictorModel } from './predictor-model';
import { useComputing } from './use-computing';

/** What some terms tell of each other, handed back with the model and the terms it is of. @param terms null for nothing */
export function useShares(of: readonly unknown[], model: PredictorModel, terms: readonly ModelTerm[] | null) {
  const columns = terms?.map((term) => term.columns) ?? [];
  const isEnough = columns.length > 0 && model.triangle.n > 1;
  return useComputing('shares', of, isEnough ? [model.triangle, columns] : null, { model, terms: terms ?? [] });
}
