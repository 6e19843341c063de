/** How far two centred unit vectors are from lying on one line. */
export interface UnitProduct {
  /** The correlation coefficient in [−1, 1]. */
  readonly r: number;
  /** 1 − |r| to full relative precision, also where r rounds to ±1. */
  readonly oneMinusAbs: number;
}

/** Squared distances below this are rounding noise of doubles: the points lie exactly on a line. */
const EXACT_LINE = 64 * Number.EPSILON * Number.EPSILON;

/** Above this |r| the distance between the vectors keeps more digits of 1 − |r| than their product. */
export const NEAR_LINE = 0.5;

/** Scales a centred column to unit length, in place. */
export function toUnitLength(centred: Float64Array, n = centred.length): void {
  let [s0, s1, s2, s3] = [0, 0, 0, 0];
  let i = 0;
  // Four partial sums at a time do not wait for each other, and round less.
  for (; i + 3 < n; i += 4) {
    s0 += centred[i] * centred[i];
    s1 += centred[i + 1] * centred[i + 1];
    s2 += centred[i + 2] * centred[i + 2];
    s3 += centred[i + 3] * centred[i + 3];
  }
  for (; i < n; i++) s0 += centred[i] * centred[i];
  const factor = 1 / Math.sqrt(s0 + s1 + (s2 + s3));
  for (let k = 0; k < n; k++) centred[k] *= factor;
}

/**
 * Correlation of two centred unit vectors u and v: δ = ½‖u − v‖² (r > 0) or ½‖u + v‖² (r < 0), |r| = 1 − δ, so that
 * 1 − r² = δ(2 − δ) keeps its digits where r is close to ±1 and exactly linear data give exactly ±1.
 * For |r| below ½ the product Σuv itself is used, which is the same number and more precise there.
 */
export function unitProduct(u: Float64Array, v: Float64Array, n = u.length): UnitProduct {
  let product = 0;
  for (let i = 0; i < n; i++) product += u[i] * v[i];
  if (Math.abs(product) < NEAR_LINE) return { r: product, oneMinusAbs: 1 - Math.abs(product) };

  const sign = product > 0 ? 1 : -1;
  let squaredDistance = 0;
  for (let i = 0; i < n; i++) {
    const difference = u[i] - sign * v[i];
    squaredDistance += difference * difference;
  }
  const oneMinusAbs = squaredDistance / 2 < EXACT_LINE ? 0 : squaredDistance / 2;
  return { r: sign * (1 - oneMinusAbs), oneMinusAbs };
}
