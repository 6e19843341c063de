import { dot } from './dot';
import { identity } from './jacobi-eigen';

const MOST_SWEEPS = 100;

/** Singular values, largest first, with the right singular vectors as columns of a row-major matrix. */
export interface SingularValues {
  readonly values: Float64Array;
  readonly vectors: Float64Array;
}

/**
 * Singular values and right singular vectors of a matrix given by its columns, which are not changed.
 * Source: one-sided Jacobi, Hestenes (1958); Demmel & Veselić (1992) show that small values keep their digits.
 */
export function singularValues(columns: readonly Float64Array[]): SingularValues {
  const size = columns.length;
  const u = columns.map((column) => column.slice());
  const v = identity(size);
  for (let sweep = 0; sweep < MOST_SWEEPS; sweep++) {
    let rotated = false;
    for (let p = 0; p < size; p++) {
      for (let q = p + 1; q < size; q++) {
        const [alpha, beta, gamma] = [dot(u[p], u[p]), dot(u[q], u[q]), dot(u[p], u[q])];
        if (Math.abs(gamma) <= Number.EPSILON * Math.sqrt(alpha * beta)) continue;
        rotated = true;
        const zeta = (beta - alpha) / (2 * gamma);
        const t = (zeta < 0 ? -1 : 1) / (Math.abs(zeta) + Math.sqrt(1 + zeta * zeta));
        const c = 1 / Math.sqrt(1 + t * t);
        const s = c * t;
        for (let i = 0; i < u[p].length; i++) {
          const [a, b] = [u[p][i], u[q][i]];
          u[p][i] = c * a - s * b;
          u[q][i] = s * a + c * b;
        }
        for (let i = 0; i < size; i++) {
          const [a, b] = [v[i * size + p], v[i * size + q]];
          v[i * size + p] = c * a - s * b;
          v[i * size + q] = s * a + c * b;
        }
      }
    }
    if (!rotated) break;
  }
  const norms = u.map((column) => Math.sqrt(dot(column, column)));
  const order = norms.map((_, j) => j).sort((a, b) => norms[b] - norms[a]);
  const vectors = new Float64Array(size * size);
  order.forEach((from, to) => {
    for (let i = 0; i < size; i++) vectors[i * size + to] = v[i * size + from];
  });
  return { values: Float64Array.from(order, (j) => norms[j]), vectors };
}
