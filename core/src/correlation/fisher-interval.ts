import { normalQuantile } from '../distributions/normal';
import { studentUpperQuantile } from '../distributions/student-t';
import type { Alternative, Interval } from './types';
import { type Coefficient, fisherZ } from './z-variance';

/**
 * Confidence interval of a correlation coefficient on Fisher's z scale.
 * Source: Fisher (1921); z = artanh r. One-sided alternatives give [low, 1] or [−1, high] at the full level.
 * @param variance variance of z; not positive or not finite gives null, and so does |r| = 1 (z is infinite)
 * @param method what the interval calls itself
 * @param df where the variance is estimated from so many degrees of freedom, the quantile is Student's; else the normal one
 */
export function fisherInterval(
  coefficient: Coefficient,
  variance: number,
  { alternative, level }: { alternative: Alternative; level: number },
  method: string,
  df = Number.POSITIVE_INFINITY,
): Interval | null {
  if (!(variance > 0) || !Number.isFinite(variance) || coefficient.oneMinusAbs === 0) return null;
  const z = fisherZ(coefficient);
  const tail = alternative === 'two-sided' ? (1 - level) / 2 : 1 - level;
  const quantile = df < Number.POSITIVE_INFINITY ? studentUpperQuantile(tail, df) : -normalQuantile(tail);
  const se = Math.sqrt(variance);
  const reach = quantile * se;
  return {
    low: alternative === 'less' ? -1 : Math.tanh(z - reach),
    high: alternative === 'greater' ? 1 : Math.tanh(z + reach),
    level,
    method,
    steps: { z, se, quantile, ...(df < Number.POSITIVE_INFINITY ? { df } : {}) },
  };
}
