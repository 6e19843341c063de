import { chiSquaredP } from '../distributions/chi-squared';
import { linearModel } from './linear-model';

export interface BreuschPagan {
  readonly statistic: number;
  readonly df: number;
  readonly pValue: number;
  readonly log10P: number;
  readonly n: number;
}

/**
 * Does the spread of the residuals change with the predictors? n·R² of the squared residuals on the predictors.
 * Source: Breusch & Pagan (1979) in the studentized form of Koenker (1981). Rows complete for all; NaN where the model
 * cannot be fitted or fits exactly.
 * @throws {RangeError} columns of unequal length.
 */
export function breuschPagan(y: Float64Array, predictors: readonly Float64Array[]): BreuschPagan {
  const { residuals } = linearModel(y, predictors);
  const { r2, n } = linearModel(
    residuals.map((value) => value * value),
    predictors,
  );
  const df = predictors.length;
  const statistic = n * r2;
  return { statistic, df, ...chiSquaredP(statistic, df), n };
}
