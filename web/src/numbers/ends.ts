/** The greatest of some values; a spread of many into a call overruns the stack. */
export function greatest(values: readonly number[]): number {
  return values.reduce((most, value) => Math.max(most, value), Number.NEGATIVE_INFINITY);
}

/** The least of some values. */
export function least(values: readonly number[]): number {
  return values.reduce((fewest, value) => Math.min(fewest, value), Number.POSITIVE_INFINITY);
}
