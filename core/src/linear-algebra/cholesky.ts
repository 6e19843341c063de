import { symmetricEigen } from './jacobi-eigen';

/** Lower triangle of a symmetric positive definite matrix, row-major; null where it is not positive definite. */
function cholesky(matrix: Float64Array, size: number): Float64Array | null {
  const lower = new Float64Array(size * size);
  for (let i = 0; i < size; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i * size + j];
      for (let k = 0; k < j; k++) sum -= lower[i * size + k] * lower[j * size + k];
      if (i === j) {
        if (!(sum > 0)) return null;
        lower[i * size + i] = Math.sqrt(sum);
      } else lower[i * size + j] = sum / lower[j * size + j];
    }
  }
  return lower;
}

/** Inverse of a symmetric positive definite matrix by its Cholesky factor; null where it is not positive definite. */
export function invertPositiveDefinite(matrix: Float64Array, size: number): Float64Array | null {
  const lower = cholesky(matrix, size);
  if (!lower) return null;
  const inverse = new Float64Array(size * size);
  const column = new Float64Array(size);
  for (let c = 0; c < size; c++) {
    for (let i = 0; i < size; i++) {
      let sum = i === c ? 1 : 0;
      for (let k = 0; k < i; k++) sum -= lower[i * size + k] * column[k];
      column[i] = sum / lower[i * size + i];
    }
    for (let i = size - 1; i >= 0; i--) {
      let sum = column[i];
      for (let k = i + 1; k < size; k++) sum -= lower[k * size + i] * column[k];
      column[i] = sum / lower[i * size + i];
    }
    for (let i = 0; i < size; i++) inverse[i * size + c] = column[i];
  }
  return inverse;
}

/** A determinant relative to which less is rounding of the entries, for matrices with a diagonal of ones. */
const ROUNDING = 1e-12;

/**
 * Whether data can have this correlation matrix: no eigenvalue below zero, up to rounding. NaN entries: no.
 * @param matrix symmetric with a diagonal of ones
 */
export function isCorrelationMatrix(matrix: Float64Array, size: number): boolean {
  if (matrix.some((value) => !(Math.abs(value) <= 1))) return false;
  return symmetricEigen(matrix, size).values[size - 1] >= -ROUNDING * size;
}

/** ln of the determinant; −Infinity where the matrix is singular up to rounding, NaN where it has a negative eigenvalue or NaN. */
export function logDeterminant(matrix: Float64Array, size: number): number {
  const lower = cholesky(matrix, size);
  if (!lower) return isCorrelationMatrix(matrix, size) ? Number.NEGATIVE_INFINITY : Number.NaN;
  let sum = 0;
  for (let i = 0; i < size; i++) sum += 2 * Math.log(lower[i * size + i]);
  return sum;
}
