const MOST_SWEEPS = 100;

/** Eigenvalues, largest first, with their vectors as columns of a row-major matrix. */
export interface Eigen {
  readonly values: Float64Array;
  readonly vectors: Float64Array;
}

/**
 * Eigenvalues and vectors of a symmetric matrix, size × size, row-major.
 * Source: Jacobi (1846) by cyclic sweeps; Golub & Van Loan (2013), alg. 8.5.3.
 */
export function symmetricEigen(matrix: Float64Array, size: number): Eigen {
  const a = matrix.slice();
  const v = identity(size);
  for (let sweep = 0; sweep < MOST_SWEEPS; sweep++) {
    let off = 0;
    for (let p = 0; p < size; p++) {
      for (let q = p + 1; q < size; q++) {
        const apq = a[p * size + q];
        off += Math.abs(apq);
        if (Math.abs(apq) <= 1e-300) continue;
        const theta = (a[q * size + q] - a[p * size + p]) / (2 * apq);
        const t = (theta < 0 ? -1 : 1) / (Math.abs(theta) + Math.sqrt(1 + theta * theta));
        const c = 1 / Math.sqrt(1 + t * t);
        rotate(a, v, size, p, q, c, t * c);
      }
    }
    if (off < 1e-290) break;
  }
  const order = Array.from({ length: size }, (_, i) => i).sort((i, j) => a[j * size + j] - a[i * size + i]);
  const vectors = new Float64Array(size * size);
  order.forEach((from, to) => {
    for (let i = 0; i < size; i++) vectors[i * size + to] = v[i * size + from];
  });
  return { values: Float64Array.from(order, (i) => a[i * size + i]), vectors };
}

export function identity(size: number): Float64Array {
  const matrix = new Float64Array(size * size);
  for (let i = 0; i < size; i++) matrix[i * size + i] = 1;
  return matrix;
}

function rotate(a: Float64Array, v: Float64Array, size: number, p: number, q: number, c: number, s: number): void {
  for (let k = 0; k < size; k++) {
    const [akp, akq] = [a[k * size + p], a[k * size + q]];
    a[k * size + p] = c * akp - s * akq;
    a[k * size + q] = s * akp + c * akq;
  }
  for (let k = 0; k < size; k++) {
    const [apk, aqk] = [a[p * size + k], a[q * size + k]];
    a[p * size + k] = c * apk - s * aqk;
    a[q * size + k] = s * apk + c * aqk;
  }
  a[p * size + q] = 0;
  a[q * size + p] = 0;
  for (let k = 0; k < size; k++) {
    const [vkp, vkq] = [v[k * size + p], v[k * size + q]];
    v[k * size + p] = c * vkp - s * vkq;
    v[k * size + q] = s * vkp + c * vkq;
  }
}
