/**
 * Asymptotically distribution-free variance of Fisher's z, times n: the mean square of the influence function of r,
 * uv − r(u² + v²)/2 with standardized u and v, over (1 − r²)².
 * Source: Hawkins (1989); equal to [m22 − r(m31 + m13) + (r²/4)(m40 + 2m22 + m04)]/(1 − r²)². Written with 1 − |r| and
 * u ∓ v, so that it keeps its digits where r is near ±1.
 * @param u centred, of unit length
 */
export function adfVariance(u: Float64Array, v: Float64Array, { r, oneMinusAbs }: { r: number; oneMinusAbs: number }): number {
  const n = u.length;
  const sign = r < 0 ? -1 : 1;
  let sum = 0;
  for (let i = 0; i < n; i++) {
    const difference = u[i] - sign * v[i];
    const influence = (oneMinusAbs * (u[i] * u[i] + v[i] * v[i]) - difference * difference) / 2;
    sum += influence * influence;
  }
  const oneMinusSquare = oneMinusAbs * (2 - oneMinusAbs);
  // Unit length rather than unit variance: each u is short by √n, so that the fourth moment lacks n².
  return (n * sum) / (oneMinusSquare * oneMinusSquare);
}
