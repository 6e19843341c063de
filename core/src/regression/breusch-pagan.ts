import { presentValues } from '../columns/complete-rows';
import { chiSquaredP } from '../distributions/chi-squared';
import { NO_PROBABILITY } from '../distributions/tail-probability';
import { type LinearModel, linearModel } from './linear-model';
import { modelFromTriangle } from './model-from-triangle';
import { modelTriangle } from './model-triangle';
import { centredUnit, lengthOf, scaleOf } from './unit-columns';

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
 *
 * @example
 * breuschPagan(Float64Array.of(1, 2.1, 2.7, 4.6, 4, 8), [Float64Array.of(1, 2, 3, 4, 5, 6)]).df; // 1
 */
export function breuschPagan(y: Float64Array, predictors: readonly Float64Array[]): BreuschPagan {
  return breuschPaganOf(linearModel(y, predictors), predictors);
}

/**
 * The same for a model that is fitted already, against any columns: its predictors, or its fitted values alone.
 * @param model with residuals and fitted values for each row of the columns
 * @throws {RangeError} columns of unequal length.
 *
 * @example
 * breuschPaganOf(linearModel(Float64Array.of(1, 3, 2, 5, 4, 8), [Float64Array.of(1, 2, 3, 4, 5, 6)]), [Float64Array.of(1, 2, 3, 4, 5, 6)]).df; // 1
 */
export function breuschPaganOf(
  { residuals, fitted, n }: Pick<LinearModel, 'residuals' | 'fitted' | 'n'>,
  columns: readonly Float64Array[],
): BreuschPagan {
  const df = columns.length;
  const rests = presentValues(residuals);
  const { length, tolerance } = centredUnit(presentValues(residuals.map((rest, i) => rest + fitted[i])));
  // What an exact fit leaves is rounding, whose spread says nothing.
  if (!(lengthOf(rests) > tolerance * length)) return { statistic: Number.NaN, df, ...NO_PROBABILITY, n };
  const scale = scaleOf(rests);
  const { r2 } = modelFromTriangle(
    modelTriangle(
      columns,
      residuals.map((value) => (value * scale) ** 2),
    ),
    columns.map((_, j) => j),
  );
  const statistic = n * r2;
  return { statistic, df, ...chiSquaredP(statistic, df), n };
}
