import type { Cloud } from './invented-cloud';

/** More points than this are thinned evenly. */
const MOST = 600;

/** Two columns without missing values as standard scores, so that they can be laid beside any cloud. */
export function cloudOfRows(x: Float64Array, y: Float64Array): Cloud {
  const step = Math.max(1, Math.ceil(x.length / MOST));
  const thinned = (values: Float64Array) => {
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
    const sd = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, values.length - 1));
    return [...values.filter((_, i) => i % step === 0)].map((value) => (sd > 0 ? (value - mean) / sd : 0));
  };
  return { x: thinned(x), y: thinned(y) };
}
