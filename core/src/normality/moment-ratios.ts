/** √b₁ and b₂ of centred values: third and fourth moment over the powers of the second, all with divisor n. */
export function momentRatios(centred: Float64Array): { skewness: number; kurtosis: number } {
  const n = centred.length;
  let [m2, m3, m4] = [0, 0, 0];
  for (const value of centred) {
    const square = value * value;
    m2 += square;
    m3 += square * value;
    m4 += square * square;
  }
  return { skewness: m3 / n / (m2 / n) ** 1.5, kurtosis: m4 / n / (m2 / n) ** 2 };
}

/** √b₁ made standard normal by Johnson's SU. Source: D'Agostino (1970), eqs. 2–4. */
export function skewnessZ(skewness: number, n: number): number {
  const y = skewness * Math.sqrt(((n + 1) * (n + 3)) / (6 * (n - 2)));
  const beta2 = (3 * (n * n + 27 * n - 70) * (n + 1) * (n + 3)) / ((n - 2) * (n + 5) * (n + 7) * (n + 9));
  const w2 = -1 + Math.sqrt(2 * (beta2 - 1));
  return Math.asinh(y / Math.sqrt(2 / (w2 - 1))) / Math.sqrt(0.5 * Math.log(w2));
}
