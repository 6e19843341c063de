import type { Alternative } from '../correlation/types';
import { logNormalUpperTail, normalUpperTail } from './normal';

/** A p-value with its logarithm to base 10, which stays finite where the p-value underflows. */
export interface TailProbability {
  readonly pValue: number;
  readonly log10P: number;
}

export const NO_PROBABILITY: TailProbability = { pValue: Number.NaN, log10P: Number.NaN };

/** p-value of a statistic that is standard normal under the null hypothesis. NaN gives NaN. */
export function normalP(z: number, alternative: Alternative = 'two-sided'): TailProbability {
  if (Number.isNaN(z)) return NO_PROBABILITY;
  if (alternative === 'two-sided') {
    const size = Math.abs(z);
    return { pValue: 2 * normalUpperTail(size), log10P: (logNormalUpperTail(size) + Math.LN2) / Math.LN10 };
  }
  const towards = alternative === 'greater' ? z : -z;
  return { pValue: normalUpperTail(towards), log10P: logNormalUpperTail(towards) / Math.LN10 };
}
