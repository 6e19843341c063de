import type { RegressionResult } from '@ivlen/contract';
import type { Asking } from '../../../telling/asking';
import { drawnFigure } from '../../../telling/drawn-figure';
import { PointsDrawing } from '../../../telling/points-drawing';
import type { ToldFigure } from '../../../telling/told';

/** Residuals against fitted values with a smooth curve. */
export function residualFigure({ client }: Asking, { points, smooth }: RegressionResult, outcome: string): ToldFigure {
  const label = `Residuals of ${outcome} against fitted values, ${count(points.length)}`;
  return drawnFigure(client, {
    title: `Residuals of ${outcome}`,
    caption: `${label}, with a smooth curve, which runs along zero where the model misses nothing.`,
    alternative: `${label}.`,
    element: (width) => (
      <PointsDrawing
        label={label}
        xLabel={`fitted ${outcome}`}
        yLabel="residual"
        width={width}
        points={points.map(({ fitted, residual }) => ({ x: fitted, y: residual }))}
        levels={[{ y: 0 }]}
        curve={smooth}
      />
    ),
  });
}

/** Studentized residuals against normal quantiles; null where there are none. */
export function residualQuantilesFigure({ client }: Asking, { quantiles }: RegressionResult, outcome: string): ToldFigure | null {
  const { theoretical, sample, low, high } = quantiles;
  if (sample.length === 0) return null;
  const points = sample.map((value, i) => {
    const at = { x: theoretical[i] ?? 0, low: low[i] ?? value, high: high[i] ?? value };
    return { ...at, y: value, marked: value < at.low || value > at.high };
  });
  const outside = points.filter(({ marked }) => marked).length;
  const label = `Normal quantile plot of the studentized residuals of ${outcome}, ${count(points.length)}`;
  return drawnFigure(client, {
    title: `Quantiles of the residuals of ${outcome}`,
    caption: `${label}, ${outside === 0 ? 'none' : outside} of them outside the band that holds all points of 95 in 100 normal samples.`,
    alternative: `${label}, ${outside} outside the band.`,
    element: (width) => (
      <PointsDrawing
        label={label}
        xLabel="normal quantile"
        yLabel="studentized residual"
        width={width}
        points={points}
        band={points}
        equal
      />
    ),
  });
}

function count(points: number): string {
  return `${points.toLocaleString('en-GB')} ${points === 1 ? 'point' : 'points'}`;
}
