const SMALL = 0.5;

/** (e^{λu} − 1)/λ, u itself for λ = 0. */
export function powerOf(u: number, lambda: number): number {
  const t = lambda * u;
  return Math.abs(t) < 1e-300 ? u : (Math.expm1(t) / t) * u;
}

/** The derivative of `powerOf` by λ: u²·h(λu), h(t) = (t·eᵗ − eᵗ + 1)/t². */
export function powerSlope(u: number, lambda: number): number {
  const t = lambda * u;
  if (Math.abs(t) >= SMALL) return ((t * Math.exp(t) - Math.expm1(t)) / (t * t)) * u * u;
  let term = 0.5;
  let sum = 0;
  for (let k = 0; k < 24; k++) {
    sum += term;
    term *= (t * (k + 2)) / ((k + 1) * (k + 3));
  }
  return sum * u * u;
}

const WIDEST = 8;
const GRID = 65;
const MOST_STEPS = 200;

/**
 * The λ of the largest likelihood: the zero of its slope next to the best of a grid over [−8, 8], by Brent's method,
 * which gives more digits than looking for the maximum itself. NaN where the likelihood still rises at an end.
 */
export function bestLambda(logLikelihood: (lambda: number) => number, slope: (lambda: number) => number): number {
  const grid = Array.from({ length: GRID }, (_, i) => -WIDEST + (2 * WIDEST * i) / (GRID - 1));
  const heights = grid.map(logLikelihood);
  const best = heights.reduce((top, height, i) => (height > heights[top] || Number.isNaN(heights[top]) ? i : top), 0);
  if (best === 0 || best === GRID - 1) return Number.NaN;
  let [low, high] = [grid[best - 1], grid[best + 1]];
  let [atLow, atHigh] = [slope(low), slope(high)];
  if (!(atLow > 0 && atHigh < 0)) return Number.NaN;
  // Illinois regula falsi: keeps the bracket, converges faster than bisection.
  for (let step = 0; step < MOST_STEPS; step++) {
    const next = (low * atHigh - high * atLow) / (atHigh - atLow);
    const at = slope(next);
    if (at === 0 || high - low <= 4 * Number.EPSILON * Math.max(1, Math.abs(next)) || next === low || next === high) return next;
    if (at > 0) {
      low = next;
      atLow = at;
      atHigh /= 2;
    } else {
      high = next;
      atHigh = at;
      atLow /= 2;
    }
  }
  return (low + high) / 2;
}

/** Σ(y − ȳ)² and Σ(y − ȳ)y′ of transformed values and their slopes. */
export function variationAndSlope(
  u: Float64Array,
  transform: (u: number) => number,
  slopeOf: (u: number) => number,
): { variation: number; slope: number } {
  const n = u.length;
  let mean = 0;
  for (const value of u) mean += transform(value) / n;
  let [variation, slope] = [0, 0];
  for (const value of u) {
    const deviation = transform(value) - mean;
    variation += deviation * deviation;
    slope += deviation * slopeOf(value);
  }
  return { variation, slope };
}
