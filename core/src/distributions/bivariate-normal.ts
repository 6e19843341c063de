import { normalUpperTail } from './normal';

/** Half of the points and weights of Gauss–Legendre rules on [−1, 1], by how large |ρ| is. */
const RULES = [
  {
    below: 0.3,
    weights: [0.1713244923791705, 0.3607615730481384, 0.4679139345726904],
    points: [0.9324695142031522, 0.6612093864662647, 0.238619186083197],
  },
  {
    below: 0.75,
    weights: [0.04717533638651177, 0.1069393259953183, 0.1600783285433464, 0.2031674267230659, 0.2334925365383547, 0.2491470458134029],
    points: [0.9815606342467191, 0.904117256370475, 0.769902674194305, 0.5873179542866171, 0.3678314989981802, 0.1252334085114692],
  },
  {
    below: Number.POSITIVE_INFINITY,
    weights: [
      0.01761400713915212, 0.04060142980038694, 0.06267204833410905, 0.08327674157670475, 0.1019301198172404, 0.1181945319615184,
      0.1316886384491766, 0.1420961093183821, 0.1491729864726037, 0.1527533871307259,
    ],
    points: [
      0.9931285991850949, 0.9639719272779138, 0.9122344282513259, 0.8391169718222188, 0.7463319064601508, 0.636053680726515,
      0.5108670019508271, 0.3737060887154196, 0.2277858511416451, 0.07652652113349732,
    ],
  },
].map(({ below, weights, points }) => ({
  below,
  weights: [...weights, ...weights],
  points: [...points.map((point) => 1 - point), ...points.map((point) => 1 + point)],
}));

/** Above this the integral over the angle loses digits, and an expansion about ρ = ±1 takes over. */
const NEAR_ONE = 0.925;
const TWO_PI = 2 * Math.PI;

/**
 * P(X < a, Y < b) of two standard normal variables with correlation ρ.
 * Source: Genz (2004), after Drezner & Wesolowsky (1990). Domain: −1 ≤ ρ ≤ 1, infinite limits allowed; NaN gives NaN.
 * Accuracy: absolute error below 1e−15 against 30 digits, see tests/polychoric.test.ts.
 *
 * @example
 * bivariateNormal(0, 0, 0.5); // 0.333333
 */
export function bivariateNormal(a: number, b: number, rho: number): number {
  return upperCorner(-a, -b, rho);
}

/** Density of two standard normal variables with correlation ρ; |ρ| < 1. */
export function bivariateNormalDensity(x: number, y: number, rho: number): number {
  if (!Number.isFinite(x) || !Number.isFinite(y)) return 0;
  const rest = (1 - rho) * (1 + rho);
  return Math.exp(-(x * x - 2 * rho * x * y + y * y) / (2 * rest)) / (TWO_PI * Math.sqrt(rest));
}

/** P(X > h, Y > k). */
function upperCorner(h: number, k: number, rho: number): number {
  if (Number.isNaN(h + k + rho) && (Number.isNaN(h) || Number.isNaN(k) || Number.isNaN(rho))) return Number.NaN;
  if (h === Number.POSITIVE_INFINITY || k === Number.POSITIVE_INFINITY) return 0;
  if (h === Number.NEGATIVE_INFINITY) return normalUpperTail(k);
  if (k === Number.NEGATIVE_INFINITY || rho === 0) return normalUpperTail(h) * normalUpperTail(k);
  const rule = RULES.find(({ below }) => Math.abs(rho) < below) ?? RULES[RULES.length - 1];
  const corner = Math.abs(rho) < NEAR_ONE ? byAngle(h, k, rho, rule) : aboutOne(h, k, rho, rule);
  return Math.max(0, Math.min(1, corner));
}

type Rule = (typeof RULES)[number];

function byAngle(h: number, k: number, rho: number, { weights, points }: Rule): number {
  const [squares, product, angle] = [(h * h + k * k) / 2, h * k, Math.asin(rho) / 2];
  let sum = 0;
  for (let i = 0; i < points.length; i++) {
    const sine = Math.sin(angle * points[i]);
    sum += weights[i] * Math.exp((sine * product - squares) / (1 - sine * sine));
  }
  return (sum * angle) / TWO_PI + normalUpperTail(h) * normalUpperTail(k);
}

function aboutOne(h: number, given: number, rho: number, rule: Rule): number {
  const k = rho < 0 ? -given : given;
  const rest = Math.abs(rho) < 1 ? nearOneTerm(h, k, h * k, rho, rule) : 0;
  if (rho > 0) return rest + normalUpperTail(Math.max(h, k));
  if (h >= k) return -rest;
  return (h < 0 ? normalUpperTail(-k) - normalUpperTail(-h) : normalUpperTail(h) - normalUpperTail(k)) - rest;
}

/** What the corner at |ρ| < 1 differs from the one at 1: Genz (2004), eq. 6. */
function nearOneTerm(h: number, k: number, product: number, rho: number, { weights, points }: Rule): number {
  const square = (1 - rho) * (1 + rho);
  const root = Math.sqrt(square);
  const apart = (h - k) ** 2;
  const [c, d] = [(4 - product) / 8, (12 - product) / 80];
  let term = 0;
  const first = -(apart / square + product) / 2;
  if (first > -100) {
    term = root * Math.exp(first) * (1 - (c * (apart - square) * (1 - d * apart)) / 3 + c * d * square * square);
  }
  if (product > -100) {
    const b = Math.sqrt(apart);
    const tail = Math.sqrt(TWO_PI) * normalUpperTail(b / root);
    term -= Math.exp(-product / 2) * tail * b * (1 - (c * apart * (1 - d * apart)) / 3);
  }
  const half = root / 2;
  let sum = 0;
  for (let i = 0; i < points.length; i++) {
    const xs = (half * points[i]) ** 2;
    const exponent = -(apart / xs + product) / 2;
    if (exponent <= -100) continue;
    const rs = Math.sqrt(1 - xs);
    const series = 1 + c * xs * (1 + 5 * d * xs);
    const exact = Math.exp((-product * xs) / (2 * (1 + rs) ** 2)) / rs;
    sum += weights[i] * Math.exp(exponent) * (series - exact);
  }
  return (half * sum - term) / TWO_PI;
}
