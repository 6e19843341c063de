import { centreColumn } from '../columns/centre';
import { sortedValues } from '../columns/complete-rows';
import { toUnitLength, unitProduct } from '../correlation/unit-product';
import { normalQuantile } from '../distributions/normal';
import { normalP } from '../distributions/tail-probability';
import { type NormalityTest, undefinedNormality } from './normality-test';

const FEWEST = 3;
const MOST = 5000;

/**
 * Shapiro–Wilk test of normality; W near 1 speaks for it.
 *
 * Source: Shapiro & Wilk (1965); weights and p-value Royston (1995), AS R94. Domain: 3 ≤ n ≤ 5,000; beyond, W is
 * given and p is NaN with the reason. 1 − W is computed as a distance, so that it keeps its digits. Missing values (NaN)
 * are left out.
 *
 * @example
 * shapiroWilk(Float64Array.of(1, 2, 3, 4, 5, 6, 7, 30)).statistic; // 0.627099
 */
export function shapiroWilk(x: Float64Array): NormalityTest {
  const sorted = sortedValues(x);
  const n = sorted.length;
  if (n < FEWEST) return undefinedNormality(n, 'too-few-cases');
  const { centred, constant } = centreColumn(sorted);
  if (constant) return undefinedNormality(n, 'constant');
  toUnitLength(centred);
  const { oneMinusAbs } = unitProduct(unitWeights(n), centred);
  const oneMinusW = oneMinusAbs * (2 - oneMinusAbs);
  const statistic = 1 - oneMinusW;
  if (n > MOST) return { statistic, pValue: Number.NaN, log10P: Number.NaN, n, undefinedBecause: 'too-many-cases' };
  return { statistic, ...significance(oneMinusW, n), n };
}

const MOST_KEPT = 16;
const keptWeights = new Map<number, Float64Array>();

/** Weights of unit length for a sample size, kept since all variables of a study tend to have a few sizes only. */
function unitWeights(n: number): Float64Array {
  const known = keptWeights.get(n);
  if (known) return known;
  if (keptWeights.size >= MOST_KEPT) keptWeights.clear();
  const weights = shapiroWeights(n);
  toUnitLength(weights);
  keptWeights.set(n, weights);
  return weights;
}

/** Weights of the ordered values, antisymmetric (Royston 1995, AS R94). */
function shapiroWeights(n: number): Float64Array {
  const a = new Float64Array(n);
  if (n === 3) return Float64Array.of(-Math.SQRT1_2, 0, Math.SQRT1_2);
  const half = Math.floor(n / 2);
  const m = Float64Array.from({ length: half }, (_, i) => normalQuantile((i + 0.625) / (n + 0.25)));
  let squares = 0;
  for (const value of m) squares += 2 * value * value;
  const root = Math.sqrt(squares);
  const u = 1 / Math.sqrt(n);
  const first = polynomial([0, 0.221157, -0.147981, -2.07119, 4.434685, -2.706056], u) - m[0] / root;
  const given = [first];
  let rest = squares - 2 * m[0] * m[0];
  let left = 1 - 2 * first * first;
  if (n > 5) {
    const second = polynomial([0, 0.042981, -0.293762, -1.752461, 5.682633, -3.582633], u) - m[1] / root;
    given.push(second);
    rest -= 2 * m[1] * m[1];
    left -= 2 * second * second;
  }
  const scale = Math.sqrt(rest / left);
  for (let i = 0; i < half; i++) {
    const weight = given[i] ?? -m[i] / scale;
    a[i] = -weight;
    a[n - 1 - i] = weight;
  }
  return a;
}

function significance(oneMinusW: number, n: number): { pValue: number; log10P: number } {
  if (n === 3) {
    // Shapiro & Wilk (1965), eq. 2.3.
    const pValue = Math.max(0, (6 / Math.PI) * (Math.asin(Math.sqrt(1 - oneMinusW)) - Math.asin(Math.sqrt(0.75))));
    return { pValue, log10P: Math.log10(pValue) };
  }
  const y = Math.log(oneMinusW);
  const logN = Math.log(n);
  if (n <= 11) {
    const gamma = polynomial([-2.273, 0.459], n);
    if (y >= gamma) return { pValue: 0, log10P: Number.NEGATIVE_INFINITY };
    const mean = polynomial([0.544, -0.39978, 0.025054, -6.714e-4], n);
    const sd = Math.exp(polynomial([1.3822, -0.77857, 0.062767, -0.0020322], n));
    return normalP((-Math.log(gamma - y) - mean) / sd, 'greater');
  }
  const mean = polynomial([-1.5861, -0.31082, -0.083751, 0.0038915], logN);
  const sd = Math.exp(polynomial([-0.4803, -0.082676, 0.0030302], logN));
  return normalP((y - mean) / sd, 'greater');
}

function polynomial(coefficients: readonly number[], x: number): number {
  return coefficients.reduceRight((sum, coefficient) => sum * x + coefficient, 0);
}
