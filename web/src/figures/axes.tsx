import type { ScaleLinear } from 'd3-scale';
import { type Palette, SCREEN } from './palette';
import { type Tick, tickCount, ticksOf } from './ticks';

/** The rectangle of a plot, in pixels of the drawing. */
export interface PlotFrame {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

interface AxesProps {
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
  readonly frame: PlotFrame;
  readonly xLabel: string;
  readonly yLabel: string;
  /** Where the horizontal axis is no scale of numbers. */
  readonly xTicks?: readonly Tick[];
  /** The colours of the screen, or of a file. */
  readonly palette?: Palette;
  /** Sizes of the ticks' words and of the names. */
  readonly sizes?: { readonly tick: number; readonly name: number };
  /** Where the names stand: below the frame, and from the left edge. */
  readonly names?: { readonly below: number; readonly left: number };
}

const TICK = 4;

/** Frame, ticks and names of a plot with two axes of numbers. */
export function Axes({
  x,
  y,
  frame: { left, top, right, bottom },
  xLabel,
  yLabel,
  xTicks = ticksOf(x, tickCount(right - left)),
  palette = SCREEN,
  sizes = { tick: 11, name: 12 },
  names = { below: 33, left: 12 },
}: AxesProps) {
  return (
    <g className="numerals" fontSize={sizes.tick} fill={palette.muted} stroke="none">
      <rect x={left} y={top} width={right - left} height={bottom - top} fill={palette.surface} stroke={palette.rule} />
      {xTicks.map(({ value, text }) => (
        <g key={value} transform={`translate(${x(value)},${bottom})`}>
          <line y2={TICK} stroke={palette.edge} />
          <text x={withinEnds(x(value), text, sizes.tick, left, right)} y={TICK + sizes.tick} textAnchor="middle">
            {text}
          </text>
        </g>
      ))}
      {ticksOf(y, tickCount(bottom - top)).map(({ value, text }) => (
        <g key={value} transform={`translate(${left},${y(value)})`}>
          <line x2={-TICK} stroke={palette.edge} />
          <text x={-TICK - 3} dy="0.34em" textAnchor="end">
            {text}
          </text>
        </g>
      ))}
      <g fontSize={sizes.name} fill={palette.ink} textAnchor="middle">
        <text x={(left + right) / 2} y={bottom + names.below}>
          {xLabel}
        </text>
        <text transform={`translate(${names.left},${(top + bottom) / 2}) rotate(-90)`}>{yLabel}</text>
      </g>
    </g>
  );
}

/** About the width of a digit as a share of the size of letters, and how far a word may reach beyond the frame. */
const [DIGIT, BEYOND] = [0.56, 8];

/** How far the word of a tick is moved so that it is not cut off at the ends of the drawing. */
function withinEnds(place: number, text: string, size: number, left: number, right: number): number {
  const half = (text.length * size * DIGIT) / 2;
  const over = place + half - (right + BEYOND);
  if (over > 0) return -over;
  return Math.max(0, left - 4 * BEYOND - (place - half));
}
