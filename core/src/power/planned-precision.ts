import { assertMethod } from '../correlation/assert-method';
import { METHODS } from '../correlation/methods';
import { assertLevel } from '../correlation/options';
import type { Method } from '../correlation/types';
import { normalQuantile } from '../distributions/normal';

export interface WidthOptions {
  method: Method;
  /** The coefficient that is expected, in (−1, 1). */
  coefficient: number;
  /** The interval's wished width, in (0, 2). */
  width: number;
  /** Default .95. */
  level?: number;
}

/** Beyond it numbers of rows are not counted one by one any more. */
const LARGEST_N = 2 ** 53;

/**
 * Smallest number of rows whose interval at the expected coefficient is no wider than wished: precision planned instead of
 * significance.
 * Source: Bonett & Wright (2000): z ± q·c/√(n − b), with c² = 1, 1 + ρ²/2, .437 and b = 3, 3, 4 for r, ρ, τ; started from
 * 4c²(1 − r²)²(q/w)² + b and searched from there. The interval of data that turn out otherwise is wider or narrower.
 * @returns n and the width with it
 * @throws {RangeError} a coefficient, a width or a level out of range, a width below about 4e−8, or a method that does not exist.
 *
 * @example
 * sampleSizeForWidth({ method: 'pearson', coefficient: 0.5, width: 0.2 }); // { n: 219, width: 0.199738 }
 */
export function sampleSizeForWidth({ method, coefficient, width, level = 0.95 }: WidthOptions): { n: number; width: number } {
  assertMethod(method);
  assertLevel(level);
  if (!(Math.abs(coefficient) < 1)) throw new RangeError(`the coefficient must lie between −1 and 1; got ${coefficient}`);
  if (!(width > 0 && width < 2)) throw new RangeError(`the width must lie between 0 and 2; got ${width}`);
  const { zVariance, fewestCompared } = METHODS[method];
  const kind = method === 'kendall' ? 'fieller' : 'default';
  const quantile = -normalQuantile((1 - level) / 2);
  const z = Math.atanh(coefficient);
  const widthOf = (n: number) => {
    const reach = quantile * Math.sqrt(zVariance(coefficient, n, kind));
    // tanh(z + h) − tanh(z − h) without its cancellation.
    return Math.sinh(2 * reach) / (Math.cosh(z + reach) * Math.cosh(z - reach));
  };
  let [low, high] = [fewestCompared - 1, fewestCompared];
  while (widthOf(high) > width) {
    if (high >= LARGEST_N) throw new RangeError(`no number of rows that can be counted gives an interval ${width} wide`);
    [low, high] = [high, high * 2];
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (widthOf(middle) <= width) high = middle;
    else low = middle;
  }
  return { n: high, width: widthOf(high) };
}

export interface DifferenceOptions {
  /** The two population correlations, in (−1, 1). */
  r1: number;
  r2: number;
  /** Wanted probability of finding that they differ, in (α, 1). */
  power: number;
  /** Default .05, two-sided. */
  alpha?: number;
}

/**
 * Rows in each of two groups with which the test of two independent r's has the wanted power: 2((z_α/2 + z_β)/q)² + 3, q the
 * difference of Fisher's z. Source: Cohen (1988), section 4.4.
 * @returns n in each group, and Cohen's q
 * @throws {RangeError} correlations out of range or equal, or a power not between α and 1.
 *
 * @example
 * sampleSizeForDifference({ r1: 0.5, r2: 0.2443, power: 0.8 }).n; // 178
 */
export function sampleSizeForDifference({ r1, r2, power, alpha = 0.05 }: DifferenceOptions): { n: number; q: number } {
  for (const r of [r1, r2]) if (!(Math.abs(r) < 1)) throw new RangeError(`a correlation must lie between −1 and 1; got ${r}`);
  if (r1 === r2) throw new RangeError('two equal correlations have no difference to find');
  if (!(alpha > 0 && alpha < power && power < 1)) throw new RangeError(`power must lie between alpha and 1; got ${power}`);
  const q = Math.atanh(r1) - Math.atanh(r2);
  const zs = -normalQuantile(alpha / 2) - normalQuantile(1 - power);
  return { n: Math.ceil(2 * (zs / q) ** 2 + 3), q };
}
