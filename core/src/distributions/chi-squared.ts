import { logUpperGamma } from './incomplete-gamma';
import { NO_PROBABILITY, type TailProbability } from './tail-probability';

/** P(χ² > statistic) on df degrees of freedom. Source: Abramowitz & Stegun (1964), 26.4.19. NaN for a NaN statistic. */
export function chiSquaredP(statistic: number, df: number): TailProbability {
  if (Number.isNaN(statistic) || !(df > 0)) return NO_PROBABILITY;
  const log = logUpperGamma(df / 2, Math.max(0, statistic) / 2);
  return { pValue: Math.exp(log), log10P: log / Math.LN10 };
}
