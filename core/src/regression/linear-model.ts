import { listwiseColumns } from '../columns/complete-rows';
import { assertLevel, assertSameLength } from '../correlation/options';
import { pearson } from '../correlation/pearson';
import { factorize, type QrFactorization, undoReflections } from '../linear-algebra/householder';
import { dependentSets } from './dependent-sets';
import { type ModelSummary, summarizeModel, undefinedSummary } from './model-summary';
import { solveRefined } from './refine';
import { centredUnit, lengthOf, plainUnit, scaleOf, sumOfSquares } from './unit-columns';

/** What of a row's outcome its fit leaves open, up to which that is rounding. */
const LEAST_OWN_REST = 1e-10;

export interface LinearModelOptions {
  /** Names of the predictors, for what is said about exact dependences. */
  names?: readonly string[];
  /** Default true. */
  intercept?: boolean;
  /** Level of the coefficients' intervals. Default .95. */
  level?: number;
}

/** A fitted linear model. Row values have one entry for each row given, NaN where the row is incomplete. */
export interface LinearModel extends ModelSummary {
  readonly residuals: Float64Array;
  readonly fitted: Float64Array;
  readonly leverage: Float64Array;
  /** NaN, as the studentized residual, of a row that the model fits whatever its outcome (leverage 1). */
  readonly cooksDistance: Float64Array;
  /** The residual by its own standard error, estimated without the row (externally studentized): t with one df less. */
  readonly studentized: Float64Array;
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
  if (n <= parameters) return undefinedModel(y.length, undefinedSummary(p, n, intercept, [], 'too-few-cases'));
  if (factors.rank < p)
    return undefinedModel(
      y.length,
      undefinedSummary(p, n, intercept, dependentSets(columns, varying, factors, names), 'dependent-predictors'),
    );

  const { coefficients: all, residuals } = solveRefined({ y: observed, xs, columns, factors, intercept });
  const summary = summarizeModel({
    n,
    coefficients: intercept ? all : all.slice(1),
    factors,
    columns,
    outcomeLength: outcome.length,
    restLength: lengthOf(residuals),
    zeroOrder: Float64Array.from(xs, (x) => pearson(observed, x).coefficient),
    intercept,
    level,
  });
  const { dfResidual } = summary;
  // Ratios of squares: of residuals scaled to about 1, which changes none of them.
  const scale = scaleOf(residuals);
  const rests = residuals.map((value) => value * scale);
  const unexplained = sumOfSquares(rests);
  const variance = unexplained / dfResidual;
  const leverage = leverages(factors, n, intercept);
  const spread = rowSpreader(y, predictors);
  return {
    ...summary,
    residuals: spread(residuals),
    fitted: spread(observed.map((value, i) => value - residuals[i])),
    leverage: spread(leverage),
    cooksDistance: spread(
      leverage.map((h, i) => (isItsOwn(h) ? Number.NaN : (rests[i] ** 2 * h) / (variance * parameters * (1 - h) ** 2))),
    ),
    studentized: spread(
      leverage.map((h, i) => {
        const without = Math.sqrt(Math.max(0, unexplained - rests[i] ** 2 / (1 - h)) / (dfResidual - 1));
        const value = rests[i] / (without * Math.sqrt(1 - h));
        // Without a row the others may lie exactly on the model, which leaves nothing to judge it by.
        return isItsOwn(h) || dfResidual < 2 || !Number.isFinite(value) ? Number.NaN : value;
      }),
    ),
  };
}

/** Whether a row is fitted whatever its outcome, up to rounding. */
function isItsOwn(leverage: number): boolean {
  return !(1 - leverage > LEAST_OWN_REST);
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

function undefinedModel(rows: number, summary: ModelSummary): LinearModel {
  const [residuals, fitted, leverage, cooksDistance, studentized] = [0, 1, 2, 3, 4].map(() => new Float64Array(rows).fill(Number.NaN));
  return { ...summary, residuals, fitted, leverage, cooksDistance, studentized };
}
