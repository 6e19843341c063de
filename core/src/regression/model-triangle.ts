import { listwiseColumns } from '../columns/complete-rows';
import { assertSameLength } from '../correlation/options';
import { factorize, type QrFactorization } from '../linear-algebra/householder';
import { triangleOfRows } from '../linear-algebra/triangle-of-rows';
import { centredUnit, type UnitColumn } from './unit-columns';

/**
 * What a linear model needs of its rows once they have been gone through: everything but values of single rows follows from
 * it, for these predictors and for any of them, at a cost that does not depend on the number of rows.
 */
export interface ModelTriangle {
  /** Rows complete for all columns. */
  readonly n: number;
  /** R of the centred columns, each brought to unit length, the outcome last if there is one: columns × columns, row-major. */
  readonly triangle: Float64Array;
  /** ‖x − x̄‖ of each column; 0 where it does not vary. */
  readonly lengths: Float64Array;
  readonly means: Float64Array;
  /** Remaining norms of a unit column up to this are rounding. */
  readonly tolerances: Float64Array;
  readonly predictors: number;
  readonly hasOutcome: boolean;
}

/**
 * Goes through the rows of predictors and outcome once.
 *
 * Source: QR of [1 | X | y]; its lower right part is the triangle of the centred columns (Golub & Van Loan 2013, sect. 5.3.8).
 * Rows complete for all columns; a column without variation is a column of zeros.
 * @param tell is told how many rows are done, of how many
 * @throws {RangeError} columns of unequal length, or no predictor.
 *
 * @example
 * modelTriangle([Float64Array.of(1, 2, 3, 4)], Float64Array.of(3, 5, 8, 9)).means; // [2.5, 6.25]
 */
export function modelTriangle(
  predictors: readonly Float64Array[],
  outcome: Float64Array | null = null,
  tell: (rows: number, of: number) => void = () => {},
): ModelTriangle {
  if (predictors.length === 0) throw new RangeError('predictors must hold at least one column');
  const given = outcome ? [...predictors, outcome] : predictors;
  assertSameLength(given[0], ...given);
  const complete = given.some(hasGaps) ? listwiseColumns(given) : given;
  const n = complete[0].length;
  const columns = complete.map((column) => centredUnit(column));
  return {
    n,
    triangle: triangleOfRows(
      columns.map(({ empty, unit }) => (empty ? new Float64Array(n) : unit)),
      (rows) => tell(rows, n),
    ),
    lengths: Float64Array.from(columns, ({ empty, length }) => (empty ? 0 : length)),
    means: Float64Array.from(columns, ({ shift, remainder }) => shift + remainder),
    tolerances: Float64Array.from(columns, ({ empty, tolerance }) => (empty ? 1 : tolerance)),
    predictors: predictors.length,
    hasOutcome: outcome !== null,
  };
}

/** A column of the triangle, as long as the triangle is wide. */
export function columnOfTriangle({ triangle, lengths }: ModelTriangle, j: number): Float64Array {
  return Float64Array.from(lengths, (_, i) => triangle[i * lengths.length + j]);
}

/** Some predictors, factored with pivoting. */
export interface KeptPredictors {
  /** Those that vary, in the order given. */
  readonly varying: readonly number[];
  readonly factors: QrFactorization;
}

/** @param keep numbers of the predictors that stay */
export function factorKept(model: ModelTriangle, keep: readonly number[]): KeptPredictors {
  const varying = keep.filter((j) => model.lengths[j] > 0);
  const factors = factorize(
    varying.map((j) => columnOfTriangle(model, j)),
    { pivot: true, tolerances: varying.map((j) => model.tolerances[j]) },
  );
  return { varying, factors };
}

/** The columns as what is said about exact dependences needs them. */
export function asUnitColumns({ lengths, means, tolerances }: ModelTriangle): UnitColumn[] {
  return Array.from(lengths, (length, j) => ({
    unit: new Float64Array(0),
    length,
    shift: means[j],
    remainder: 0,
    empty: length === 0,
    tolerance: tolerances[j],
  }));
}

/**
 * The correlation of two columns, over the rows complete for all; NaN where one does not vary.
 *
 * @example
 * correlationInTriangle(modelTriangle([Float64Array.of(1, 2, 3, 4), Float64Array.of(3, 5, 8, 9)]), 0, 1); // 0.984495
 */
export function correlationInTriangle({ triangle, lengths }: ModelTriangle, a: number, b: number): number {
  if (!(lengths[a] > 0 && lengths[b] > 0)) return Number.NaN;
  const size = lengths.length;
  let sum = 0;
  for (let i = 0; i <= Math.min(a, b); i++) sum += triangle[i * size + a] * triangle[i * size + b];
  return Math.max(-1, Math.min(1, sum));
}

/**
 * The correlations of all predictors' columns, columns × columns, row-major; NaN where one does not vary.
 *
 * @example
 * columnCorrelations(modelTriangle([Float64Array.of(1, 2, 3, 4), Float64Array.of(4, 3, 2, 1)])); // [1, -1, -1, 1]
 */
export function columnCorrelations(model: ModelTriangle): Float64Array {
  const size = model.predictors;
  const between = new Float64Array(size * size);
  for (let a = 0; a < size; a++) {
    between[a * size + a] = model.lengths[a] > 0 ? 1 : Number.NaN;
    for (let b = 0; b < a; b++) {
      const r = correlationInTriangle(model, a, b);
      between[a * size + b] = r;
      between[b * size + a] = r;
    }
  }
  return between;
}

function hasGaps(column: Float64Array): boolean {
  for (let i = 0; i < column.length; i++) if (column[i] !== column[i]) return true;
  return false;
}
