import { quantile } from '../description/quantile';

/**
 * Cuts a quantity into ordered groups 1 … k + 1 at k points: a value below the first point is in group 1, a value equal
 * to a point in the group above it. Missing values (NaN) stay missing.
 * @throws {RangeError} points that do not rise, or none.
 *
 * @example
 * cutAtValues(Float64Array.of(1, 5, 9), [4]); // [1, 2, 2]
 */
export function cutAtValues(x: Float64Array, points: readonly number[]): Float64Array {
  if (points.length === 0) throw new RangeError('a variable is cut at one point at least');
  if (points.some((point, i) => !Number.isFinite(point) || (i > 0 && point <= points[i - 1]))) {
    throw new RangeError(`the points must rise; got ${points.join(', ')}`);
  }
  return x.map((value) => {
    if (value !== value) return value;
    let group = 1;
    for (const point of points) if (value >= point) group++;
    return group;
  });
}

/**
 * The points that cut a quantity into groups of about equal size: its quantiles 1/k, 2/k, … (type 7, Hyndman & Fan
 * 1996). Points that coincide, as with many ties, are given once, so that there can be fewer groups than asked for.
 * Missing values (NaN) are left out; without values there is no point.
 *
 * @example
 * quantilePoints(Float64Array.of(1, 2, 3, 4), 2); // [2.5]
 */
export function quantilePoints(x: Float64Array, groups: number): number[] {
  if (!Number.isInteger(groups) || groups < 2) throw new RangeError(`groups must be a whole number above 1; got ${groups}`);
  const sorted = x.filter((value) => value === value).sort();
  if (sorted.length === 0) return [];
  const points = Array.from({ length: groups - 1 }, (_, i) => quantile(sorted, (i + 1) / groups));
  return [...new Set(points)].filter((point) => point > sorted[0]);
}
