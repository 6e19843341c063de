import { centreColumn } from '../columns/centre';
import { listwiseColumns } from '../columns/complete-rows';
import { assertSameLength } from '../correlation/options';
import { factorize, type QrFactorization, undoReflections } from '../linear-algebra/householder';
import type { NormalityUndefined } from './normality-test';

/** Complete rows of several columns, rotated and scaled to an identity sum of products. */
export interface Sphered {
  readonly n: number;
  /** How many columns there are. */
  readonly p: number;
  /** Columns q with Σqᵢqⱼ = 1 or 0: the squared length of a row is its Mahalanobis distance over n or n − 1. */
  readonly columns: readonly Float64Array[];
  /** Centred columns of unit length, before rotation. */
  readonly units: readonly Float64Array[];
  /** Of the centred columns of unit length, not pivoted: they are the columns above times its R. */
  readonly factors: QrFactorization;
}

/** What of a unit column is left beyond the others must be more than this, else the columns are dependent. */
const INDEPENDENT = 1e-12;

/**
 * Orthonormal basis of the centred columns by Householder QR, listwise.
 * @throws {RangeError} columns of unequal length, or none.
 */
export function sphere(columns: readonly Float64Array[]): Sphered | { readonly n: number; readonly undefinedBecause: NormalityUndefined } {
  if (columns.length === 0) throw new RangeError('columns must hold at least one column');
  assertSameLength(columns[0], ...columns);
  const complete = listwiseColumns(columns);
  const n = complete[0].length;
  const p = columns.length;
  if (n <= p) return { n, undefinedBecause: 'too-few-cases' };
  const centred = complete.map((column) => centreColumn(column));
  if (centred.some(({ constant }) => constant)) return { n, undefinedBecause: 'constant' };
  const units = centred.map(({ centred: values }) => unitLength(values));
  const factors = factorize(
    units.map((unit) => unit.slice()),
    { tolerances: new Float64Array(p).fill(INDEPENDENT) },
  );
  if (factors.rank < p) return { n, undefinedBecause: 'singular' };
  // The first p columns of Q, by undoing the reflections on unit vectors.
  const basis = Array.from({ length: p }, (_, j) => {
    const column = new Float64Array(n);
    column[j] = 1;
    return undoReflections(factors, column);
  });
  return { n, p, columns: basis, units, factors };
}

function unitLength(values: Float64Array): Float64Array {
  const length = Math.sqrt(values.reduce((sum, value) => sum + value * value, 0));
  return values.map((value) => value / length);
}
