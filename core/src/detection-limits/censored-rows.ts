import { bivariateNormal, bivariateNormalDensity } from '../distributions/bivariate-normal';
import { logNormalUpperTail, normalUpperTail } from '../distributions/normal';

/** Means, logarithms of the SDs, and Fisher’s z, in this order. */
export type CensoredPoint = readonly [meanX: number, meanY: number, logSdX: number, logSdY: number, z: number];

/** Complete values; where `below` is 1, the value is the limit that the true one lies below. */
export interface CensoredColumn {
  readonly values: Float64Array;
  readonly below: Uint8Array;
}

const LOG_ROOT_TWO_PI = 0.5 * Math.log(2 * Math.PI);
const TINY = 1e-300;

/**
 * Log likelihood of two normal variables with values below limits, and its slopes.
 * Source: Lyles, Williams & Chuachoowong (2001), eq. 2–5: both seen φ₂; one below φ(y)·Φ((l − E(x|y))/SD(x|y)); both below Φ₂.
 */
export function censoredLikelihood(x: CensoredColumn, y: CensoredColumn, point: CensoredPoint) {
  const [meanX, meanY, logSdX, logSdY, z] = point;
  const [sdX, sdY, rho] = [Math.exp(logSdX), Math.exp(logSdY), Math.tanh(z)];
  const square = 1 / Math.cosh(z) ** 2;
  const s = Math.sqrt(square);
  const slopes = new Float64Array(5);
  let height = 0;
  for (let i = 0; i < x.values.length; i++) {
    const [u, v] = [(x.values[i] - meanX) / sdX, (y.values[i] - meanY) / sdY];
    // Slopes by u, by v and by ρ, of what does not hang on the SDs by itself.
    let [byU, byV, byRho] = [0, 0, 0];
    if (x.below[i] === 0 && y.below[i] === 0) {
      const distance = u * u - 2 * rho * u * v + v * v;
      height += -2 * LOG_ROOT_TWO_PI - logSdX - logSdY - Math.log(s) - distance / (2 * square);
      [byU, byV] = [(rho * v - u) / square, (rho * u - v) / square];
      byRho = rho / square + (u * v) / square - (rho * distance) / (square * square);
    } else if (x.below[i] === 1 && y.below[i] === 1) {
      const both = Math.max(TINY, bivariateNormal(u, v, rho));
      height += Math.log(both);
      byU = marginal(u, (v - rho * u) / s) / both;
      byV = marginal(v, (u - rho * v) / s) / both;
      byRho = bivariateNormalDensity(u, v, rho) / both;
    } else {
      const [limit, seen] = x.below[i] === 1 ? [u, v] : [v, u];
      const w = (limit - rho * seen) / s;
      const logTail = logNormalUpperTail(-w);
      height += -LOG_ROOT_TWO_PI - (seen * seen) / 2 - (x.below[i] === 1 ? logSdY : logSdX) + logTail;
      const mills = Math.exp(-(w * w) / 2 - LOG_ROOT_TWO_PI - logTail);
      const [byLimit, bySeen] = [mills / s, -seen - (mills * rho) / s];
      [byU, byV] = x.below[i] === 1 ? [byLimit, bySeen] : [bySeen, byLimit];
      byRho = (mills * (rho * limit - seen)) / (s * square);
    }
    slopes[0] -= byU / sdX;
    slopes[1] -= byV / sdY;
    slopes[2] -= byU * u + (x.below[i] === 1 ? 0 : 1);
    slopes[3] -= byV * v + (y.below[i] === 1 ? 0 : 1);
    slopes[4] += byRho * square;
  }
  return { height, slopes };
}

/** φ(at)·Φ(rest). */
function marginal(at: number, rest: number): number {
  return Math.exp(-(at * at) / 2 - LOG_ROOT_TWO_PI) * normalUpperTail(-rest);
}
