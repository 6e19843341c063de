import type { Asking } from './asking';
import { drawnFigure } from './drawn-figure';
import { PointsDrawing } from './points-drawing';
import type { ToldFigure } from './told';

interface QuantilesFacts {
  /** Ascending, with the band that normal samples of this size stay in. */
  readonly quantiles: {
    readonly theoretical: readonly number[];
    readonly sample: readonly number[];
    readonly low: readonly number[];
    readonly high: readonly number[];
  };
  /** What the plot is of, with how many. */
  readonly of: string;
  readonly yLabel: string;
  /** How many points lie outside the band, also of those that are not drawn. */
  readonly outside: number;
}

/** A normal quantile plot with its band; null where there is nothing to draw. */
export function quantilesFigure({ client }: Asking, { quantiles, of, yLabel, outside }: QuantilesFacts): ToldFigure | null {
  if (quantiles.sample.length === 0) return null;
  const points = quantiles.sample.map((y, i) => {
    const [low, high] = [quantiles.low[i] ?? y, quantiles.high[i] ?? y];
    return { x: quantiles.theoretical[i] ?? 0, y, low, high, marked: y < low || y > high };
  });
  const label = `Normal quantile plot of ${of}`;
  const words = outside === 0 ? 'no point' : outside === 1 ? 'one point' : `${outside.toLocaleString('en-GB')} points`;
  return drawnFigure(client, {
    title: label,
    caption: `${label}, ${words} outside the band that holds all points of 95 in 100 normal samples.`,
    alternative: `${label}, ${words} outside the band.`,
    element: (width) => (
      <PointsDrawing label={label} xLabel="normal quantile" yLabel={yLabel} width={width} points={points} band={points} equal />
    ),
  });
}
