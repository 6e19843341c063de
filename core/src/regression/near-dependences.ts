import { factorize } from '../linear-algebra/householder';
import { singularValues } from '../linear-algebra/jacobi-svd';
import { columnOfTriangle, type ModelTriangle } from './model-triangle';
import { plainUnit } from './unit-columns';

export interface NearDependences {
  /** Ascending from 1; infinite for an exact dependence. */
  readonly conditionIndices: Float64Array;
  /** Share of each coefficient's variance that belongs to each index: indices × coefficients, row-major, intercept first (if any). */
  readonly varianceProportions: Float64Array;
  /** Of the correlation matrix of the predictors. */
  readonly determinant: number;
  /** Of the correlation matrix, largest first. */
  readonly eigenvalues: Float64Array;
  readonly centred: boolean;
}

/**
 * Condition indices with their variance proportions among some predictors, from the triangle.
 *
 * Source: Belsley, Kuh & Welsch (1980), ch. 3: columns with the intercept scaled to unit length, not centred; singular
 * values by one-sided Jacobi of R, so that small ones keep their digits. Determinant and eigenvalues are those of the
 * correlation matrix; NaN where a predictor does not vary.
 * @param keep numbers of the predictors that stay
 * @param options.centred of centred columns, without the intercept; default false
 *
 * @example
 * nearDependences(modelTriangle([Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5)]), [0, 1]).conditionIndices[1]; // 4.97966
 */
export function nearDependences(
  model: ModelTriangle,
  keep: readonly number[],
  { centred = false }: { centred?: boolean } = {},
): NearDependences {
  const { n, lengths, means } = model;
  const columns = keep.map((j) => columnOfTriangle(model, j));
  const own = squareFactor(columns);
  const correlation = singularValues(own).values;
  const allVary = n > 1 && keep.every((j) => lengths[j] > 0);
  const { values, vectors, rounding } = centred ? decomposed(own) : decomposed(squareFactor(withIntercept()));
  const size = values.length;
  const phi = Float64Array.from({ length: size * size }, (_, at) => {
    const [index, coefficient] = [Math.floor(at / size), at % size];
    return (vectors[coefficient * size + index] / values[index]) ** 2;
  });
  const totals = Float64Array.from({ length: size }, (_, k) =>
    Array.from({ length: size }, (__, j) => phi[j * size + k]).reduce((sum, value) => sum + value, 0),
  );
  return {
    conditionIndices: values.map((value) => (value > rounding ? values[0] / value : Number.POSITIVE_INFINITY)),
    varianceProportions: phi.map((value, at) => value / totals[at % size]),
    determinant: allVary ? correlation.reduce((product, value) => product * value * value, 1) : Number.NaN,
    eigenvalues: correlation.map((value) => (allVary ? value * value : Number.NaN)),
    centred,
  };

  /** The columns as they are, intercept first, to unit length: their mean above what they are about it. */
  function withIntercept(): Float64Array[] {
    const root = Math.sqrt(n);
    const intercept = new Float64Array(lengths.length + 1);
    intercept[0] = 1;
    return [
      intercept,
      ...keep.map((j, k) => {
        const about = root * Math.abs(means[j]);
        const largest = Math.max(about, lengths[j]) || 1;
        const column = Float64Array.of((root * means[j]) / largest, ...columns[k].map((value) => value * (lengths[j] / largest)));
        return plainUnit(column).unit;
      }),
    ];
  }
}

function decomposed(factor: readonly Float64Array[]) {
  const { values: found, vectors } = singularValues(factor);
  // Of an exact dependence only rounding is left; its share of the variances is all of them, in the limit.
  const rounding = found[0] * found.length * Number.EPSILON;
  return { values: found.map((value) => Math.max(value, rounding)), vectors, rounding };
}

/** R of the columns as full columns of size × size: its singular values are theirs. */
function squareFactor(units: readonly Float64Array[]): Float64Array[] {
  const size = units.length;
  const { columns, diagonal, rank } = factorize(units.map((unit) => unit.slice()));
  if (rank < Math.min(size, units[0].length)) return units.map((unit) => unit.slice());
  return columns.map((column, j) => Float64Array.from({ length: size }, (_, i) => (i === j ? diagonal[i] : i < j ? column[i] : 0)));
}
