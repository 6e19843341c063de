/** Smallest and largest value of some rows; a constant stands in the middle of an axis that still has a length. */
export function extentOf(values: Float64Array, rows: Uint32Array): readonly [number, number] {
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  for (const row of rows) {
    const value = values[row] ?? 0;
    if (value < low) low = value;
    if (value > high) high = value;
  }
  if (low > high) return [0, 1];
  return low === high ? [low - (Math.abs(low) || 1) / 2, high + (Math.abs(high) || 1) / 2] : [low, high];
}
