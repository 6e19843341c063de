import { chiSquaredP } from '../distributions/chi-squared';
import { dot } from '../linear-algebra/dot';
import { symmetricEigen } from '../linear-algebra/jacobi-eigen';
import { momentRatios, skewnessZ } from './moment-ratios';
import type { NormalityUndefined } from './normality-test';
import { sphere } from './sphered';

export interface DoornikHansen {
  readonly statistic: number;
  readonly df: number;
  readonly pValue: number;
  readonly log10P: number;
  readonly n: number;
  readonly undefinedBecause?: NormalityUndefined;
}

const FEWEST = 8;

/**
 * Doornik–Hansen omnibus test of joint normality, listwise, χ² on 2p degrees of freedom.
 *
 * Source: Doornik & Hansen (2008): the standardized columns are decorrelated by the root of their correlation matrix,
 * then skewness (Johnson's SU) and kurtosis (gamma, Wilson & Hilferty 1931) of each are made normal. n ≥ 8.
 * @throws {RangeError} columns of unequal length, or none.
 *
 * @example
 * doornikHansen([Float64Array.of(1, 2, 3, 4, 5, 6, 7, 9), Float64Array.of(2, 1, 4, 3, 6, 5, 8, 7)]).df; // 4
 */
export function doornikHansen(columns: readonly Float64Array[]): DoornikHansen {
  const sphered = sphere(columns);
  const none = { statistic: Number.NaN, df: 2 * columns.length, pValue: Number.NaN, log10P: Number.NaN, n: sphered.n };
  if ('undefinedBecause' in sphered) return { ...none, undefinedBecause: sphered.undefinedBecause };
  const { n, p, units } = sphered;
  if (n < FEWEST) return { ...none, undefinedBecause: 'too-few-cases' };
  const correlations = Float64Array.from({ length: p * p }, (_, at) => dot(units[Math.floor(at / p)], units[at % p]));
  const { values, vectors } = symmetricEigen(correlations, p);
  const root = Float64Array.from({ length: p * p }, (_, at) => {
    const [i, j] = [Math.floor(at / p), at % p];
    let sum = 0;
    for (let k = 0; k < p; k++) sum += (vectors[i * p + k] * vectors[j * p + k]) / Math.sqrt(values[k]);
    return sum;
  });
  let statistic = 0;
  for (let j = 0; j < p; j++) {
    const rotated = Float64Array.from({ length: n }, (_, row) => units.reduce((sum, unit, i) => sum + unit[row] * root[i * p + j], 0));
    const { skewness, kurtosis } = momentRatios(rotated);
    const z1 = skewnessZ(skewness, n);
    statistic += z1 * z1 + kurtosisZ(skewness, kurtosis, n) ** 2;
  }
  return { statistic, df: 2 * p, ...chiSquaredP(statistic, 2 * p), n };
}

function kurtosisZ(skewness: number, kurtosis: number, n: number): number {
  const b1 = skewness * skewness;
  const delta = (n - 3) * (n + 1) * (n * n + 15 * n - 4);
  const a = ((n - 2) * (n + 5) * (n + 7) * (n * n + 27 * n - 70)) / (6 * delta);
  const c = ((n - 7) * (n + 5) * (n + 7) * (n * n + 2 * n - 5)) / (6 * delta);
  const k = ((n + 5) * (n + 7) * (n ** 3 + 37 * n * n + 11 * n - 313)) / (12 * delta);
  const alpha = a + b1 * c;
  const chi = (kurtosis - 1 - b1) * 2 * k;
  return (Math.cbrt(chi / (2 * alpha)) - 1 + 1 / (9 * alpha)) * Math.sqrt(9 * alpha);
}
