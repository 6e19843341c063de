/**
 * Sample quantile by linear interpolation, type 7 of Hyndman & Fan (1996).
 * @param sorted ascending values without NaN
 * @param p probability in [0, 1]
 */
export function quantile(sorted: Float64Array, p: number): number {
  if (sorted.length === 0) return Number.NaN;
  const position = (sorted.length - 1) * p;
  const below = Math.floor(position);
  const share = position - below;
  if (share === 0) return sorted[below];
  // Weighted rather than low + share·(high − low): the difference of opposite extremes could overflow.
  return sorted[below] * (1 - share) + sorted[below + 1] * share;
}
