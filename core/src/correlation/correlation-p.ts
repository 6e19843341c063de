import { log10RegularizedBeta, regularizedBeta } from '../distributions/incomplete-beta';
import type { Alternative } from './types';

export interface CorrelationP {
  /** Student's t on n − 2 − k degrees of freedom. */
  readonly t: number;
  readonly pValue: number;
  readonly log10P: number;
}

/**
 * p-value of a correlation coefficient by Student's t, from r and 1 − |r|.
 * Source: Fisher (1915); t = r·√(df/(1 − r²)). Two-sided p = I(1 − r²; df/2, 1/2) (Abramowitz & Stegun 1964, 26.7.1 with
 * 26.5.27), taken from 1 − r² = δ(2 − δ) directly, so that nothing is subtracted from 1.
 * @param oneMinusAbs 1 − |r| to full precision
 * @param df degrees of freedom, at least 1
 */
export function correlationP(r: number, oneMinusAbs: number, df: number, alternative: Alternative): CorrelationP {
  const oneMinusSquare = oneMinusAbs * (2 - oneMinusAbs);
  const t = oneMinusSquare === 0 ? Math.sign(r) * Number.POSITIVE_INFINITY : r * Math.sqrt(df / oneMinusSquare);
  const twoSided = regularizedBeta(oneMinusSquare, r * r, df / 2, 0.5);
  const log10TwoSided = log10RegularizedBeta(oneMinusSquare, r * r, df / 2, 0.5, twoSided);
  if (alternative === 'two-sided') return { t, pValue: twoSided, log10P: log10TwoSided };

  const inExpectedDirection = alternative === 'greater' ? r > 0 : r < 0;
  if (inExpectedDirection) return { t, pValue: twoSided / 2, log10P: log10TwoSided - Math.LN2 / Math.LN10 };
  const pValue = 1 - twoSided / 2;
  return { t, pValue, log10P: Math.log1p(-twoSided / 2) / Math.LN10 };
}
