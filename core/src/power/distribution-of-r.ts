import gammaln from '@stdlib/math-base-special-gammaln';

const NODES = 16;
const MOST_TERMS = 500;
const { nodes, weights } = gaussLegendre(NODES);

/**
 * P(R > r) for the correlation of n rows from a bivariate normal population with correlation ρ.
 *
 * Source: density Hotelling (1953), eq. 25; integrated by Gauss–Legendre panels on Fisher's z scale, where it is nearly
 * normal. Domain: n ≥ 3, |ρ| < 1.
 */
export function upperTailOfR(r: number, rho: number, n: number): number {
  if (r <= -1) return 1;
  if (r >= 1) return 0;
  const sd = 1 / Math.sqrt(Math.max(1, n - 2.5));
  const centre = Math.atanh(rho);
  const start = Math.atanh(r);
  // The farther side is integrated only as far as it holds anything; the nearer one gives the tail itself.
  if (start < centre) return 1 - integral(centre - Math.max(40 * sd, 40 / (n - 1)), start, sd, rho, n);
  return integral(start, Math.max(start, centre) + Math.max(40 * sd, 40 / (n - 1)), sd, rho, n);
}

function integral(from: number, to: number, sd: number, rho: number, n: number): number {
  if (from >= to) return 0;
  const panels = Math.min(400, Math.ceil((to - from) / (1.5 * sd)) + 1);
  const width = (to - from) / panels;
  const logFactor =
    Math.log(n - 2) + gammaln(n - 1) - gammaln(n - 0.5) - 0.5 * Math.log(2 * Math.PI) + ((n - 1) / 2) * Math.log1p(-rho * rho);
  let sum = 0;
  for (let panel = 0; panel < panels; panel++) {
    const middle = from + (panel + 0.5) * width;
    for (let k = 0; k < NODES; k++) sum += weights[k] * densityAt(middle + (nodes[k] * width) / 2, rho, n, logFactor);
  }
  return (sum * width) / 2;
}

/** Density of R at r = tanh w times dr/dw = 1 − r². */
function densityAt(w: number, rho: number, n: number, logFactor: number): number {
  const r = Math.tanh(w);
  const logOneMinusSquare = -2 * logCosh(w);
  const log = logFactor + ((n - 2) / 2) * logOneMinusSquare - (n - 1.5) * Math.log1p(-rho * r);
  return Math.exp(log) * hypergeometric((1 + rho * r) / 2, n - 0.5);
}

function logCosh(w: number): number {
  const size = Math.abs(w);
  return size + Math.log1p(Math.exp(-2 * size)) - Math.LN2;
}

/** ₂F₁(½, ½; c; x). */
function hypergeometric(x: number, c: number): number {
  let term = 1;
  let sum = 1;
  for (let k = 0; k < MOST_TERMS; k++) {
    term *= ((k + 0.5) ** 2 / ((c + k) * (k + 1))) * x;
    sum += term;
    if (term < sum * Number.EPSILON) break;
  }
  return sum;
}

/** Nodes and weights on [−1, 1] by Newton's method on Legendre polynomials. */
function gaussLegendre(count: number): { nodes: Float64Array; weights: Float64Array } {
  const nodes = new Float64Array(count);
  const weights = new Float64Array(count);
  for (let i = 0; i < count; i++) {
    let x = Math.cos((Math.PI * (i + 0.75)) / (count + 0.5));
    let slope = 0;
    for (let step = 0; step < 20; step++) {
      let [previous, value] = [1, x];
      for (let k = 2; k <= count; k++) [previous, value] = [value, ((2 * k - 1) * x * value - (k - 1) * previous) / k];
      slope = (count * (x * value - previous)) / (x * x - 1);
      x -= value / slope;
    }
    nodes[i] = x;
    weights[i] = 2 / ((1 - x * x) * slope * slope);
  }
  return { nodes, weights };
}
