import { lowess } from '@ivlen/core';

/** Points at which the curve is drawn. */
const POINTS_DRAWN = 60;
/** More points than this are thinned for the curve, evenly along x. */
const MOST_SMOOTHED = 5000;

/** A smooth curve through points (LOWESS), ascending in x; none through hardly any. */
export function smoothCurve(x: Float64Array, y: Float64Array): { x: number; y: number }[] {
  const order = Uint32Array.from(x.keys()).sort((a, b) => (x[a] ?? 0) - (x[b] ?? 0));
  const step = Math.max(1, Math.ceil(order.length / MOST_SMOOTHED));
  const chosen = order.filter((_, i) => i % step === 0);
  const pick = (values: Float64Array) => Float64Array.from(chosen, (i) => values[i] ?? Number.NaN);
  if (chosen.length < 5) return [];
  const curve = lowess(pick(x), pick(y));
  const every = Math.max(1, Math.floor(curve.x.length / POINTS_DRAWN));
  return [...curve.x.keys()]
    .filter((i) => i % every === 0 || i === curve.x.length - 1)
    .map((i) => ({ x: curve.x[i] ?? 0, y: curve.fitted[i] ?? Number.NaN }))
    .filter((point) => Number.isFinite(point.y));
}
