import { normalQuantile } from '../distributions/normal';
import type { Alternative, Interval } from './types';

/**
 * Confidence interval of a correlation coefficient on Fisher's z scale.
 * Source: Fisher (1921); z = artanh r. One-sided alternatives give [low, 1] or [−1, high] at the full level.
 * @param oneMinusAbs 1 − |r| to full precision; 0 gives null (z is infinite)
 * @param variance variance of z, for Pearson's r 1/(n − 3)
 */
export function fisherInterval(
  r: number,
  oneMinusAbs: number,
  variance: number,
  { alternative, level }: { alternative: Alternative; level: number },
): Interval | null {
  if (!(variance > 0) || !Number.isFinite(variance) || oneMinusAbs === 0) return null;
  const z = (Math.sign(r) * Math.log((2 - oneMinusAbs) / oneMinusAbs)) / 2;
  const tail = alternative === 'two-sided' ? (1 - level) / 2 : 1 - level;
  const reach = -normalQuantile(tail) * Math.sqrt(variance);
  return {
    low: alternative === 'less' ? -1 : Math.tanh(z - reach),
    high: alternative === 'greater' ? 1 : Math.tanh(z + reach),
    level,
    method: 'fisher',
  };
}
