import { chiSquaredP } from '../distributions/chi-squared';
import { NO_PROBABILITY } from '../distributions/tail-probability';
import { invertPositiveDefinite, logDeterminant } from '../linear-algebra/cholesky';
import { assertSize } from './coefficient';

/** A correlation matrix, size × size, row-major, of n complete rows (listwise). */
export interface GroupMatrix {
  readonly matrix: Float64Array;
  readonly n: number;
}

/** Rows in each group, for each coefficient of the matrix, below which Jennrich's test rejects too often. */
const ROWS_FOR_EACH_COEFFICIENT = 5;

export interface MatricesTest extends MatrixTest {
  /** Whether a group is too small for the level to hold. */
  readonly rejectsTooOften: boolean;
}

export interface MatrixTest {
  readonly statistic: number;
  readonly df: number;
  readonly pValue: number;
  readonly log10P: number;
  readonly undefinedBecause?: 'too-few-cases' | 'singular' | 'not-a-correlation-matrix';
}

/**
 * Are the correlation matrices of k independent groups equal?
 * Source: Jennrich (1970), eqs. 3.4–3.6. Pearson, listwise, each n above the number of variables; NaN otherwise, and
 * where the pooled matrix is singular. Below about 5·p(p − 1)/2 rows in a group it rejects too often (8 % for 5 %
 * among four groups of p = 6, n = 20), which `rejectsTooOften` says.
 * @throws {RangeError} fewer than two groups, or matrices that are not square and of one size.
 *
 * @example
 * compareMatrices([{ matrix: Float64Array.of(1, 0.6, 0.6, 1), n: 60 }, { matrix: Float64Array.of(1, 0.1, 0.1, 1),
 *   n: 60 }]).pValue; // 0.00180283
 */
export function compareMatrices(groups: readonly GroupMatrix[]): MatricesTest {
  if (groups.length < 2) throw new RangeError(`groups must be at least two; got ${groups.length}`);
  const size = sizeOf(groups[0].matrix);
  for (const { matrix, n } of groups) {
    if (matrix.length !== size * size) throw new RangeError(`matrices must be of one size; got ${matrix.length} and ${size * size} cells`);
    assertSize(n);
  }
  const df = ((groups.length - 1) * size * (size - 1)) / 2;
  const rejectsTooOften = groups.some(({ n }) => n < (ROWS_FOR_EACH_COEFFICIENT * size * (size - 1)) / 2);
  const none = { statistic: Number.NaN, df, ...NO_PROBABILITY, rejectsTooOften };
  if (groups.some(({ n }) => n <= size)) return { ...none, undefinedBecause: 'too-few-cases' };
  const total = groups.reduce((sum, { n }) => sum + n, 0);
  const pooled = new Float64Array(size * size);
  for (const { matrix, n } of groups)
    matrix.forEach((value, at) => {
      pooled[at] += (n * value) / total;
    });
  const inverse = invertPositiveDefinite(pooled, size);
  const weights =
    inverse &&
    invertPositiveDefinite(
      pooled.map((value, at) => (isDiagonal(at, size) ? 1 : 0) + value * inverse[at]),
      size,
    );
  if (!inverse || !weights || inverse.some(Number.isNaN)) return { ...none, undefinedBecause: 'singular' };
  let statistic = 0;
  for (const { matrix, n } of groups) {
    const z = multiply(
      inverse,
      matrix.map((value, at) => Math.sqrt(n) * (value - pooled[at])),
      size,
    );
    const diagonal = Float64Array.from({ length: size }, (_, i) => z[i * size + i]);
    for (let i = 0; i < size; i++)
      for (let j = 0; j < size; j++) {
        statistic += (z[i * size + j] * z[j * size + i]) / 2 - diagonal[i] * weights[i * size + j] * diagonal[j];
      }
  }
  return { statistic, df, ...chiSquaredP(statistic, df), rejectsTooOften };
}

/**
 * Are all correlations of a matrix zero? Source: Bartlett (1951), −(n − 1 − (2p + 5)/6)·ln|R|, χ² on p(p − 1)/2 degrees
 * of freedom. Pearson, listwise; infinite where the matrix is singular, NaN where it has NaN or a negative eigenvalue, as
 * pairwise deletion can bring about.
 * @throws {RangeError} a matrix that is not square.
 *
 * @example
 * bartlettSphericity(Float64Array.of(1, 0.5, 0.5, 1), 40).pValue; // 0.00102156
 */
export function bartlettSphericity(matrix: Float64Array, n: number): MatrixTest {
  const size = sizeOf(matrix);
  assertSize(n);
  const df = (size * (size - 1)) / 2;
  if (n <= size) return { statistic: Number.NaN, df, pValue: Number.NaN, log10P: Number.NaN, undefinedBecause: 'too-few-cases' };
  const determinant = logDeterminant(matrix, size);
  if (Number.isNaN(determinant)) {
    return { statistic: Number.NaN, df, ...NO_PROBABILITY, undefinedBecause: 'not-a-correlation-matrix' };
  }
  const statistic = -(n - 1 - (2 * size + 5) / 6) * determinant;
  return { statistic, df, ...chiSquaredP(statistic, df) };
}

function sizeOf(matrix: Float64Array): number {
  const size = Math.round(Math.sqrt(matrix.length));
  if (size < 2 || size * size !== matrix.length)
    throw new RangeError(`matrix must be square and hold two variables at least; got ${matrix.length} cells`);
  return size;
}

function isDiagonal(at: number, size: number): boolean {
  return at % (size + 1) === 0;
}

function multiply(a: Float64Array, b: Float64Array, size: number): Float64Array {
  const product = new Float64Array(size * size);
  for (let i = 0; i < size; i++)
    for (let k = 0; k < size; k++) for (let j = 0; j < size; j++) product[i * size + j] += a[i * size + k] * b[k * size + j];
  return product;
}
