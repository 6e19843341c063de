import { scaleToOne } from './power-of-two';

/** A centred column: value i is `centred[i] / scale + mean + remainder`. */
export interface CentredColumn {
  /** Deviations from the mean times `scale`; the largest magnitude lies in [1/2, 2) unless the column is constant. */
  readonly centred: Float64Array;
  /** A power of two. */
  readonly scale: number;
  /** The mean rounded to one number. */
  readonly mean: number;
  /** What `mean` is short of the true mean. */
  readonly remainder: number;
  readonly min: number;
  readonly max: number;
  readonly constant: boolean;
}

/**
 * Shifts a complete column by its mean and scales it by a power of two, so that sums of products neither cancel nor
 * overflow: 1e9 + small noise and values from 1e−170 to 1e160 keep their digits.
 * Source: two-pass shifted sums, Chan, Golub & LeVeque (1983), sect. 3. The mean is kept as shift plus remainder.
 * @param x complete values (no NaN); not changed
 * @param into where the deviations go; may be longer than x, and may be x itself
 */
export function centreColumn(x: Float64Array, into: Float64Array = new Float64Array(x.length), n = x.length): CentredColumn {
  let min = Number.POSITIVE_INFINITY;
  let max = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < n; i++) {
    if (x[i] < min) min = x[i];
    if (x[i] > max) max = x[i];
  }
  if (n === 0) {
    return { centred: into.subarray(0, 0), scale: 1, mean: Number.NaN, remainder: 0, min: Number.NaN, max: Number.NaN, constant: true };
  }
  if (min === max) {
    into.fill(0, 0, n);
    return { centred: into.subarray(0, n), scale: 1, mean: min, remainder: 0, min, max, constant: true };
  }

  const sumScale = scaleToOne(Math.max(Math.abs(min), Math.abs(max)));
  let sum = 0;
  for (let i = 0; i < n; i++) sum += x[i] * sumScale;
  const shift = sum / n / sumScale;

  // The spread is at most twice the larger bound; scaling by it keeps every deviation near or below 1.
  const scale = scaleToOne(Math.max(max * sumScale - shift * sumScale, shift * sumScale - min * sumScale)) * sumScale;
  const usable = Number.isFinite(scale) ? scale : sumScale;
  const scaledShift = shift * usable;
  let rest = 0;
  for (let i = 0; i < n; i++) {
    const deviation = x[i] * usable - scaledShift;
    into[i] = deviation;
    rest += deviation;
  }
  const scaledRemainder = rest / n;
  for (let i = 0; i < n; i++) into[i] -= scaledRemainder;

  const remainder = scaledRemainder / usable;
  const mean = shift + remainder;
  return { centred: into.subarray(0, n), scale: usable, mean, remainder: shift - mean + remainder, min, max, constant: false };
}
