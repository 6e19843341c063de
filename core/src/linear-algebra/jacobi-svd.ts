import { dot } from './dot';
import { factorize } from './householder';
import { identity } from './jacobi-eigen';

const MOST_SWEEPS = 100;

/** Singular values, largest first, with the right singular vectors as columns of a row-major matrix. */
export interface SingularValues {
  readonly values: Float64Array;
  readonly vectors: Float64Array;
}

/**
 * Singular values and right singular vectors of a matrix given by its columns, at least as long as they are many, which are
 * not changed.
 * Source: one-sided Jacobi, Hestenes (1958); Demmel & Veselić (1992) show that small values keep their digits. It works on the
 * rows of the pivoted R, which takes few sweeps and leaves the right vectors by themselves (Drmač & Veselić 2008).
 */
export function singularValues(columns: readonly Float64Array[]): SingularValues {
  const size = columns.length;
  const {
    columns: reflected,
    diagonal,
    pivots,
    rank,
  } = factorize(
    columns.map((column) => column.slice()),
    { pivot: true },
  );
  const least = Math.abs(diagonal[0] ?? 0) * size * Number.EPSILON;
  // What is singular has vectors that belong to no value: only the rotations themselves give them.
  if (rank < size || diagonal.some((value) => Math.abs(value) <= least)) return byRotations(columns);
  const rows = Array.from({ length: size }, (_, i) =>
    Float64Array.from({ length: size }, (__, j) => (j === i ? diagonal[i] : j > i ? reflected[j][i] : 0)),
  );
  rotateApart(rows, null);
  const { order, norms } = byNorm(rows);
  const vectors = new Float64Array(size * size);
  order.forEach((from, to) => {
    for (let i = 0; i < size; i++) vectors[pivots[i] * size + to] = rows[from][i] / norms[from];
  });
  return { values: Float64Array.from(order, (j) => norms[j]), vectors };
}

/** The same with the rotations multiplied up. */
function byRotations(columns: readonly Float64Array[]): SingularValues {
  const size = columns.length;
  const u = columns.map((column) => column.slice());
  const v = identity(size);
  rotateApart(u, v);
  const { order, norms } = byNorm(u);
  const vectors = new Float64Array(size * size);
  order.forEach((from, to) => {
    for (let i = 0; i < size; i++) vectors[i * size + to] = v[i * size + from];
  });
  return { values: Float64Array.from(order, (j) => norms[j]), vectors };
}

/** Rotates columns, in place, until no two of them have anything in common. @param v rotated along, unless null */
function rotateApart(u: readonly Float64Array[], v: Float64Array | null): void {
  const size = u.length;
  for (let sweep = 0; sweep < MOST_SWEEPS; sweep++) {
    let rotated = false;
    for (let p = 0; p < size; p++) {
      for (let q = p + 1; q < size; q++) {
        const [a, b] = [u[p], u[q]];
        const gamma = dot(a, b);
        const [alpha, beta] = [dot(a, a), dot(b, b)];
        if (Math.abs(gamma) <= Number.EPSILON * Math.sqrt(alpha * beta)) continue;
        rotated = true;
        const zeta = (beta - alpha) / (2 * gamma);
        const t = (zeta < 0 ? -1 : 1) / (Math.abs(zeta) + Math.sqrt(1 + zeta * zeta));
        const c = 1 / Math.sqrt(1 + t * t);
        const s = c * t;
        for (let i = 0; i < a.length; i++) {
          const [x, y] = [a[i], b[i]];
          a[i] = c * x - s * y;
          b[i] = s * x + c * y;
        }
        if (!v) continue;
        for (let i = 0; i < size; i++) {
          const [x, y] = [v[i * size + p], v[i * size + q]];
          v[i * size + p] = c * x - s * y;
          v[i * size + q] = s * x + c * y;
        }
      }
    }
    if (!rotated) return;
  }
}

function byNorm(u: readonly Float64Array[]): { order: number[]; norms: number[] } {
  const norms = u.map((column) => Math.sqrt(dot(column, column)));
  return { norms, order: norms.map((_, j) => j).sort((a, b) => norms[b] - norms[a]) };
}
