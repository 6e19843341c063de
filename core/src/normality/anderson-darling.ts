import { logNormalUpperTail } from '../distributions/normal';
import type { NormalityTest } from './normality-test';
import { standardizedOrder } from './standardized';

const FEWEST = 3;
/** The outermost branch has its minimum here; beyond, its square term would let p rise again. */
const LAST = 5.709 / (2 * 0.0186);

/**
 * Anderson–Darling test of normality with estimated mean and SD; the statistic is A² without its correction for n.
 *
 * Source: Anderson & Darling (1954); p by the four branches of D'Agostino & Stephens (1986), table 4.9, from
 * A²(1 + .75/n + 2.25/n²). Tails as logarithms, so that one far value does not make A² infinite; where the outermost
 * branch would rise again (A² above 153) p stays at its smallest value. Missing values (NaN) are left out.
 *
 * @example
 * andersonDarling(Float64Array.of(1, 2, 3, 4, 5, 6, 7, 30)).statistic; // 1.35647
 */
export function andersonDarling(x: Float64Array): NormalityTest {
  const standardized = standardizedOrder(x, FEWEST);
  if (!('z' in standardized)) return standardized;
  const { z } = standardized;
  const n = z.length;
  let sum = 0;
  for (let i = 0; i < n; i++) {
    sum += (2 * i + 1) * (logNormalUpperTail(-z[i]) + logNormalUpperTail(z[n - 1 - i]));
  }
  const statistic = -n - sum / n;
  const corrected = statistic * (1 + 0.75 / n + 2.25 / (n * n));
  const log = logP(corrected);
  return { statistic, pValue: Math.exp(log), log10P: log / Math.LN10, n };
}

function logP(a: number): number {
  if (a >= 0.6) {
    const held = Math.min(a, LAST);
    return 1.2937 - 5.709 * held + 0.0186 * held * held;
  }
  if (a >= 0.34) return 0.9177 - 4.279 * a - 1.38 * a * a;
  if (a >= 0.2) return Math.log1p(-Math.exp(-8.318 + 42.796 * a - 59.938 * a * a));
  return Math.log1p(-Math.exp(-13.436 + 101.14 * a - 223.73 * a * a));
}
