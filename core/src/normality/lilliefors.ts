import { normalUpperTail } from '../distributions/normal';
import { LILLIEFORS_PROBABILITIES, LILLIEFORS_QUANTILES, LILLIEFORS_SIZES } from './lilliefors-table';
import type { NormalityTest } from './normality-test';
import { standardizedOrder } from './standardized';

const FEWEST = 4;
/** Dallal & Wilkinson's formula holds up to this p. */
const FORMULA_UP_TO = 0.1;

/**
 * Lilliefors test of normality: Kolmogorov's distance from the normal distribution with estimated mean and SD.
 *
 * Source: Lilliefors (1967); p by Dallal & Wilkinson (1986) where that gives p ≤ .10, else by interpolation in a table
 * that reference/lilliefors_table.py simulated (seeded), to about two digits. Domain n ≥ 4. Missing values (NaN) are
 * left out.
 *
 * @example
 * lilliefors(Float64Array.of(1, 2, 3, 4, 5, 6, 7, 30)).statistic; // 0.385601
 */
export function lilliefors(x: Float64Array): NormalityTest {
  const standardized = standardizedOrder(x, FEWEST);
  if (!('z' in standardized)) return standardized;
  const { z } = standardized;
  const n = z.length;
  let statistic = 0;
  for (let i = 0; i < n; i++) {
    const below = normalUpperTail(-z[i]);
    statistic = Math.max(statistic, (i + 1) / n - below, below - i / n);
  }
  const formula = dallalWilkinson(statistic, n);
  const pValue = formula <= FORMULA_UP_TO ? formula : tableP(statistic, n);
  return { statistic, pValue, log10P: Math.log10(pValue), n };
}

/** Dallal & Wilkinson (1986), eq. 2; above n = 100 the distance is rescaled to it. */
function dallalWilkinson(distance: number, n: number): number {
  const size = Math.min(n, 100);
  const d = n > 100 ? distance * (n / 100) ** 0.49 : distance;
  const shifted = size + 2.78019;
  return Math.exp(-7.01256 * d * d * shifted + 2.99587 * d * Math.sqrt(shifted) - 0.122119 + 0.974598 / Math.sqrt(size) + 1.67997 / size);
}

/** From the simulated quantiles of √n·D, between sizes by 1/√n, never below the formula's range. */
function tableP(distance: number, n: number): number {
  const scaled = Math.sqrt(n) * distance;
  const quantiles = LILLIEFORS_PROBABILITIES.map((_, k) => betweenSizes(n, k));
  if (scaled <= quantiles[0]) return 1 - (LILLIEFORS_PROBABILITIES[0] * scaled) / quantiles[0];
  for (let k = 1; k < quantiles.length; k++) {
    if (scaled > quantiles[k]) continue;
    const share = (scaled - quantiles[k - 1]) / (quantiles[k] - quantiles[k - 1]);
    const below = LILLIEFORS_PROBABILITIES[k - 1] + share * (LILLIEFORS_PROBABILITIES[k] - LILLIEFORS_PROBABILITIES[k - 1]);
    return Math.max(FORMULA_UP_TO, 1 - below);
  }
  return FORMULA_UP_TO;
}

function betweenSizes(n: number, k: number): number {
  const upper = LILLIEFORS_SIZES.findIndex((size) => size >= n);
  if (upper === 0) return LILLIEFORS_QUANTILES[0][k];
  const last = LILLIEFORS_SIZES.length - 1;
  if (upper < 0) return LILLIEFORS_QUANTILES[last][k];
  const [a, b] = [1 / Math.sqrt(LILLIEFORS_SIZES[upper - 1]), 1 / Math.sqrt(LILLIEFORS_SIZES[upper])];
  const share = (1 / Math.sqrt(n) - a) / (b - a);
  return LILLIEFORS_QUANTILES[upper - 1][k] + share * (LILLIEFORS_QUANTILES[upper][k] - LILLIEFORS_QUANTILES[upper - 1][k]);
}
