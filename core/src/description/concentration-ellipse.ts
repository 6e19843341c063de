import { assertLevel } from '../correlation/options';

/** Means, SDs and Pearson correlation of two variables. */
export interface PairMoments {
  readonly meanX: number;
  readonly meanY: number;
  readonly sdX: number;
  readonly sdY: number;
  readonly r: number;
}

export interface ConcentrationEllipse {
  /** The outline, in the variables' units; closed, the first point is not repeated. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Mahalanobis distance of the outline from the means. */
  readonly distance: number;
}

/**
 * The ellipse around the means that holds a share of the cases if the two variables are jointly normal with these moments:
 * squared Mahalanobis distance −2·ln(1 − share), the quantile of chi-squared with 2 degrees of freedom.
 * Source: Cramér (1946), 21.10. It says nothing of where the means are known to lie.
 * @param points of the outline, default 72
 * @returns null where a moment is not finite or an SD is 0
 * @throws {RangeError} share outside (0, 1).
 *
 * @example
 * concentrationEllipse({ meanX: 0, meanY: 0, sdX: 1, sdY: 1, r: 0 }, 0.95, { points: 4 })?.x.length; // 4
 */
export function concentrationEllipse(
  { meanX, meanY, sdX, sdY, r }: PairMoments,
  share: number,
  { points = 72 }: { points?: number } = {},
): ConcentrationEllipse | null {
  assertLevel(share);
  if (![meanX, meanY, sdX, sdY, r].every(Number.isFinite) || sdX <= 0 || sdY <= 0) return null;
  const distance = Math.sqrt(-2 * Math.log1p(-share));
  const rest = Math.sqrt(Math.max(0, 1 - r * r));
  const x = new Float64Array(points);
  const y = new Float64Array(points);
  for (let i = 0; i < points; i++) {
    const angle = (2 * Math.PI * i) / points;
    const [u, v] = [Math.cos(angle), Math.sin(angle)];
    x[i] = meanX + distance * sdX * u;
    y[i] = meanY + distance * sdY * (r * u + rest * v);
  }
  return { x, y, distance };
}
