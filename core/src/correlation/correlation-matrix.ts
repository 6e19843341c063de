import { listwiseColumns } from '../columns/complete-rows';
import { type Adjustment, adjustPValues } from './adjust-p-values';
import { METHODS, resolveOptionsOf } from './methods';
import { assertSameLength } from './options';
import type { PreparedColumns } from './prepared-columns';
import { FEWEST_ROWS } from './test-result';
import type { CorrelationOptions, CorrelationTest, Method, MissingRule, PMethod, UndefinedBecause } from './types';

export interface MatrixOptions extends CorrelationOptions {
  method: Method;
  missing: MissingRule;
  /** Adjusts the p-values of the distinct pairs for their number; by default they stay as they are. */
  adjust?: Adjustment;
  /** The cells to be computed, row not less than column; the others stay NaN. Default: all. Not to be combined with `adjust`. */
  only?: (row: number, column: number) => boolean;
  /** What was made of the columns before, as they are here. Not to be combined with listwise deletion. */
  prepared?: PreparedColumns;
  /** Told after each row of pairs how many of those to be computed are done. */
  onProgress?: (done: number) => void;
}

/** All arrays are size × size, row-major and symmetric. On the diagonal the coefficient is 1 (NaN if constant), p NaN. */
export interface CorrelationMatrix {
  readonly size: number;
  readonly method: Method;
  readonly coefficient: Float64Array;
  readonly pValue: Float64Array;
  readonly log10P: Float64Array;
  /** null unless an adjustment was asked for; the family is the distinct pairs with a defined p. */
  readonly adjustedP: Float64Array | null;
  readonly n: Int32Array;
  /** Limits of the interval; NaN where there is none. */
  readonly low: Float64Array;
  readonly high: Float64Array;
  /** How each p was got; on the diagonal as for a pair that has none. */
  readonly pMethod: readonly PMethod[];
  /** Why a cell has no coefficient, by cell; null where it has one. "x" is the cell's row, "y" its column. */
  readonly undefinedBecause: readonly (UndefinedBecause | null)[];
}

/**
 * Correlation matrix of several variables.
 *
 * Every cell equals the test of that pair alone: see `pearson`, `spearman` and `kendall`. Each column is centred or
 * sorted once and reused for all its pairs. Missing values (NaN): `pairwise` uses the rows complete for the pair,
 * `listwise` those complete for all columns.
 * @param columns values in row order, all of the same length; not changed
 * @throws {RangeError} columns of unequal length, or an option that does not exist or that the method does not have.
 *
 * @example
 * correlationMatrix([Float64Array.of(1, 2, 3, 4), Float64Array.of(1, 3, 2, 4)], { method: 'kendall',
 *   missing: 'pairwise' }).coefficient; // [1, 0.666667, 0.666667, 1]
 */
export function correlationMatrix(columns: readonly Float64Array[], options: MatrixOptions): CorrelationMatrix {
  for (const column of columns) assertSameLength(columns[0], column);
  const resolved = resolveOptionsOf(options.method, options);
  if (options.missing !== 'pairwise' && options.missing !== 'listwise') {
    throw new RangeError(`missing must be pairwise or listwise; got ${String(options.missing)}`);
  }
  if (options.prepared && options.missing === 'listwise') throw new RangeError('prepared columns cannot be cut down to complete rows');
  const used = options.missing === 'listwise' ? listwiseColumns(columns) : columns;
  const pairs = METHODS[options.method].preparePairs(used, resolved, options.prepared ?? {});
  const matrix = emptyMatrix(columns.length, options.method);
  let done = 0;
  for (let i = 0; i < matrix.size; i++) {
    if (!options.only || options.only(i, i)) setDiagonal(matrix, i, matrixDiagonal(used[i]));
    for (let j = 0; j < i; j++) {
      if (options.only && !options.only(i, j)) continue;
      setPair(matrix, i, j, pairs.test(i, j));
      done++;
    }
    options.onProgress?.(done);
  }
  return options.adjust ? { ...matrix, adjustedP: adjustedMatrix(matrix, options.adjust) } : matrix;
}

type Draft = CorrelationMatrix & { pMethod: PMethod[]; undefinedBecause: (UndefinedBecause | null)[] };

function emptyMatrix(size: number, method: Method): Draft {
  const cells = size * size;
  const missing = () => new Float64Array(cells).fill(Number.NaN);
  return {
    size,
    method,
    coefficient: missing(),
    pValue: missing(),
    log10P: missing(),
    adjustedP: null,
    n: new Int32Array(cells),
    low: missing(),
    high: missing(),
    pMethod: new Array<PMethod>(cells).fill(METHODS[method].approximateP),
    undefinedBecause: new Array<UndefinedBecause | null>(cells).fill(null),
  };
}

function setDiagonal(matrix: Draft, i: number, { coefficient, n, undefinedBecause }: MatrixDiagonal): void {
  const cell = i * matrix.size + i;
  matrix.coefficient[cell] = coefficient;
  matrix.n[cell] = n;
  matrix.undefinedBecause[cell] = undefinedBecause;
}

/** What a matrix says of a variable with itself. */
export interface MatrixDiagonal {
  /** 1, or NaN of a constant. */
  readonly coefficient: number;
  /** Values that are present. */
  readonly n: number;
  readonly undefinedBecause: UndefinedBecause | null;
}

/**
 * The cell of a correlation matrix where a variable meets itself.
 *
 * @example
 * matrixDiagonal(Float64Array.of(1, 3, NaN)); // { coefficient: 1, n: 2, undefinedBecause: null }
 */
export function matrixDiagonal(column: Float64Array): MatrixDiagonal {
  let n = 0;
  let constant = true;
  let first = Number.NaN;
  for (let i = 0; i < column.length; i++) {
    const value = column[i];
    if (value !== value) continue;
    if (n++ === 0) first = value;
    else if (value !== first) constant = false;
  }
  if (!constant) return { coefficient: 1, n, undefinedBecause: null };
  return { coefficient: Number.NaN, n, undefinedBecause: n < FEWEST_ROWS ? 'too-few-cases' : 'constant-both' };
}

function setPair(matrix: Draft, i: number, j: number, test: CorrelationTest): void {
  const below = i * matrix.size + j;
  const above = j * matrix.size + i;
  for (const cell of [below, above]) {
    matrix.coefficient[cell] = test.coefficient;
    matrix.pValue[cell] = test.pValue;
    matrix.log10P[cell] = test.log10P;
    matrix.n[cell] = test.n;
    matrix.low[cell] = test.interval?.low ?? Number.NaN;
    matrix.high[cell] = test.interval?.high ?? Number.NaN;
    matrix.pMethod[cell] = test.pMethod;
  }
  matrix.undefinedBecause[below] = test.undefinedBecause ?? null;
  matrix.undefinedBecause[above] = mirrored(test.undefinedBecause);
}

function mirrored(because: UndefinedBecause | undefined): UndefinedBecause | null {
  if (because === 'constant-x') return 'constant-y';
  if (because === 'constant-y') return 'constant-x';
  return because ?? null;
}

function adjustedMatrix({ size, pValue }: CorrelationMatrix, adjust: Adjustment): Float64Array {
  const cells = Array.from({ length: size }, (_, i) => Array.from({ length: i }, (__, j) => [i * size + j, j * size + i] as const)).flat();
  const adjusted = adjustPValues(
    cells.map(([below]) => pValue[below]),
    adjust,
  );
  const matrix = new Float64Array(size * size).fill(Number.NaN);
  cells.forEach(([below, above], k) => {
    matrix[below] = adjusted[k];
    matrix[above] = adjusted[k];
  });
  return matrix;
}
