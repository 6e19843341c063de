import { countWhere, kept, range, refuse, reversed, type Transformed } from './transformed';

/**
 * Logarithm to base 10. Domain: all values above 0; otherwise refused with their number and the shift that brings the
 * smallest value to 1 (Osborne 2002). Missing values stay missing.
 *
 * @example
 * log10(Float64Array.of(1, 100)).values; // [0, 2]
 */
export function log10(x: Float64Array): Transformed {
  return logarithm(x, Math.log10);
}

/**
 * Natural logarithm; domain as for log10.
 *
 * @example
 * ln(Float64Array.of(1, Math.E)).values; // [0, 1]
 */
export function ln(x: Float64Array): Transformed {
  return logarithm(x, Math.log);
}

function logarithm(x: Float64Array, log: (value: number) => number): Transformed {
  const count = countWhere(x, (value) => value <= 0);
  return count > 0 ? refuse({ because: 'values-not-positive', count, shift: 1 - range(x).min }) : kept(x.map(log));
}

/**
 * Square root. Domain: no negative value; otherwise refused with their number and the shift that brings the smallest to 0.
 *
 * @example
 * sqrt(Float64Array.of(4, 9)).values; // [2, 3]
 */
export function sqrt(x: Float64Array): Transformed {
  const count = countWhere(x, (value) => value < 0);
  return count > 0 ? refuse({ because: 'negative-values', count, shift: -range(x).min }) : kept(x.map(Math.sqrt));
}

/**
 * Cube root; takes any value.
 *
 * @example
 * cubeRoot(Float64Array.of(-8, 27)).values; // [-2, 3]
 */
export function cubeRoot(x: Float64Array): Transformed {
  return kept(x.map(Math.cbrt));
}

/**
 * 1/x. Domain: all values of one sign and none 0; otherwise refused. Reverses the order.
 *
 * @example
 * reciprocal(Float64Array.of(2, 4)).values; // [0.5, 0.25]
 */
export function reciprocal(x: Float64Array): Transformed {
  const { min, max } = range(x);
  if (min <= 0 && max >= 0) {
    return refuse({ because: 'zeros-or-both-signs', count: countWhere(x, (value) => value <= 0), shift: 1 - min });
  }
  return reversed(x.map((value) => 1 / value));
}

/**
 * x². Reverses the order of negative values; with both signs it keeps no order, and `monotone` says so.
 *
 * @example
 * square(Float64Array.of(2, 3)).values; // [4, 9]
 */
export function square(x: Float64Array): Transformed {
  const { min, max } = range(x);
  const values = x.map((value) => value * value);
  return { values, reversed: max <= 0 && min < 0, monotone: min >= 0 || max <= 0, refused: null };
}

/**
 * Largest plus smallest value less x: the same range, turned round. Reverses the order.
 *
 * @example
 * reflect(Float64Array.of(1, 5)).values; // [5, 1]
 */
export function reflect(x: Float64Array): Transformed {
  const { min, max } = range(x);
  return reversed(x.map((value) => max + min - value));
}
