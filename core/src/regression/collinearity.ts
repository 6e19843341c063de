import { listwiseColumns } from '../columns/complete-rows';
import { factorize } from '../linear-algebra/householder';
import { singularValues } from '../linear-algebra/jacobi-svd';
import { type DependentSet, dependentSets } from './dependent-sets';
import { plainUnit } from './unit-columns';
import { factorPredictors } from './variance-inflation';

export interface CollinearityOptions {
  /** Names for what is said about exact dependences. */
  names?: readonly string[];
  /** Condition indices of centred columns, without the intercept. Default false: uncentred, with it. */
  centred?: boolean;
}

export interface Collinearity {
  readonly n: number;
  /** Ascending from 1; infinite for an exact dependence. */
  readonly conditionIndices: Float64Array;
  /** Share of each coefficient's variance that belongs to each index: indices × coefficients, row-major, intercept first (if any). */
  readonly varianceProportions: Float64Array;
  /** Of the correlation matrix of the predictors. */
  readonly determinant: number;
  /** Of the correlation matrix, largest first. */
  readonly eigenvalues: Float64Array;
  readonly dependentSets: readonly DependentSet[];
  readonly centred: boolean;
}

/**
 * Near-dependences among predictors, over the rows complete for all of them.
 *
 * Source: Belsley, Kuh & Welsch (1980), ch. 3: columns with the intercept scaled to unit length, not centred; singular
 * values by one-sided Jacobi of R, so that small ones keep their digits. Determinant and eigenvalues are those of the
 * correlation matrix. A predictor without variation gives NaN there.
 * @throws {RangeError} columns of unequal length, or none.
 *
 * @example
 * collinearity([Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5)]).conditionIndices; // [1, 4.97966, 8.85103]
 */
export function collinearity(predictors: readonly Float64Array[], { names, centred = false }: CollinearityOptions = {}): Collinearity {
  const { n, columns, varying, factors } = factorPredictors(predictors);
  const complete = listwiseColumns(predictors);
  const own = squareFactor(columns.map(({ unit }) => unit));
  const correlation = singularValues(own).values;
  const allVary = varying.length === predictors.length && n > 1;
  const scaled = centred ? own : squareFactor([plainUnit(new Float64Array(n).fill(1)), ...complete.map(plainUnit)].map(({ unit }) => unit));
  const { values: found, vectors } = singularValues(scaled);
  const size = found.length;
  // Of an exact dependence only rounding is left; its share of the variances is all of them, in the limit.
  const rounding = found[0] * size * Number.EPSILON;
  const values = found.map((value) => Math.max(value, rounding));
  const phi = Float64Array.from({ length: size * size }, (_, at) => {
    const [index, coefficient] = [Math.floor(at / size), at % size];
    return (vectors[coefficient * size + index] / values[index]) ** 2;
  });
  const totals = Float64Array.from({ length: size }, (_, k) =>
    Array.from({ length: size }, (__, j) => phi[j * size + k]).reduce((sum, value) => sum + value, 0),
  );
  return {
    n,
    conditionIndices: values.map((value) => (value > rounding ? values[0] / value : Number.POSITIVE_INFINITY)),
    varianceProportions: phi.map((value, at) => value / totals[at % size]),
    determinant: allVary ? correlation.reduce((product, value) => product * value * value, 1) : Number.NaN,
    eigenvalues: correlation.map((value) => (allVary ? value * value : Number.NaN)),
    dependentSets: dependentSets(columns, varying, factors, names),
    centred,
  };
}

/** R of the columns as full columns of size × size: its singular values are theirs. */
function squareFactor(units: readonly Float64Array[]): Float64Array[] {
  const size = units.length;
  const { columns, diagonal, rank } = factorize(units.map((unit) => unit.slice()));
  if (rank < Math.min(size, units[0].length)) return units.map((unit) => unit.slice());
  return columns.map((column, j) => Float64Array.from({ length: size }, (_, i) => (i === j ? diagonal[i] : i < j ? column[i] : 0)));
}
