import { centreColumn } from '../columns/centre';
import { presentValues } from '../columns/complete-rows';
import { normalQuantile } from '../distributions/normal';
import { midranks } from '../ranks/rank-column';
import { kept, refuse, type Transformed } from './transformed';

/**
 * (x − mean)/SD with divisor n − 1. A variable without variation is refused.
 *
 * @example
 * standardize(Float64Array.of(1, 2, 3)).values; // [-1, 0, 1]
 */
export function standardize(x: Float64Array): Transformed {
  const present = presentValues(x);
  const { centred, constant } = centreColumn(present);
  if (constant) return refuse({ because: 'no-variation', count: present.length, shift: null });
  const sd = Math.sqrt(centred.reduce((sum, value) => sum + value * value, 0) / (centred.length - 1));
  return kept(inRows(x, centred, (value) => value / sd));
}

/**
 * x − mean: what a square or a product of variables is made of, so that it has less in common with them.
 *
 * @example
 * centre(Float64Array.of(1, 2, 6)).values; // [-2, -1, 3]
 */
export function centre(x: Float64Array): Transformed {
  const present = presentValues(x);
  const { centred, scale } = centreColumn(present);
  return kept(inRows(x, centred, (value) => value / scale));
}

/**
 * Normal scores of midranks, Φ⁻¹((R − 3/8)/(n + 1/4)). Source: Blom (1958).
 *
 * @example
 * rankNormal(Float64Array.of(10, 20, 30)).values; // [-0.869424, 0, 0.869424]
 */
export function rankNormal(x: Float64Array): Transformed {
  const present = presentValues(x);
  return kept(inRows(x, midranks(present), (rank) => normalQuantile((rank - 0.375) / (present.length + 0.25))));
}

/** Puts values of the present values back into their rows. */
function inRows(x: Float64Array, values: Float64Array, of: (value: number) => number): Float64Array {
  let k = 0;
  return x.map((value) => (value === value ? of(values[k++]) : value));
}
