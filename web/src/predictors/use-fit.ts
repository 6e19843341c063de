import type { ModelTerm, PredictorModel } from './predictor-model';
import { useComputing } from './use-computing';

/** The regression on some terms from the triangle, handed back with the terms it is on. @param terms null for nothing */
export function useFit(of: readonly unknown[], model: PredictorModel, terms: readonly ModelTerm[] | null, level: number) {
  const columns = terms?.flatMap((term) => term.columns) ?? [];
  return useComputing('fit', of, columns.length > 0 ? [model.triangle, columns, level] : null, terms ?? []);
}
