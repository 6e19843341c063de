import { REFLECTED_ROWS, triangleBySimd } from '../kernels/reflect';

/**
 * R of the QR factorization of columns, columns × columns, row-major, upper triangular, in the order given. Rows come in
 * blocks, each of which is reflected into the R of those before it, so that long columns are gone through once.
 * Source: Golub & Van Loan (2013), sect. 5.2.4 and 6.5.3 (Householder reflections of a triangle over further rows).
 * @param columns of equal length; not changed
 * @param tell is told how many rows are done
 */
export function triangleOfRows(columns: readonly Float64Array[], tell: (rows: number) => void = () => {}): Float64Array {
  return triangleBySimd(columns, tell) ?? triangleInLoops(columns, tell);
}

/** Without the kernel. */
export function triangleInLoops(columns: readonly Float64Array[], tell: (rows: number) => void = () => {}): Float64Array {
  const size = columns.length;
  const n = columns[0]?.length ?? 0;
  const triangle = new Float64Array(size * size);
  const block = columns.map(() => new Float64Array(REFLECTED_ROWS));
  for (let from = 0; from < n; from += REFLECTED_ROWS) {
    const rows = Math.min(REFLECTED_ROWS, n - from);
    for (let j = 0; j < size; j++) block[j].set(columns[j].subarray(from, from + rows));
    reflectInto(triangle, block, rows);
    tell(from + rows);
  }
  return triangle;
}

function reflectInto(triangle: Float64Array, block: readonly Float64Array[], rows: number): void {
  const size = block.length;
  for (let k = 0; k < size; k++) {
    const reflector = block[k];
    const square = product(reflector, reflector, rows);
    if (square === 0) continue;
    const before = triangle[k * size + k];
    const norm = Math.sqrt(before * before + square);
    const head = before > 0 ? before + norm : before - norm;
    triangle[k * size + k] = before > 0 ? -norm : norm;
    const scale = 1 / (norm * Math.abs(head));
    for (let j = k + 1; j < size; j++) {
      const column = block[j];
      const weight = scale * (head * triangle[k * size + j] + product(reflector, column, rows));
      triangle[k * size + j] -= weight * head;
      for (let i = 0; i < rows; i++) column[i] -= weight * reflector[i];
    }
  }
}

function product(a: Float64Array, b: Float64Array, rows: number): number {
  let sum = 0;
  for (let i = 0; i < rows; i++) sum += a[i] * b[i];
  return sum;
}
