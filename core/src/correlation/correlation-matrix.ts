import { centreColumn } from '../columns/centre';
import { gatherCompletePair, listwiseColumns } from '../columns/complete-rows';
import { assertSameLength, type ResolvedCorrelationOptions, resolveCorrelationOptions } from './options';
import { constantReason, FEWEST_ROWS, testFromProduct, undefinedTest } from './pearson';
import type { CorrelationOptions, CorrelationTest, Method, MissingRule, UndefinedBecause } from './types';
import { toUnitLength, unitProduct } from './unit-product';

export interface MatrixOptions extends CorrelationOptions {
  method: Method;
  missing: MissingRule;
}

/** All arrays are size × size, row-major and symmetric. On the diagonal the coefficient is 1 (NaN if constant), p NaN. */
export interface CorrelationMatrix {
  readonly size: number;
  readonly coefficient: Float64Array;
  readonly pValue: Float64Array;
  readonly log10P: Float64Array;
  readonly n: Int32Array;
  /** Limits of the interval; NaN where there is none. */
  readonly low: Float64Array;
  readonly high: Float64Array;
  /** Why a cell has no coefficient, by cell; null where it has one. "x" is the cell's row, "y" its column. */
  readonly undefinedBecause: readonly (UndefinedBecause | null)[];
}

interface PreparedColumn {
  readonly values: Float64Array;
  readonly complete: boolean;
  readonly constant: boolean;
  readonly present: number;
  /** Centred and of unit length; only for complete columns that vary. */
  readonly unit: Float64Array | null;
}

/**
 * Correlation matrix of several variables.
 *
 * Every cell equals the test of that pair alone; complete columns are centred once and reused for all their pairs.
 * Missing values (NaN): `pairwise` uses the rows complete for the pair, `listwise` those complete for all columns.
 * @param columns values in row order, all of the same length; not changed
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 */
export function correlationMatrix(columns: readonly Float64Array[], options: MatrixOptions): CorrelationMatrix {
  for (const column of columns) assertSameLength(columns[0], column);
  if (options.method !== 'pearson') throw new RangeError(`method must be pearson; got ${String(options.method)}`);
  if (options.missing !== 'pairwise' && options.missing !== 'listwise') {
    throw new RangeError(`missing must be pairwise or listwise; got ${String(options.missing)}`);
  }
  const resolved = resolveCorrelationOptions(options);
  const prepared = (options.missing === 'listwise' ? listwiseColumns(columns) : columns).map(prepareColumn);
  const matrix = emptyMatrix(columns.length);
  const rows = prepared[0]?.values.length ?? 0;
  const scratch = { x: new Float64Array(rows), y: new Float64Array(rows) };

  for (let i = 0; i < matrix.size; i++) {
    setDiagonal(matrix, i, prepared[i]);
    for (let j = 0; j < i; j++) setPair(matrix, i, j, testPrepared(prepared[i], prepared[j], scratch, resolved));
  }
  return matrix;
}

function prepareColumn(values: Float64Array): PreparedColumn {
  let present = 0;
  for (let i = 0; i < values.length; i++) if (values[i] === values[i]) present++;
  const complete = present === values.length;
  if (!complete) {
    return { values, complete, constant: isConstant(values), present, unit: null };
  }
  const { centred, constant } = centreColumn(values);
  if (!constant) toUnitLength(centred);
  return { values, complete, constant, present, unit: constant ? null : centred };
}

function isConstant(values: Float64Array): boolean {
  let first = Number.NaN;
  for (let i = 0; i < values.length; i++) {
    const value = values[i];
    if (value !== value) continue;
    if (first !== first) first = value;
    else if (value !== first) return false;
  }
  return true;
}

function testPrepared(
  a: PreparedColumn,
  b: PreparedColumn,
  scratch: { x: Float64Array; y: Float64Array },
  options: ResolvedCorrelationOptions,
): CorrelationTest {
  if (a.unit && b.unit && a.present >= FEWEST_ROWS) return testFromProduct(unitProduct(a.unit, b.unit), a.present, options);
  const n = gatherCompletePair(a.values, b.values, scratch.x, scratch.y);
  if (n < FEWEST_ROWS) return undefinedTest('too-few-cases', n, options);
  const x = centreColumn(scratch.x, scratch.x, n);
  const y = centreColumn(scratch.y, scratch.y, n);
  const because = constantReason(x.constant, y.constant);
  if (because) return undefinedTest(because, n, options);
  toUnitLength(x.centred);
  toUnitLength(y.centred);
  return testFromProduct(unitProduct(x.centred, y.centred), n, options);
}

function emptyMatrix(size: number): CorrelationMatrix & { undefinedBecause: (UndefinedBecause | null)[] } {
  const cells = size * size;
  return {
    size,
    coefficient: new Float64Array(cells).fill(Number.NaN),
    pValue: new Float64Array(cells).fill(Number.NaN),
    log10P: new Float64Array(cells).fill(Number.NaN),
    n: new Int32Array(cells),
    low: new Float64Array(cells).fill(Number.NaN),
    high: new Float64Array(cells).fill(Number.NaN),
    undefinedBecause: new Array<UndefinedBecause | null>(cells).fill(null),
  };
}

function setDiagonal(matrix: ReturnType<typeof emptyMatrix>, i: number, { constant, present }: PreparedColumn): void {
  const cell = i * matrix.size + i;
  matrix.n[cell] = present;
  matrix.coefficient[cell] = constant ? Number.NaN : 1;
  if (constant) matrix.undefinedBecause[cell] = present < FEWEST_ROWS ? 'too-few-cases' : 'constant-both';
}

function setPair(matrix: ReturnType<typeof emptyMatrix>, i: number, j: number, test: CorrelationTest): void {
  const below = i * matrix.size + j;
  const above = j * matrix.size + i;
  for (const cell of [below, above]) {
    matrix.coefficient[cell] = test.coefficient;
    matrix.pValue[cell] = test.pValue;
    matrix.log10P[cell] = test.log10P;
    matrix.n[cell] = test.n;
    matrix.low[cell] = test.interval?.low ?? Number.NaN;
    matrix.high[cell] = test.interval?.high ?? Number.NaN;
  }
  matrix.undefinedBecause[below] = test.undefinedBecause ?? null;
  matrix.undefinedBecause[above] = mirrored(test.undefinedBecause);
}

function mirrored(because: UndefinedBecause | undefined): UndefinedBecause | null {
  if (because === 'constant-x') return 'constant-y';
  if (because === 'constant-y') return 'constant-x';
  return because ?? null;
}
