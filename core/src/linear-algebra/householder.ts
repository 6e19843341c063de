/** A QR factorization by Householder reflections with column pivoting on demand; columns as arrays of equal length. */
export interface QrFactorization {
  /** Reflected columns: R on and above the diagonal, reflectors below it. */
  readonly columns: readonly Float64Array[];
  /** Diagonal of R. */
  readonly diagonal: Float64Array;
  /** Original number of each factored column. */
  readonly pivots: readonly number[];
  readonly rank: number;
}

/**
 * Householder QR (Businger & Golub 1965).
 * @param columns changed in place
 * @param options.pivot take the column with the largest remaining norm next
 * @param options.tolerances a column is dependent on the earlier ones if its remaining norm is not above its own tolerance
 */
export function factorize(
  columns: Float64Array[],
  { pivot = false, tolerances }: { pivot?: boolean; tolerances?: ArrayLike<number> } = {},
): QrFactorization {
  const p = columns.length;
  const n = columns[0]?.length ?? 0;
  const diagonal = new Float64Array(p);
  const pivots = Array.from({ length: p }, (_, j) => j);
  let rank = 0;
  for (let k = 0; k < p; k++) {
    const chosen = choosePivot(columns, pivots, k, pivot, tolerances);
    if (chosen < 0) break;
    swap(columns, k, chosen);
    swap(pivots, k, chosen);
    const column = columns[k];
    const norm = normFrom(column, k);
    if (k >= n || norm === 0) break;
    const sign = column[k] > 0 ? -1 : 1;
    diagonal[k] = sign * norm;
    column[k] -= sign * norm;
    const scale = 1 / (norm * (norm + Math.abs(column[k] + sign * norm)));
    for (let j = k + 1; j < p; j++) reflect(column, columns[j], k, scale);
    rank++;
  }
  return { columns, diagonal, pivots, rank };
}

/** Applies the reflections to a vector, in place: Qᵀy. */
export function applyReflections({ columns, rank }: QrFactorization, y: Float64Array): Float64Array {
  for (let k = 0; k < rank; k++) {
    let square = 0;
    for (let i = k; i < y.length; i++) square += columns[k][i] * columns[k][i];
    reflect(columns[k], y, k, 2 / square);
  }
  return y;
}

/** Undoes the reflections, in place: Qy. */
export function undoReflections({ columns, rank }: QrFactorization, y: Float64Array): Float64Array {
  for (let k = rank - 1; k >= 0; k--) {
    let square = 0;
    for (let i = k; i < y.length; i++) square += columns[k][i] * columns[k][i];
    reflect(columns[k], y, k, 2 / square);
  }
  return y;
}

/** Solves R·b = (first `rank` entries of qty); entries of dependent columns stay 0; in the order of the pivots. */
export function backSubstitute({ columns, diagonal, rank }: QrFactorization, qty: Float64Array): Float64Array {
  const solution = new Float64Array(columns.length);
  for (let k = rank - 1; k >= 0; k--) {
    let sum = qty[k];
    for (let j = k + 1; j < rank; j++) sum -= columns[j][k] * solution[j];
    solution[k] = sum / diagonal[k];
  }
  return solution;
}

/** Solves Rᵀ·d = g for the leading rank × rank part of R; g in the order of the pivots. */
export function forwardSubstitute({ columns, diagonal, rank }: QrFactorization, g: Float64Array): Float64Array {
  const solution = new Float64Array(rank);
  for (let k = 0; k < rank; k++) {
    let sum = g[k];
    for (let i = 0; i < k; i++) sum -= columns[k][i] * solution[i];
    solution[k] = sum / diagonal[k];
  }
  return solution;
}

/** The inverse of the leading rank × rank part of R, row-major, upper triangular. */
export function invertTriangle({ columns, diagonal, rank }: QrFactorization): Float64Array {
  const inverse = new Float64Array(rank * rank);
  for (let j = 0; j < rank; j++) {
    inverse[j * rank + j] = 1 / diagonal[j];
    for (let i = j - 1; i >= 0; i--) {
      let sum = 0;
      for (let k = i + 1; k <= j; k++) sum += columns[k][i] * inverse[k * rank + j];
      inverse[i * rank + j] = -sum / diagonal[i];
    }
  }
  return inverse;
}

function choosePivot(
  columns: readonly Float64Array[],
  pivots: readonly number[],
  k: number,
  pivot: boolean,
  tolerances?: ArrayLike<number>,
): number {
  let best = -1;
  let largest = -1;
  for (let j = k; j < (pivot ? columns.length : k + 1); j++) {
    const norm = normFrom(columns[j], k);
    if (tolerances && !(norm > tolerances[pivots[j]])) continue;
    if (norm > largest) {
      largest = norm;
      best = j;
    }
  }
  return best;
}

function normFrom(column: Float64Array, from: number): number {
  let sum = 0;
  for (let i = from; i < column.length; i++) sum += column[i] * column[i];
  return Math.sqrt(sum);
}

function reflect(reflector: Float64Array, y: Float64Array, from: number, scale: number): void {
  let dot = 0;
  for (let i = from; i < y.length; i++) dot += reflector[i] * y[i];
  dot *= scale;
  for (let i = from; i < y.length; i++) y[i] -= dot * reflector[i];
}

function swap<T>(items: T[], i: number, j: number): void {
  const held = items[i];
  items[i] = items[j];
  items[j] = held;
}
