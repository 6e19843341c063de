import type { Interval } from '../correlation/types';

/**
 * Interval of a difference of two correlations from their own limits.
 * Source: Zou (2007), eqs. 2 and 3; c is the correlation between the two estimates, 0 for independent ones.
 * Held within ±2, beyond which no difference of correlations lies.
 */
export function zouInterval(r1: number, r2: number, first: Interval | null, second: Interval | null, c = 0): Interval | null {
  if (!first || !second || Number.isNaN(c)) return null;
  const difference = r1 - r2;
  const [down1, up1] = [r1 - first.low, first.high - r1];
  const [down2, up2] = [r2 - second.low, second.high - r2];
  return {
    low: Math.max(-2, difference - Math.sqrt(Math.max(0, down1 ** 2 + up2 ** 2 - 2 * c * down1 * up2))),
    high: Math.min(2, difference + Math.sqrt(Math.max(0, up1 ** 2 + down2 ** 2 - 2 * c * up1 * down2))),
    level: first.level,
    method: 'zou',
  };
}
