import type { ScaleLinear } from 'd3-scale';
import { tickCount, tickText } from '../../../figures/axes';
import type { Palette } from '../palette';
import type { SingleFrame } from './single-frame';

interface SingleAxesProps {
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
  readonly frame: SingleFrame;
  readonly xLabel: string;
  readonly yLabel: string;
  readonly palette: Palette;
}

const TICK = 5;
const NAME_BELOW = 36;

/** Frame, ticks and names of a large scatterplot, in the colours of the screen or of a file. */
export function SingleAxes({ x, y, frame: { left, top, right, bottom }, xLabel, yLabel, palette }: SingleAxesProps) {
  return (
    <g fontSize={11.5} fill={palette.muted}>
      <rect x={left} y={top} width={right - left} height={bottom - top} fill={palette.surface} stroke={palette.rule} />
      {x.ticks(tickCount(right - left)).map((tick) => (
        <g key={tick} transform={`translate(${x(tick)},${bottom})`}>
          <line y2={TICK} stroke={palette.edge} />
          <text y={TICK + 12} textAnchor="middle">
            {tickText(x, tick).replace('-', '−')}
          </text>
        </g>
      ))}
      {y.ticks(tickCount(bottom - top)).map((tick) => (
        <g key={tick} transform={`translate(${left},${y(tick)})`}>
          <line x2={-TICK} stroke={palette.edge} />
          <text x={-TICK - 3} dy="0.34em" textAnchor="end">
            {tickText(y, tick).replace('-', '−')}
          </text>
        </g>
      ))}
      <g fontSize={13} fill={palette.ink} textAnchor="middle">
        <text x={(left + right) / 2} y={bottom + NAME_BELOW}>
          {xLabel}
        </text>
        <text transform={`translate(14,${(top + bottom) / 2}) rotate(-90)`}>{yLabel}</text>
      </g>
    </g>
  );
}
