import type { RegressionResult } from '@ivlen/contract';
import { scaleLinear } from 'd3-scale';
import { Axes } from '../../../figures/axes';
import { tickCount } from '../../../figures/ticks';
import type { Asking } from '../../../telling/asking';
import { drawnFigure } from '../../../telling/drawn-figure';
import type { ToldFigure } from '../../../telling/told';

const SHAPE = 0.62;
const MARGIN = { top: 8, right: 10, bottom: 40, left: 54 };
const PADDING = 6;

/** Residuals against fitted values with a smooth curve. */
export function residualFigure({ client }: Asking, { points, smooth }: RegressionResult, outcome: string): ToldFigure {
  const n = points.length.toLocaleString('en-GB');
  return drawnFigure(client, {
    title: `Residuals of ${outcome}`,
    caption: `Residuals of ${outcome} against fitted values, ${n} points, with a smooth curve, which runs along zero where the model misses nothing.`,
    alternative: `Residuals of ${outcome} against fitted values, ${n} points.`,
    element: (width) => <Residuals points={points} smooth={smooth} outcome={outcome} width={width} height={Math.round(width * SHAPE)} />,
  });
}

interface ResidualsProps extends Pick<RegressionResult, 'points' | 'smooth'> {
  readonly outcome: string;
  readonly width: number;
  readonly height: number;
}

function Residuals({ points, smooth, outcome, width, height }: ResidualsProps) {
  const frame = { left: MARGIN.left, top: MARGIN.top, right: width - MARGIN.right, bottom: height - MARGIN.bottom };
  const x = scaleLinear(endsOf(points.map(({ fitted }) => fitted)), [frame.left + PADDING, frame.right - PADDING]).nice(
    tickCount(frame.right - frame.left),
  );
  const y = scaleLinear(endsOf(points.map(({ residual }) => residual)), [frame.bottom - PADDING, frame.top + PADDING]).nice(
    tickCount(frame.bottom - frame.top),
  );
  const path = smooth.map((point, i) => `${i === 0 ? 'M' : 'L'}${x(point.x).toFixed(1)} ${y(point.y).toFixed(1)}`).join('');
  return (
    <svg width={width} height={height} role="img" aria-label={`Residuals of ${outcome}`}>
      <Axes x={x} y={y} frame={frame} xLabel={`fitted ${outcome}`} yLabel="residual" />
      <line x1={frame.left} x2={frame.right} y1={y(0)} y2={y(0)} stroke="var(--edge)" />
      <g fill="var(--ink)" fillOpacity={0.5}>
        {points.map(({ row, fitted, residual }) => (
          <circle key={row} cx={x(fitted)} cy={y(residual)} r={2.4} />
        ))}
      </g>
      <path d={path} fill="none" stroke="var(--accent)" strokeWidth={2} />
    </svg>
  );
}

function endsOf(values: readonly number[]): [number, number] {
  return values.reduce<[number, number]>(
    ([low, high], value) => [Math.min(low, value), Math.max(high, value)],
    [values[0] ?? 0, values[0] ?? 1],
  );
}
