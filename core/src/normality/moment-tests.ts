import { centreColumn } from '../columns/centre';
import { presentValues } from '../columns/complete-rows';
import { chiSquaredP } from '../distributions/chi-squared';
import { normalP } from '../distributions/tail-probability';
import { momentRatios, skewnessZ } from './moment-ratios';
import { type NormalityTest, undefinedNormality } from './normality-test';

/** One part of the omnibus test: a normal deviate and its two-sided p. */
interface Part {
  readonly z: number;
  readonly pValue: number;
  readonly log10P: number;
}

export interface OmnibusTest extends NormalityTest {
  /** n ≥ 8; NaN below. */
  readonly skewness: Part;
  /** n ≥ 20; NaN below. */
  readonly kurtosis: Part;
}

export interface JarqueBera extends NormalityTest {
  /** Set where n < 200: the χ² distribution is a poor approximation there. */
  readonly approximate: boolean;
}

const FEWEST_SKEWNESS = 8;
const FEWEST_KURTOSIS = 20;
const JARQUE_BERA_FROM = 200;

/**
 * D'Agostino–Pearson K² from skewness and kurtosis, χ² on 2 degrees of freedom.
 *
 * Source: D'Agostino & Pearson (1973); skewness D'Agostino (1970), n ≥ 8; kurtosis Anscombe & Glynn (1983), n ≥ 20.
 * Missing values (NaN) are left out.
 *
 * @example
 * dagostinoPearson(Float64Array.from({ length: 20 }, (_, i) => i * i)).statistic; // 2.59651
 */
export function dagostinoPearson(x: Float64Array): OmnibusTest {
  const moments = momentsOf(x);
  const none = { z: Number.NaN, pValue: Number.NaN, log10P: Number.NaN };
  const { n } = moments;
  if (moments.constant) return { ...undefinedNormality(n, n < 2 ? 'too-few-cases' : 'constant'), skewness: none, kurtosis: none };
  const skewness = n < FEWEST_SKEWNESS ? none : part(skewnessZ(moments.skewness, n));
  if (n < FEWEST_KURTOSIS) return { ...undefinedNormality(n, 'too-few-cases'), skewness, kurtosis: none };
  const kurtosis = part(kurtosisZ(moments.kurtosis, n));
  const statistic = skewness.z ** 2 + kurtosis.z ** 2;
  return { statistic, ...chiSquaredP(statistic, 2), n, skewness, kurtosis };
}

/**
 * Jarque–Bera test, n/6·(g1² + g2²/4) with divisor-n moments, χ² on 2 degrees of freedom.
 * Source: Jarque & Bera (1987). Missing values (NaN) are left out; n ≥ 3.
 *
 * @example
 * jarqueBera(Float64Array.of(1, 2, 3, 4, 5, 6, 7, 30)).statistic; // 8.01485
 */
export function jarqueBera(x: Float64Array): JarqueBera {
  const { n, skewness, kurtosis, constant } = momentsOf(x);
  const approximate = n < JARQUE_BERA_FROM;
  if (n < 3) return { ...undefinedNormality(n, 'too-few-cases'), approximate };
  if (constant) return { ...undefinedNormality(n, 'constant'), approximate };
  const statistic = (n / 6) * (skewness ** 2 + (kurtosis - 3) ** 2 / 4);
  return { statistic, ...chiSquaredP(statistic, 2), n, approximate };
}

function part(z: number): Part {
  return { z, ...normalP(z) };
}

function momentsOf(x: Float64Array) {
  const present = presentValues(x);
  const { centred, constant } = centreColumn(present);
  return { n: present.length, constant, ...momentRatios(centred) };
}

/** Anscombe & Glynn (1983), eqs. 4–6. */
function kurtosisZ(b2: number, n: number): number {
  const mean = (3 * (n - 1)) / (n + 1);
  const variance = (24 * n * (n - 2) * (n - 3)) / ((n + 1) ** 2 * (n + 3) * (n + 5));
  const x = (b2 - mean) / Math.sqrt(variance);
  const beta = ((6 * (n * n - 5 * n + 2)) / ((n + 7) * (n + 9))) * Math.sqrt((6 * (n + 3) * (n + 5)) / (n * (n - 2) * (n - 3)));
  const a = 6 + (8 / beta) * (2 / beta + Math.sqrt(1 + 4 / (beta * beta)));
  const ratio = (1 - 2 / a) / (1 + x * Math.sqrt(2 / (a - 4)));
  return (1 - 2 / (9 * a) - Math.cbrt(ratio)) / Math.sqrt(2 / (9 * a));
}
