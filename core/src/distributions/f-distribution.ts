import { log10RegularizedBeta, regularizedBeta } from './incomplete-beta';
import { NO_PROBABILITY, type TailProbability } from './tail-probability';

/** P(F > statistic) on df1 and df2 degrees of freedom. Source: Abramowitz & Stegun (1964), 26.6.2. */
export function fP(statistic: number, df1: number, df2: number): TailProbability {
  if (Number.isNaN(statistic) || !(df1 > 0) || !(df2 > 0)) return NO_PROBABILITY;
  if (statistic === Number.POSITIVE_INFINITY) return { pValue: 0, log10P: Number.NEGATIVE_INFINITY };
  const share = df2 / (df2 + df1 * statistic);
  const rest = (df1 * statistic) / (df2 + df1 * statistic);
  const pValue = regularizedBeta(share, rest, df2 / 2, df1 / 2);
  return { pValue, log10P: log10RegularizedBeta(share, rest, df2 / 2, df1 / 2, pValue) };
}
