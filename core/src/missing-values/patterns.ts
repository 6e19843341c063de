import { invertPositiveDefinite } from '../linear-algebra/cholesky';

/** Rows in which the same variables are there. */
export interface Pattern {
  /** The variables that are there, ascending; at least one. */
  readonly observed: readonly number[];
  readonly missing: readonly number[];
  readonly rows: readonly number[];
}

/** Rows by what is there of them; rows of nothing are left out. */
export function patternsOf(columns: readonly Float64Array[]): readonly Pattern[] {
  const byKey = new Map<string, number[]>();
  for (let row = 0; row < (columns[0]?.length ?? 0); row++) {
    let key = '';
    for (const column of columns) key += column[row] === column[row] ? '1' : '0';
    const rows = byKey.get(key);
    if (rows) rows.push(row);
    else byKey.set(key, [row]);
  }
  const places = (key: string, sign: string) => [...key].flatMap((is, variable) => (is === sign ? [variable] : []));
  return [...byKey].flatMap(([key, rows]) => (key.includes('1') ? [{ observed: places(key, '1'), missing: places(key, '0'), rows }] : []));
}

/** The rows and columns of some places of a square matrix. */
export function submatrix(matrix: Float64Array, size: number, places: readonly number[]): Float64Array {
  const part = new Float64Array(places.length ** 2);
  for (let i = 0; i < places.length; i++) {
    for (let j = 0; j < places.length; j++) part[i * places.length + j] = matrix[places[i] * size + places[j]];
  }
  return part;
}

/** The missing variables of a pattern given the others: the weights of their regressions, and the covariances of what is left. */
export interface MissingGivenRest {
  /** A row for each missing variable. */
  readonly weights: Float64Array;
  readonly rest: Float64Array;
}

/** @param precision inverse of the covariances: of few missing variables hardly anything has to be computed from it */
export function missingGivenRest(precision: Float64Array, size: number, { observed, missing }: Pattern): MissingGivenRest | null {
  const [q, m] = [observed.length, missing.length];
  const rest = invertPositiveDefinite(submatrix(precision, size, missing), m);
  if (!rest) return null;
  const weights = new Float64Array(m * q);
  for (let a = 0; a < m; a++) {
    for (let b = 0; b < q; b++) {
      let sum = 0;
      for (let k = 0; k < m; k++) sum -= rest[a * m + k] * precision[missing[k] * size + observed[b]];
      weights[a * q + b] = sum;
    }
  }
  return { weights, rest };
}

/** Inverse of the covariances of what is there in a pattern. */
export function observedPrecision(precision: Float64Array, size: number, pattern: Pattern): Float64Array | null {
  const { observed, missing } = pattern;
  const given = missingGivenRest(precision, size, pattern);
  if (!given) return null;
  const q = observed.length;
  const inverse = submatrix(precision, size, observed);
  for (let a = 0; a < q; a++) {
    for (let b = 0; b < q; b++) {
      for (let k = 0; k < missing.length; k++) inverse[a * q + b] += precision[observed[a] * size + missing[k]] * given.weights[k * q + b];
    }
  }
  return inverse;
}
