import { listwiseColumns } from '../columns/complete-rows';
import { assertSameLength } from '../correlation/options';
import { factorize, invertTriangle, type QrFactorization } from '../linear-algebra/householder';
import { type DependentSet, dependentSets } from './dependent-sets';
import { dependentColumns } from './exact-dependences';
import { centredUnit, type UnitColumn } from './unit-columns';

export interface VarianceInflation {
  /** 1/tolerance; infinite where the other predictors tell this one exactly. */
  readonly vif: Float64Array;
  readonly tolerance: Float64Array;
  /** Share of the predictor that the others tell: its R² on them. */
  readonly r2: Float64Array;
  readonly n: number;
  readonly dependentSets: readonly DependentSet[];
  /** R of the centred unit columns, predictors × predictors, row-major: enough to leave predictors out without the data. */
  readonly triangle: Float64Array;
}

/** Centred unit columns of the complete rows with their pivoted factorization. */
interface Factored {
  readonly n: number;
  readonly columns: readonly UnitColumn[];
  /** The columns that vary, which alone are factored. */
  readonly varying: readonly number[];
  readonly factors: QrFactorization;
}

/** @throws {RangeError} columns of unequal length, or none. */
function factorPredictors(predictors: readonly Float64Array[]): Factored {
  if (predictors.length === 0) throw new RangeError('predictors must hold at least one column');
  assertSameLength(predictors[0], ...predictors);
  const complete = listwiseColumns(predictors);
  const columns = complete.map(centredUnit);
  const varying = columns.flatMap(({ empty }, j) => (empty ? [] : [j]));
  const factors = factorize(
    varying.map((j) => columns[j].unit.slice()),
    { pivot: true, tolerances: varying.map((j) => columns[j].tolerance) },
  );
  return { n: complete[0].length, columns, varying, factors };
}

/**
 * Variance inflation factors of predictors, over the rows complete for all of them.
 *
 * Source: Marquardt (1970); VIFⱼ is the squared length of row j of R⁻¹ of the centred unit columns (Stewart 1987).
 * Predictors in an exact dependence have VIF infinite and tolerance 0; a predictor without variation, or not more rows
 * than predictors, gives NaN.
 * @param options.names names for what is said about exact dependences
 * @throws {RangeError} columns of unequal length, or none.
 *
 * @example
 * varianceInflation([Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5)]).vif; // [2.77778, 2.77778]
 */
export function varianceInflation(predictors: readonly Float64Array[], { names }: { names?: readonly string[] } = {}): VarianceInflation {
  const factored = factorPredictors(predictors);
  const { n, columns, varying, factors } = factored;
  const p = predictors.length;
  const sets = dependentSets(columns, varying, factors, names);
  const vif = new Float64Array(p).fill(Number.NaN);
  const triangle = triangleOf(factored, p);
  if (n > p) {
    rowLengths(factors).forEach((square, position) => {
      vif[varying[factors.pivots[position]]] = square;
    });
    for (const column of dependentColumns(factors)) vif[varying[column]] = Number.POSITIVE_INFINITY;
  }
  return { vif, tolerance: vif.map((value) => 1 / value), r2: vif.map((value) => 1 - 1 / value), n, dependentSets: sets, triangle };
}

/**
 * Variance inflation factors after leaving predictors out, from R alone: its kept columns are triangularized anew, at a
 * cost that does not depend on the number of rows. As in `varianceInflation` all that take part in an exact dependence are
 * infinite, and those without variation NaN.
 * @param triangle from `varianceInflation`
 * @param keep numbers of the predictors that stay
 *
 * @example
 * inflationAmong(varianceInflation([Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5)]).triangle,
 *   [0]); // [1]
 */
export function inflationAmong(triangle: Float64Array, keep: readonly number[]): Float64Array {
  const p = Math.round(Math.sqrt(triangle.length));
  const columns = keep.map((j) => Float64Array.from({ length: p }, (_, i) => triangle[i * p + j]));
  const varying = columns.flatMap((column, k) => (column.some((value) => value !== 0) ? [k] : []));
  const factors = factorize(
    varying.map((k) => columns[k]),
    { pivot: true, tolerances: new Float64Array(varying.length).fill(1e-12) },
  );
  const vif = new Float64Array(keep.length).fill(Number.NaN);
  rowLengths(factors).forEach((square, position) => {
    vif[varying[factors.pivots[position]]] = square;
  });
  for (const column of dependentColumns(factors)) vif[varying[column]] = Number.POSITIVE_INFINITY;
  return vif;
}

function rowLengths(factors: QrFactorization): Float64Array {
  const { rank } = factors;
  const inverse = invertTriangle(factors);
  return Float64Array.from({ length: rank }, (_, row) => {
    let square = 0;
    for (let k = row; k < rank; k++) square += inverse[row * rank + k] ** 2;
    return square;
  });
}

/** R with its columns in the order of the predictors; no longer triangular, but RᵀR is their correlation matrix. */
function triangleOf({ varying, factors }: Factored, p: number): Float64Array {
  const triangle = new Float64Array(p * p);
  factors.columns.forEach((column, position) => {
    const j = varying[factors.pivots[position]];
    for (let i = 0; i < Math.min(position, factors.rank); i++) triangle[i * p + j] = column[i];
    if (position < factors.rank) triangle[position * p + j] = factors.diagonal[position];
  });
  return triangle;
}
