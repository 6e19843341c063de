import type { RegressionResult } from '@ivlen/contract';
import type { Asking } from '../../../telling/asking';
import { drawnFigure } from '../../../telling/drawn-figure';
import { PointsDrawing } from '../../../telling/points-drawing';
import { quantilesFigure } from '../../../telling/quantiles-figure';
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
export function residualQuantilesFigure(asking: Asking, { quantiles }: RegressionResult, outcome: string): ToldFigure | null {
  const { sample, low, high } = quantiles;
  return quantilesFigure(asking, {
    quantiles,
    of: `the studentized residuals of ${outcome}, ${count(sample.length)}`,
    yLabel: 'studentized residual',
    outside: sample.filter((value, i) => value < (low[i] ?? value) || value > (high[i] ?? value)).length,
  });
}

function count(points: number): string {
  return `${points.toLocaleString('en-GB')} ${points === 1 ? 'point' : 'points'}`;
}
