const SPLITTER = 2 ** 27 + 1;

/**
 * y − b₀ − Σbⱼxⱼ row by row, with products and sums in twice the working precision, so that small residuals of large
 * values keep their digits. Source: Dekker (1971) for the product, Knuth for the sum.
 * @param coefficients intercept first
 */
export function exactResiduals(y: Float64Array, predictors: readonly Float64Array[], coefficients: Float64Array): Float64Array {
  const residuals = new Float64Array(y.length);
  for (let i = 0; i < y.length; i++) {
    let high = y[i];
    let low = 0;
    for (let j = -1; j < predictors.length; j++) {
      const b = -coefficients[j + 1];
      const x = j < 0 ? 1 : predictors[j][i];
      const product = b * x;
      const error = productError(b, x, product);
      const sum = high + product;
      const part = sum - high;
      low += high - (sum - part) + (product - part) + error;
      high = sum;
    }
    residuals[i] = high + low;
  }
  return residuals;
}

function productError(a: number, b: number, product: number): number {
  const ca = SPLITTER * a;
  const cb = SPLITTER * b;
  const ah = ca - (ca - a);
  const bh = cb - (cb - b);
  const al = a - ah;
  const bl = b - bh;
  const error = ah * bh - product + ah * bl + al * bh + al * bl;
  // Splitting overflows for values beyond 1e300; the plain product has to do there.
  return Number.isFinite(error) ? error : 0;
}
