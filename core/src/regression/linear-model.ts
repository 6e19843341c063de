import { listwiseColumns } from '../columns/complete-rows';
import { assertLevel, assertSameLength } from '../correlation/options';
import { pearson } from '../correlation/pearson';
import type { Interval } from '../correlation/types';
import { fP } from '../distributions/f-distribution';
import { studentP, studentUpperQuantile } from '../distributions/student-t';
import { factorize, invertTriangle, type QrFactorization, undoReflections } from '../linear-algebra/householder';
import { type DependentSet, dependentSets } from './dependent-sets';
import { solveRefined } from './refine';
import { centredUnit, plainUnit, sumOfSquares, type UnitColumn } from './unit-columns';

export interface LinearModelOptions {
  /** Names of the predictors, for what is said about exact dependences. */
  names?: readonly string[];
  /** Default true. */
  intercept?: boolean;
  /** Level of the coefficients' intervals. Default .95. */
  level?: number;
}

/**
 * A fitted linear model. Coefficients and their values stand intercept first (if there is one), then by predictor;
 * `standardized`, `part`, `partial` and `zeroOrder` by predictor. Row values have one entry for each row given, NaN
 * where the row is incomplete.
 */
export interface LinearModel {
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
  readonly residuals: Float64Array;
  readonly fitted: Float64Array;
  readonly leverage: Float64Array;
  readonly cooksDistance: Float64Array;
  /** Exact dependences among the predictors; where there are any, nothing else is computed. */
  readonly dependentSets: readonly DependentSet[];
  readonly undefinedBecause?: 'too-few-cases' | 'dependent-predictors';
}

/**
 * Least-squares regression of y on predictors, over the rows complete for all of them.
 *
 * Source: Householder QR (Golub 1965) of centred columns of unit length; coefficients and residuals refined together
 * in twice the working precision (Björck 1967). Without intercept R² = 1 − SSE/Σy². Leverage Hoaglin & Welsch (1978), distance
 * Cook (1977). An exact fit gives F infinite and p 0. Fewer rows than coefficients, or exactly dependent predictors, give
 * NaN with the reason.
 * @throws {RangeError} columns of unequal length, no predictor without intercept, or an option that does not exist.
 *
 * @example
 * linearModel(Float64Array.of(3, 5, 8, 9), [Float64Array.of(1, 2, 3, 4)]).r2; // 0.969231
 */
