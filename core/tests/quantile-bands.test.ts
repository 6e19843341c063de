import { normalQuantiles } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { QUANTILE_BAND_TABLE } from '../src/description/quantile-band-table';
import { normalQuantile } from '../src/distributions/normal';

/** A sample whose quantiles are those of a normal one, so that the plot is a line. */
const even = (n: number) => Float64Array.from({ length: n }, (_, i) => normalQuantile((i + 0.625) / (n + 0.25)));

describe('tabled bands of large normal quantile plots', () => {
  it.each(QUANTILE_BAND_TABLE.map(({ size, simultaneous }) => [size, simultaneous.length] as const))(
    'at n = %d the table has a reach for each of the points that the core plots, and is read as it stands',
    (size, points) => {
      if (size <= 1000) return;
      const { theoretical, low, high } = normalQuantiles(even(size));
      expect(theoretical.length).toBe(points);
      const { simultaneous } = QUANTILE_BAND_TABLE.find((row) => row.size === size) ?? { simultaneous: [] };
      for (const k of [0, 1, points >> 1, points - 1]) {
        expect(theoretical[k] - low[k]).toBeCloseTo(simultaneous[k], 10);
        expect(high[k] - theoretical[k]).toBeCloseTo(simultaneous[points - 1 - k], 10);
      }
    },
  );

  it('join those that are simulated up to 1,000 values', () => {
    const [below, above] = [1000, 1001].map((n) => normalQuantiles(even(n)));
    const reach = ({ theoretical, low }: typeof below, place: number) => theoretical[place] - low[place];
    expect(Math.abs(reach(above, 0) / reach(below, 0) - 1)).toBeLessThan(0.12);
    expect(Math.abs(reach(above, above.low.length >> 1) / reach(below, 500) - 1)).toBeLessThan(0.08);
  });

  test.each([1500, 11_000])('n = %d, between two sizes: as simulated for this size', (n) => {
    for (const band of ['simultaneous', 'pointwise'] as const) {
      const tabled = normalQuantiles(even(n), { band });
      // Next to the level of the table, where the core simulates.
      const simulated = normalQuantiles(even(n), { band, level: 0.9501 });
      const ratios = [...tabled.theoretical].map((z, k) => (z - tabled.low[k]) / (z - simulated.low[k]));
      const mean = ratios.reduce((sum, ratio) => sum + ratio, 0) / ratios.length;
      expect(Math.abs(mean - 1)).toBeLessThan(0.03);
      // Single places of a simulation of 20,000 samples follow its noise.
      for (const ratio of ratios) expect(Math.abs(ratio - 1)).toBeLessThan(0.15);
    }
  });
});
