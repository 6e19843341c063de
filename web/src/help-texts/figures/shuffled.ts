import { demoValues } from '../demo-values';
import { uniforms } from './invented-cloud';

/** Rows of the demo that are shuffled, and how often. */
export const SHUFFLED = { rows: 30, times: 4000 } as const;
const SEED = 4310;

/** r of elevation and water temperature among the first stations of the demo, the one shuffled against the other each time. */
export function shuffledCoefficients(): number[] {
  const [x, y] = ['elevation', 'water_temp'].map((name) => standard(demoValues(name).slice(0, SHUFFLED.rows)));
  if (!x || !y) return [];
  const next = uniforms(SEED);
  return Array.from({ length: SHUFFLED.times }, () => {
    // Fisher and Yates (1938), as Durstenfeld (1964) does it.
    for (let i = y.length - 1; i > 0; i--) {
      const k = Math.floor(next() * (i + 1));
      [y[i], y[k]] = [y[k] ?? 0, y[i] ?? 0];
    }
    return x.reduce((sum, value, i) => sum + value * (y[i] ?? 0), 0);
  });
}

/** With mean 0 and length 1, so that a sum of products is r. */
function standard(values: Float64Array): number[] {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const length = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0));
  return [...values].map((value) => (value - mean) / length);
}
