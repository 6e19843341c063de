import type { ScaleLinear } from 'd3-scale';

interface AxesProps {
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
  readonly frame: { readonly left: number; readonly top: number; readonly right: number; readonly bottom: number };
  readonly xLabel: string;
  readonly yLabel: string;
}

const TICK = 4;
const PER_TICK = 52;
const LARGEST_PLAIN = 1e5;
const SMALLEST_PLAIN = 1e-3;

/** About how many ticks an axis of a length in pixels carries; the scale is rounded to the same. */
export function tickCount(length: number): number {
  return Math.max(2, Math.round(length / PER_TICK));
}

/** Frame, ticks and labels of a plot. */
export function Axes({ x, y, frame, xLabel, yLabel }: AxesProps) {
  const xTicks = x.ticks(tickCount(frame.right - frame.left));
  const yTicks = y.ticks(tickCount(frame.bottom - frame.top));
  return (
    <g className="figures" fontSize={11} fill="var(--muted)" stroke="none">
      <rect
        x={frame.left}
        y={frame.top}
        width={frame.right - frame.left}
        height={frame.bottom - frame.top}
        fill="none"
        stroke="var(--rule)"
      />
      {xTicks.map((tick) => (
        <g key={tick} transform={`translate(${x(tick)},${frame.bottom})`}>
          <line y2={TICK} stroke="var(--edge)" />
          <text y={TICK + 11} textAnchor="middle">
            {tickText(x, tick)}
          </text>
        </g>
      ))}
      {yTicks.map((tick) => (
        <g key={tick} transform={`translate(${frame.left},${y(tick)})`}>
          <line x2={-TICK} stroke="var(--edge)" />
          <text x={-TICK - 3} dy="0.32em" textAnchor="end">
            {tickText(y, tick)}
          </text>
        </g>
      ))}
      <text x={(frame.left + frame.right) / 2} y={frame.bottom + 33} textAnchor="middle" fontSize={12} fill="var(--ink)">
        {xLabel}
      </text>
      <text transform={`translate(12,${(frame.top + frame.bottom) / 2}) rotate(-90)`} textAnchor="middle" fontSize={12} fill="var(--ink)">
        {yLabel}
      </text>
    </g>
  );
}

/** A tick as it is written: plainly, unless the axis is very long or very short. */
export function tickText(scale: ScaleLinear<number, number>, tick: number): string {
  const size = Math.max(...scale.domain().map(Math.abs));
  return size >= LARGEST_PLAIN || size < SMALLEST_PLAIN ? scale.tickFormat(5, '~g')(tick) : scale.tickFormat(5)(tick).replaceAll(',', '');
}
