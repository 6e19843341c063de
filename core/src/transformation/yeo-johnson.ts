import { presentValues } from '../columns/complete-rows';
import type { PowerTransformed } from './box-cox';
import { bestLambda, powerOf, powerSlope, variationAndSlope } from './power-family';
import { kept, range, refuse } from './transformed';

/**
 * Yeo–Johnson scale, a power scale that takes zeros and negative values, with λ by maximum likelihood.
 * Source: Yeo & Johnson (2000), eqs. 2.1 and 3.1. λ = 1 leaves the values as they are.
 * @param lambda a given λ instead of the best one
 *
 * @example
 * yeoJohnson(Float64Array.of(-1, 0, 1), { lambda: 1 }).values; // [-1, 0, 1]
 */
export function yeoJohnson(x: Float64Array, { lambda }: { lambda?: number } = {}): PowerTransformed {
  const present = presentValues(x);
  const { min, max } = range(x);
  if (present.length < 2 || min === max)
    return { ...refuse({ because: 'no-variation', count: present.length, shift: null }), lambda: Number.NaN };
  const chosen = lambda ?? likeliest(present);
  return { ...kept(x.map((value) => transform(value, chosen))), lambda: chosen };
}

/** Sides of zero are powers of 1 + |x|: λ above, 2 − λ below with the sign turned. */
function transform(value: number, lambda: number): number {
  return value >= 0 ? powerOf(Math.log1p(value), lambda) : -powerOf(Math.log1p(-value), 2 - lambda);
}

function slopeOf(value: number, lambda: number): number {
  return value >= 0 ? powerSlope(Math.log1p(value), lambda) : powerSlope(Math.log1p(-value), 2 - lambda);
}

function likeliest(present: Float64Array): number {
  const n = present.length;
  const jacobian = present.reduce((sum, value) => sum + Math.sign(value) * Math.log1p(Math.abs(value)), 0);
  const parts = (lambda: number) =>
    variationAndSlope(
      present,
      (value) => transform(value, lambda),
      (value) => slopeOf(value, lambda),
    );
  return bestLambda(
    (lambda) => (-n / 2) * Math.log(parts(lambda).variation) + (lambda - 1) * jacobian,
    (lambda) => {
      const { variation, slope } = parts(lambda);
      return (-n * slope) / variation + jacobian;
    },
  );
}
