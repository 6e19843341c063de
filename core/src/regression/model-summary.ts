import type { Interval } from '../correlation/types';
import { fP } from '../distributions/f-distribution';
import { studentP, studentUpperQuantile } from '../distributions/student-t';
import { invertTriangle, type QrFactorization } from '../linear-algebra/householder';
import type { DependentSet } from './dependent-sets';
import { sumOfSquares, type UnitColumn } from './unit-columns';

/**
 * A fitted linear model but for its rows. Coefficients and their values stand intercept first (if there is one), then by
 * predictor; `standardized`, `part`, `partial` and `zeroOrder` by predictor.
 */
export interface ModelSummary {
  readonly n: number;
  readonly coefficients: Float64Array;
  readonly se: Float64Array;
  readonly t: Float64Array;
  readonly pValues: Float64Array;
  readonly intervals: readonly (Interval | null)[];
  readonly standardized: Float64Array;
  /** Correlation of y with what a predictor has beyond the others. */
  readonly part: Float64Array;
  /** Correlation of what y and a predictor each have beyond the others. */
  readonly partial: Float64Array;
  readonly zeroOrder: Float64Array;
  readonly r2: number;
  readonly adjustedR2: number;
  readonly residualSd: number;
  readonly f: number;
  readonly dfModel: number;
  readonly dfResidual: number;
  readonly pValue: number;
  readonly log10P: number;
  /** Exact dependences among the predictors; where there are any, nothing else is computed. */
  readonly dependentSets: readonly DependentSet[];
  readonly undefinedBecause?: 'too-few-cases' | 'dependent-predictors';
}

/** What a fit leaves to be summed up. */
export interface FittedParts {
  readonly n: number;
  /** Intercept first, if there is one. */
  readonly coefficients: Float64Array;
  readonly factors: QrFactorization;
  readonly columns: readonly Pick<UnitColumn, 'length' | 'shift'>[];
  /** ‖y − ȳ‖, or ‖y‖ without intercept. */
  readonly outcomeLength: number;
  /** Length of the residuals. */
  readonly restLength: number;
  readonly zeroOrder: Float64Array;
  readonly intercept: boolean;
  readonly level: number;
}

/** Standard errors, tests and shares of variance of a fit. */
export function summarizeModel(parts: FittedParts): ModelSummary {
  const { n, coefficients, factors, columns, outcomeLength, restLength, zeroOrder, intercept, level } = parts;
  const p = columns.length;
  const offset = intercept ? 1 : 0;
  const dfResidual = n - p - offset;
  const residualSd = restLength / Math.sqrt(dfResidual);
  const left = (restLength / outcomeLength) ** 2;
  const r2 = outcomeLength > 0 ? 1 - left : Number.NaN;
  const f = p > 0 ? (1 - left) / p / (left / dfResidual) : Number.NaN;
  const se = standardErrors(columns, factors, residualSd, n, intercept);
  const t = coefficients.map((coefficient, j) => coefficient / se[j]);
  const tOf = t.subarray(offset);
  const reach = studentUpperQuantile((1 - level) / 2, dfResidual);
  return {
    n,
    coefficients,
    se,
    t,
    pValues: t.map((value) => studentP(value, dfResidual).pValue),
    intervals: Array.from(coefficients, (b, j) => ({ low: b - reach * se[j], high: b + reach * se[j], level, method: 't' })),
    standardized: Float64Array.from(columns, ({ length }, j) => (coefficients[j + offset] * length) / outcomeLength),
    part: tOf.map((value) => value * Math.sqrt((1 - r2) / dfResidual)),
    partial: tOf.map((value) => value / Math.sqrt(value * value + dfResidual)),
    zeroOrder,
    r2,
    adjustedR2: 1 - ((1 - r2) * (intercept ? n - 1 : n)) / dfResidual,
    residualSd,
    f,
    dfModel: p,
    dfResidual,
    ...fP(f, p, dfResidual),
    dependentSets: [],
  };
}

/** A model that cannot be fitted. @param p predictors */
export function undefinedSummary(
  p: number,
  n: number,
  intercept: boolean,
  dependentSets: readonly DependentSet[],
  undefinedBecause: NonNullable<ModelSummary['undefinedBecause']>,
): ModelSummary {
  const missing = (length: number) => new Float64Array(length).fill(Number.NaN);
  const parameters = p + (intercept ? 1 : 0);
  const [coefficients, se, t, pValues] = [0, 1, 2, 3].map(() => missing(parameters));
  const [standardized, part, partial, zeroOrder] = [0, 1, 2, 3].map(() => missing(p));
  return {
    n,
    coefficients,
    se,
    t,
    pValues,
    intervals: new Array(parameters).fill(null),
    standardized,
    part,
    partial,
    zeroOrder,
    r2: Number.NaN,
    adjustedR2: Number.NaN,
    residualSd: Number.NaN,
    f: Number.NaN,
    dfModel: p,
    dfResidual: n - parameters,
    pValue: Number.NaN,
    log10P: Number.NaN,
    dependentSets,
    undefinedBecause,
  };
}

function standardErrors(
  columns: FittedParts['columns'],
  factors: QrFactorization,
  sd: number,
  n: number,
  intercept: boolean,
): Float64Array {
  const p = columns.length;
  const inverse = invertTriangle(factors);
  const slopes = new Float64Array(p);
  const means = new Float64Array(p);
  factors.pivots.forEach((column, row) => {
    let square = 0;
    for (let k = row; k < p; k++) {
      square += inverse[row * p + k] ** 2;
      means[k] += (columns[column].shift / columns[column].length) * inverse[row * p + k];
    }
    slopes[column] = (sd * Math.sqrt(square)) / columns[column].length;
  });
  return intercept ? Float64Array.of(sd * Math.sqrt(1 / n + sumOfSquares(means)), ...slopes) : slopes;
}
