import { dot } from '../linear-algebra/dot';

/** What is left of a vector relative to its length, up to which it is rounding. */
const NEGLIGIBLE = 1e-10;

/** Directions of unit length that span some vectors: modified Gram–Schmidt (Björck 1967); what adds no direction adds none. */
export function orthonormal(vectors: readonly Float64Array[]): Float64Array[] {
  const directions: Float64Array[] = [];
  for (const vector of vectors) {
    const rest = withoutDirections(vector, directions);
    const [left, whole] = [Math.sqrt(dot(rest, rest)), Math.sqrt(dot(vector, vector))];
    if (left > NEGLIGIBLE * whole) directions.push(rest.map((value) => value / left));
  }
  return directions;
}

/** A vector less what lies along some directions of unit length. */
export function withoutDirections(vector: Float64Array, directions: readonly Float64Array[]): Float64Array {
  const rest = vector.slice();
  for (const direction of directions) {
    const along = dot(rest, direction);
    for (let i = 0; i < rest.length; i++) rest[i] -= along * direction[i];
  }
  return rest;
}
