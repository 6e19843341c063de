/** |got − wanted| / |wanted|; 0 where both are equal, the absolute difference where 0 is wanted. */
export function relativeError(got: number, wanted: number): number {
  if (Object.is(got, wanted) || got === wanted) return 0;
  return wanted === 0 ? Math.abs(got) : Math.abs(got - wanted) / Math.abs(wanted);
}

/** Log relative error: the number of correct significant digits, 15 at most. */
export function logRelativeError(got: number, certified: number): number {
  const error = relativeError(got, certified);
  return error === 0 ? 15 : Math.min(15, -Math.log10(error));
}

/** A column from JSON, where null stands for a missing value. */
export function column(values: readonly (number | null)[]): Float64Array {
  return Float64Array.from(values, (value) => value ?? Number.NaN);
}
