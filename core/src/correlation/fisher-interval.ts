import { normalQuantile } from '../distributions/normal';
import type { Alternative, Interval } from './types';
import { type Coefficient, fisherZ } from './z-variance';

/**
 * Confidence interval of a correlation coefficient on Fisher's z scale.
 * Source: Fisher (1921); z = artanh r. One-sided alternatives give [low, 1] or [−1, high] at the full level.
 * @param variance variance of z; not positive or not finite gives null, and so does |r| = 1 (z is infinite)
 * @param method what the interval calls itself
 */
export function fisherInterval(
  coefficient: Coefficient,
  variance: number,
  { alternative, level }: { alternative: Alternative; level: number },
  method: string,
): Interval | null {
  if (!(variance > 0) || !Number.isFinite(variance) || coefficient.oneMinusAbs === 0) return null;
  const z = fisherZ(coefficient);
  const tail = alternative === 'two-sided' ? (1 - level) / 2 : 1 - level;
  const reach = -normalQuantile(tail) * Math.sqrt(variance);
  return {
    low: alternative === 'less' ? -1 : Math.tanh(z - reach),
    high: alternative === 'greater' ? 1 : Math.tanh(z + reach),
    level,
    method,
  };
}
