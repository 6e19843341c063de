import { formerTerms } from '../../../predictors/predictor-model';
import { useFit } from '../../../predictors/use-fit';
import type { PartProps } from '../stage-props';

/** Coefficients and SEs before the switches whose ghosts stay, by the name of the column; null without any. */
export function useFormerModel({ model, settings, chosen, of }: PartProps): ReadonlyMap<string, { b: number; se: number }> | null {
  const { data } = useFit(of, model, formerTerms(model, chosen.predictors, settings.before), settings.level);
  if (!settings.before || !data || data.found.undefinedBecause) return null;
  const { facts, found } = data;
  const columns = facts.flatMap((term) => term.columns);
  const value = (k: number) => ({ b: found.coefficients[k] ?? Number.NaN, se: found.se[k] ?? Number.NaN });
  return new Map([['intercept', value(0)], ...columns.map((column, k) => [model.columnNames[column] ?? '', value(k + 1)] as const)]);
}