export function linearModel(
  y: Float64Array,
  predictors: readonly Float64Array[],
  { names, intercept = true, level = 0.95 }: LinearModelOptions = {},
): LinearModel {
  assertSameLength(y, ...predictors);
  assertLevel(level);
  if (predictors.length === 0 && !intercept) throw new RangeError('a model needs a predictor or an intercept');
  const [observed, ...xs] = listwiseColumns([y, ...predictors]);
  const n = observed.length;
  const p = predictors.length;
  const parameters = p + (intercept ? 1 : 0);
  const unitOf = intercept ? centredUnit : plainUnit;
  const columns = xs.map((x) => unitOf(x));
  const outcome = unitOf(observed);
  const varying = columns.flatMap(({ empty }, j) => (empty ? [] : [j]));
  const factors = factorize(
    varying.map((j) => columns[j].unit.slice()),
    { pivot: true, tolerances: varying.map((j) => columns[j].tolerance) },
  );
  if (n <= parameters) return undefinedModel(y.length, p, n, intercept, [], 'too-few-cases');
  if (factors.rank < p)
    return undefinedModel(y.length, p, n, intercept, dependentSets(columns, varying, factors, names), 'dependent-predictors');

  const { coefficients: all, residuals } = solveRefined({ y: observed, xs, columns, factors, intercept });
  const coefficients = intercept ? all : all.slice(1);
  const dfResidual = n - parameters;
  const total = outcome.length ** 2;
  const unexplained = sumOfSquares(residuals);
  const residualSd = Math.sqrt(unexplained / dfResidual);
  const r2 = total > 0 ? 1 - unexplained / total : Number.NaN;
  const f = p > 0 ? (total - unexplained) / p / (unexplained / dfResidual) : Number.NaN;
  const se = standardErrors(columns, factors, residualSd, n, intercept);
  const t = coefficients.map((coefficient, j) => coefficient / se[j]);
  const offset = intercept ? 1 : 0;
  const tOf = t.subarray(offset);
  const reach = studentUpperQuantile((1 - level) / 2, dfResidual);
  const leverage = leverages(factors, n, intercept);
  const cooksDistance = leverage.map((h, i) => (residuals[i] ** 2 * h) / (residualSd ** 2 * parameters * (1 - h) ** 2));
  const spread = rowSpreader(y, predictors);
  return {
    n,
    coefficients,
    se,
    t,
    pValues: t.map((value) => studentP(value, dfResidual).pValue),
    intervals: Array.from(coefficients, (b, j) => ({ low: b - reach * se[j], high: b + reach * se[j], level, method: 't' })),
    standardized: Float64Array.from(columns, ({ length }, j) => (coefficients[j + offset] * length) / outcome.length),
    part: tOf.map((value) => value * Math.sqrt((1 - r2) / dfResidual)),
    partial: tOf.map((value) => value / Math.sqrt(value * value + dfResidual)),
    zeroOrder: Float64Array.from(xs, (x) => pearson(observed, x).coefficient),
    r2,
    adjustedR2: 1 - ((1 - r2) * (intercept ? n - 1 : n)) / dfResidual,
    residualSd,
    f,
    dfModel: p,
    dfResidual,
    ...fP(f, p, dfResidual),
    residuals: spread(residuals),
    fitted: spread(observed.map((value, i) => value - residuals[i])),
    leverage: spread(leverage),
    cooksDistance: spread(cooksDistance),
    dependentSets: [],
  };
}

function standardErrors(columns: readonly UnitColumn[], factors: QrFactorization, sd: number, n: number, intercept: boolean): Float64Array {
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

function leverages(factors: QrFactorization, n: number, intercept: boolean): Float64Array {
  const leverage = new Float64Array(n).fill(intercept ? 1 / n : 0);
  for (let k = 0; k < factors.rank; k++) {
    const basis = new Float64Array(n);
    basis[k] = 1;
    undoReflections(factors, basis);
    for (let i = 0; i < n; i++) leverage[i] += basis[i] * basis[i];
  }
  return leverage;
}

/** Puts values of the complete rows back into their places. */
function rowSpreader(y: Float64Array, predictors: readonly Float64Array[]): (values: Float64Array) => Float64Array {
  const complete = y.reduce<number[]>((rows, value, i) => {
    if (value === value && predictors.every((x) => x[i] === x[i])) rows.push(i);
    return rows;
  }, []);
  return (values) => {
    const all = new Float64Array(y.length).fill(Number.NaN);
    complete.forEach((row, k) => {
      all[row] = values[k];
    });
    return all;
  };
}

function undefinedModel(
  rows: number,
  p: number,
  n: number,
  intercept: boolean,
  sets: readonly DependentSet[],
  undefinedBecause: NonNullable<LinearModel['undefinedBecause']>,
): LinearModel {
  const missing = (length: number) => new Float64Array(length).fill(Number.NaN);
  const parameters = p + (intercept ? 1 : 0);
  const [coefficients, se, t, pValues] = [0, 1, 2, 3].map(() => missing(parameters));
  const [standardized, part, partial, zeroOrder] = [0, 1, 2, 3].map(() => missing(p));
  const [residuals, fitted, leverage, cooksDistance] = [0, 1, 2, 3].map(() => missing(rows));
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
    residuals,
    fitted,
    leverage,
    cooksDistance,
    dependentSets: sets,
    undefinedBecause,
  };
}
