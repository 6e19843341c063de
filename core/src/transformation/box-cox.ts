import { presentValues } from '../columns/complete-rows';
import { bestLambda, powerOf, powerSlope, variationAndSlope } from './power-family';
import { countWhere, kept, range, refuse, type Transformed } from './transformed';

export interface PowerTransformed extends Transformed {
  /** NaN where the scale is refused or the likelihood has no maximum within [−8, 8]. */
  readonly lambda: number;
}

/**
 * Box–Cox scale (x^λ − 1)/λ, ln x for λ = 0, with λ by maximum likelihood.
 *
 * Source: Box & Cox (1964), eqs. 1 and 8. λ is found on values divided by their geometric mean, where the likelihood is
 * −n/2·ln variance alone. Domain: all values above 0, else refused with the shift that brings the smallest to 1.
 * @param lambda a given λ instead of the best one
 *
 * @example
 * boxCox(Float64Array.of(1, 2, 4, 8), { lambda: 0 }).values; // [0, 0.693147, 1.38629, 2.07944]
 */
export function boxCox(x: Float64Array, { lambda }: { lambda?: number } = {}): PowerTransformed {
  const count = countWhere(x, (value) => value <= 0);
  if (count > 0) return { ...refuse({ because: 'values-not-positive', count, shift: 1 - range(x).min }), lambda: Number.NaN };
  const present = presentValues(x);
  const { min, max } = range(x);
  if (present.length < 2 || min === max)
    return { ...refuse({ because: 'no-variation', count: present.length, shift: null }), lambda: Number.NaN };
  const chosen = lambda ?? likeliest(present);
  return { ...kept(x.map((value) => powerOf(Math.log(value), chosen))), lambda: chosen };
}

function likeliest(present: Float64Array): number {
  const logs = present.map(Math.log);
  const mean = logs.reduce((sum, value) => sum + value, 0) / logs.length;
  const u = logs.map((value) => value - mean);
  const parts = (lambda: number) =>
    variationAndSlope(
      u,
      (value) => powerOf(value, lambda),
      (value) => powerSlope(value, lambda),
    );
  return bestLambda(
    (lambda) => -Math.log(parts(lambda).variation),
    (lambda) => -parts(lambda).slope,
  );
}
