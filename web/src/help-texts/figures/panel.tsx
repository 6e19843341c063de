import { type ScaleLinear, scaleLinear } from 'd3-scale';
import type { ReactNode } from 'react';
import { Axes, type PlotFrame } from '../../figures/axes';
import { endsOf } from '../../figures/charts/nice-axis';
import { type Tick, tickCount } from '../../figures/ticks';

export type Scale = ScaleLinear<number, number>;

interface PanelProps {
  readonly left: number;
  readonly width: number;
  readonly height: number;
  readonly x: readonly number[];
  readonly y: readonly number[];
  readonly xLabel: string;
  readonly yLabel: string;
  readonly title?: string;
  readonly xTicks?: readonly Tick[];
  readonly children: (x: Scale, y: Scale, frame: PlotFrame) => ReactNode;
}

const MARGIN = { top: 26, right: 8, bottom: 42, left: 52 };
const PADDING = 5;

/** A plot with axes, one of some beside each other; `x` and `y` are what must fit into it. */
export function Panel({ left, width, height, x: xs, y: ys, xLabel, yLabel, title, xTicks, children }: PanelProps) {
  const frame = { left: MARGIN.left, top: MARGIN.top, right: width - MARGIN.right, bottom: height - MARGIN.bottom };
  const x = scaleLinear(endsOf(xs), [frame.left + PADDING, frame.right - PADDING]).nice(tickCount(frame.right - frame.left));
  const y = scaleLinear(endsOf(ys), [frame.bottom - PADDING, frame.top + PADDING]).nice(tickCount(frame.bottom - frame.top));
  return (
    <g transform={`translate(${left},0)`}>
      {title && (
        <text x={(frame.left + frame.right) / 2} y={16} textAnchor="middle" fontSize={13} fill="var(--ink)">
          {title}
        </text>
      )}
      <Axes x={x} y={y} frame={frame} xLabel={xLabel} yLabel={yLabel} {...(xTicks ? { xTicks } : {})} />
      {children(x, y, frame)}
    </g>
  );
}

interface DotsProps {
  readonly x: readonly number[];
  readonly y: readonly number[];
  readonly radius?: number;
}

/** Points, at places of the drawing. */
export function Dots({ x, y, radius = 2.2 }: DotsProps) {
  return (
    <g fill="var(--ink)" fillOpacity={0.5}>
      {x.map((place, i) => (
        <circle key={i} cx={place.toFixed(1)} cy={(y[i] ?? 0).toFixed(1)} r={radius} />
      ))}
    </g>
  );
}

interface LineProps {
  readonly scales: readonly [Scale, Scale];
  readonly from: readonly [number, number];
  readonly slope: number;
  readonly ends: readonly [number, number];
}

/** A straight line through a place, as far as its ends and the frame allow. */
export function Line({ scales: [x, y], from: [x0, y0], slope, ends: [low, high] }: LineProps) {
  const at = (place: number) => y0 + slope * (place - x0);
  const [bottom = 0, top = 1] = y.domain();
  const reach = slope === 0 ? [low, high] : [bottom, top].map((end) => x0 + (end - y0) / slope).sort((a, b) => a - b);
  const [from, to] = [Math.max(low, reach[0] ?? low), Math.min(high, reach[1] ?? high)];
  return <line x1={x(from)} x2={x(to)} y1={y(at(from)).toFixed(1)} y2={y(at(to)).toFixed(1)} stroke="var(--accent)" strokeWidth={2} />;
}
