/** Why a scale cannot be applied to a variable, how many values stand in its way, and what would serve. */
export interface Refusal {
  readonly because: 'values-not-positive' | 'negative-values' | 'zeros-or-both-signs' | 'no-variation';
  /** How many values the scale cannot take. */
  readonly count: number;
  /** What to add to every value so that the scale can be applied; null where no shift would serve. */
  readonly shift: number | null;
}

/** A variable on another scale. */
export interface Transformed {
  /** In row order, NaN where missing; null where the scale is refused. */
  readonly values: Float64Array | null;
  /** Whether the order is reversed, so that every correlation changes its sign. */
  readonly reversed: boolean;
  /** Whether the scale keeps (or reverses) the order of the values at all. */
  readonly monotone: boolean;
  readonly refused: Refusal | null;
}

export function kept(values: Float64Array): Transformed {
  return { values, reversed: false, monotone: true, refused: null };
}

export function reversed(values: Float64Array): Transformed {
  return { values, reversed: true, monotone: true, refused: null };
}

export function refuse(refused: Refusal): Transformed {
  return { values: null, reversed: false, monotone: true, refused };
}

/** Counts present values that fulfil a condition. */
export function countWhere(x: Float64Array, condition: (value: number) => boolean): number {
  let count = 0;
  for (const value of x) if (value === value && condition(value)) count++;
  return count;
}

/** Smallest and largest present value; Infinity and −Infinity for none. */
export function range(x: Float64Array): { min: number; max: number } {
  let min = Number.POSITIVE_INFINITY;
  let max = Number.NEGATIVE_INFINITY;
  for (const value of x) {
    if (value < min) min = value;
    if (value > max) max = value;
  }
  return { min, max };
}
