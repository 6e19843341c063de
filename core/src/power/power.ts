import { assertAlternative } from '../correlation/options';
import type { Alternative } from '../correlation/types';
import { normalQuantile, normalUpperTail } from '../distributions/normal';
import { studentUpperQuantile } from '../distributions/student-t';
import { upperTailOfR } from './distribution-of-r';

/** `exact` uses the distribution of r in a bivariate normal population, `fisher` the normal approximation of its z. */
export type PowerMethod = 'exact' | 'fisher';

export interface PowerOptions {
  /** Correlation in the population, in (−1, 1). */
  r: number;
  n: number;
  /** Default .05. */
  alpha?: number;
  /** Default 'two-sided'. */
  alternative?: Alternative;
  /** Default 'exact'. */
  method?: PowerMethod;
}

const LARGEST_N = 1e9;
const FEWEST = 4;

/**
 * Probability that the t test of r rejects, if the population correlation is r.
 * Source: exact Hotelling (1953); approximation Fisher (1921). Domain: n ≥ 4 (below, NaN).
 * @throws {RangeError} r, α, the alternative or the method out of range.
 *
 * @example
 * powerForCorrelation({ r: 0.3, n: 84 }); // 0.800339
 */
export function powerForCorrelation({ r, n, alpha = 0.05, alternative = 'two-sided', method = 'exact' }: PowerOptions): number {
  assertRequest(r, alpha, alternative, method);
  if (!(n >= FEWEST)) return Number.NaN;
  const tail = alternative === 'two-sided' ? alpha / 2 : alpha;
  const above = (rho: number) => (method === 'exact' ? exactTail(rho, n, tail) : fisherTail(rho, n, tail));
  if (alternative === 'greater') return above(r);
  if (alternative === 'less') return above(-r);
  return above(r) + above(-r);
}

/** P(R beyond the critical value of the t test at this tail). */
function exactTail(rho: number, n: number, tail: number): number {
  const t = studentUpperQuantile(tail, n - 2);
  return upperTailOfR(t / Math.sqrt(n - 2 + t * t), rho, n);
}

function fisherTail(rho: number, n: number, tail: number): number {
  return normalUpperTail(-normalQuantile(tail) - Math.atanh(rho) * Math.sqrt(n - 3));
}

export interface SampleSizeOptions extends Omit<PowerOptions, 'n'> {
  /** Wanted probability of detecting it, in (α, 1). */
  power: number;
}

/**
 * Smallest number of rows with which the test of r has the wanted power, and the power it then has.
 * `fisher` rounds ((z_α + z_β)/artanh r)² + 3 up. Sources as for `powerForCorrelation`.
 * @throws {RangeError} r = 0 or out of range, a power not between α and 1, or an option that does not exist.
 *
 * @example
 * sampleSizeForCorrelation({ r: 0.3, power: 0.8 }); // { n: 84, power: 0.800339 }
 */
export function sampleSizeForCorrelation({ r, power, alpha = 0.05, alternative = 'two-sided', method = 'exact' }: SampleSizeOptions): {
  n: number;
  power: number;
} {
  assertRequest(r, alpha, alternative, method);
  if (!(power > alpha && power < 1)) throw new RangeError(`power must lie between alpha and 1; got ${power}`);
  const hopeless = r === 0 || (alternative === 'greater' && r < 0) || (alternative === 'less' && r > 0);
  if (hopeless) throw new RangeError(`r must lie on the side of the alternative; got ${r}`);
  const at = (n: number) => powerForCorrelation({ r, n, alpha, alternative, method });
  const zs = -normalQuantile(alternative === 'two-sided' ? alpha / 2 : alpha) - normalQuantile(1 - power);
  const guess = Math.max(FEWEST, Math.ceil((zs / Math.atanh(Math.abs(r))) ** 2 + 3));
  if (method === 'fisher') return { n: guess, power: at(guess) };
  let low = FEWEST;
  let high = guess;
  while (at(high) < power && high < LARGEST_N) {
    low = high;
    high *= 2;
  }
  if (at(low) >= power) return { n: low, power: at(low) };
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (at(middle) >= power) high = middle;
    else low = middle;
  }
  return { n: high, power: at(high) };
}

/**
 * Smallest |r| in the population that n rows detect with the wanted power; the honest alternative to a power computed
 * from the observed r. NaN below n = 4.
 * @throws {RangeError} a power not between α and 1, or an option that does not exist.
 *
 * @example
 * smallestDetectable({ n: 84 }); // 0.299878
 */
export function smallestDetectable({
  n,
  power = 0.8,
  alpha = 0.05,
  alternative = 'two-sided',
  method = 'exact',
}: Partial<Omit<SampleSizeOptions, 'r'>> & { n: number }): number {
  if (!(power > alpha && power < 1)) throw new RangeError(`power must lie between alpha and 1; got ${power}`);
  if (!(n >= FEWEST)) return Number.NaN;
  const sign = alternative === 'less' ? -1 : 1;
  let [low, high] = [0, 1];
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2;
    if (powerForCorrelation({ r: sign * middle, n, alpha, alternative, method }) < power) low = middle;
    else high = middle;
  }
  return high;
}

function assertRequest(r: number, alpha: number, alternative: Alternative, method: PowerMethod): void {
  assertAlternative(alternative);
  if (!(Math.abs(r) < 1)) throw new RangeError(`r must lie between −1 and 1; got ${r}`);
  if (!(alpha > 0 && alpha < 1)) throw new RangeError(`alpha must lie between 0 and 1; got ${alpha}`);
  if (method !== 'exact' && method !== 'fisher') throw new RangeError(`method must be exact or fisher; got ${String(method)}`);
}
