import type { Interval } from '../correlation/types';
import { assertCoefficient } from './coefficient';

/** An SD below this share of that over all rows lowers r by itself to a degree worth saying. */
const RESTRICTED_BELOW = 2 / 3;

/**
 * Whether a group's spread is so much smaller than that over all rows that r is lower for that alone.
 *
 * @example
 * isRangeRestricted(2, 3.5); // true
 */
export function isRangeRestricted(sdInGroup: number, sdOverAll: number): boolean {
  return sdInGroup < RESTRICTED_BELOW * sdOverAll;
}

export interface RangeCorrected {
  readonly coefficient: number;
  readonly interval: Interval | null;
}

/**
 * What Pearson's r of a group would be over the range of all rows: r·u/√(1 + r²(u² − 1)).
 *
 * Source: Thorndike (1949), case 2: the group was selected on one of the two variables, and line and spread about it are
 * the same over the whole range. Limits are corrected likewise, u taken as known.
 * @param ratio u, the SD over all rows by the SD in the group, of the variable on which the group was selected
 * @throws {RangeError} a coefficient outside [−1, 1], or a ratio that is not above 0.
 *
 * @example
 * correctRangeRestriction({ coefficient: 0.3, interval: null }, 2).coefficient; // 0.532414
 */
export function correctRangeRestriction(
  { coefficient, interval }: { readonly coefficient: number; readonly interval: Interval | null },
  ratio: number,
): RangeCorrected {
  assertCoefficient('coefficient', coefficient);
  if (!(ratio > 0 && ratio < Number.POSITIVE_INFINITY)) throw new RangeError(`ratio must be above 0; got ${ratio}`);
  const corrected = (r: number) => (Math.abs(r) === 1 ? r : (r * ratio) / Math.sqrt(1 + r * r * (ratio * ratio - 1)));
  return {
    coefficient: corrected(coefficient),
    interval: interval && { low: corrected(interval.low), high: corrected(interval.high), level: interval.level, method: 'thorndike' },
  };
}
