import { symmetricEigen } from './jacobi-eigen';

export interface NearestCorrelation {
  /** size × size, row-major, a diagonal of ones, no eigenvalue below zero up to rounding. */
  readonly matrix: Float64Array;
  /** The largest change of a coefficient. */
  readonly largestChange: number;
  readonly rounds: number;
  readonly converged: boolean;
}

const MOST_ROUNDS = 2000;
const STILL = 1e-12;
/** Eigenvalues this far below zero, for each row, are rounding. */
const ROUNDING = 1e-12;

/**
 * The smallest eigenvalue of a symmetric matrix; below zero, no data can have it as their correlation matrix. NaN with NaN.
 *
 * @example
 * smallestEigenvalue(Float64Array.of(1, 0.5, 0.5, 1), 2); // 0.5
 */
export function smallestEigenvalue(matrix: Float64Array, size: number): number {
  if (matrix.some((value) => value !== value)) return Number.NaN;
  return symmetricEigen(matrix, size).values[size - 1];
}

/**
 * The correlation matrix nearest to a symmetric one, by the sum of squares of the differences: projections onto matrices
 * without negative eigenvalues and onto those with a diagonal of ones in turn, with Dykstra's correction.
 * Source: Higham (2002), alg. 3.3.
 * @param matrix symmetric, finite, size × size
 * @throws {RangeError} a matrix of another size, or with NaN
 *
 * @example
 * nearestCorrelation(Float64Array.of(1, 1, 0, 1, 1, 1, 0, 1, 1), 3).matrix[1]; // 0.76069
 */
export function nearestCorrelation(matrix: Float64Array, size: number): NearestCorrelation {
  if (matrix.length !== size * size) throw new RangeError(`matrix must have ${size} × ${size} entries; got ${matrix.length}`);
  if (matrix.some((value) => !Number.isFinite(value))) throw new RangeError('matrix must be finite');
  let y: Float64Array = matrix.slice();
  let correction = new Float64Array(size * size);
  let [rounds, converged] = [0, false];
  while (rounds < MOST_ROUNDS && !converged) {
    rounds++;
    const corrected = y.map((value, at) => value - correction[at]);
    const projected = withoutNegative(corrected, size);
    correction = projected.map((value, at) => value - corrected[at]);
    const next = projected.map((value, at) => (at % (size + 1) === 0 ? 1 : value));
    converged = next.every((value, at) => Math.abs(value - y[at]) <= STILL);
    y = next;
  }
  const largestChange = y.reduce((most, value, at) => Math.max(most, Math.abs(value - matrix[at])), 0);
  return { matrix: y, largestChange, rounds, converged: converged || smallestEigenvalue(y, size) >= -ROUNDING * size };
}

/** The nearest matrix without a negative eigenvalue. */
function withoutNegative(matrix: Float64Array, size: number): Float64Array {
  const { values, vectors } = symmetricEigen(matrix, size);
  const found = new Float64Array(size * size);
  for (let k = 0; k < size; k++) {
    if (values[k] <= 0) continue;
    for (let i = 0; i < size; i++) {
      for (let j = 0; j <= i; j++) found[i * size + j] += values[k] * vectors[i * size + k] * vectors[j * size + k];
    }
  }
  for (let i = 0; i < size; i++) for (let j = 0; j < i; j++) found[j * size + i] = found[i * size + j];
  return found;
}
