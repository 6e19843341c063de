import type { Method } from '../correlation/types';
import { COEFFICIENTS } from './coefficients';

/** Words for the size of a coefficient, largest bound first; bounds are inclusive. */
export type StrengthScale = readonly (readonly [number, string])[];

/** Source: Cohen (1988), sect. 3.2.1. */
export const COHEN: StrengthScale = [
  [0.5, 'large'],
  [0.3, 'medium'],
  [0.1, 'small'],
  [0, 'negligible'],
];

/** Source: Evans (1996), p. 146. */
export const EVANS: StrengthScale = [
  [0.8, 'very strong'],
  [0.6, 'strong'],
  [0.4, 'moderate'],
  [0.2, 'weak'],
  [0, 'very weak'],
];

/** sin(π/6) comes out a hair below .5. */
const ROUNDING = 4 * Number.EPSILON;

/**
 * The conventional word for the size of a correlation; lower bounds inclusive. Sources: Cohen (1988) by default, Evans
 * (1996), or own bounds. The bounds are those of r: Kendall's τ is taken to it by sin(πτ/2) (Kendall 1970, ch. 9).
 *
 * @example
 * strengthWord(0.35); // 'medium'
 */
export function strengthWord(
  coefficient: number,
  { method = 'pearson', scale = COHEN }: { method?: Method; scale?: StrengthScale } = {},
): string {
  const size = COEFFICIENTS[method].comparable.size(coefficient);
  return scale.find(([bound]) => size >= bound - ROUNDING)?.[1] ?? '';
}
