import { scaleLinear } from 'd3-scale';
import { Axes } from '../figures/axes';
import { endsOf } from '../figures/charts/nice-axis';
import { tickCount } from '../figures/ticks';
import { greatest, least } from '../numbers/ends';

const SHAPE = 0.62;
const MARGIN = { top: 8, right: 10, bottom: 40, left: 54 };
const PADDING = 6;

interface Place {
  readonly x: number;
  readonly y: number;
}

interface PointsDrawingProps {
  readonly label: string;
  readonly xLabel: string;
  readonly yLabel: string;
  readonly width: number;
  /** Marked ones stand out. */
  readonly points: readonly (Place & { readonly marked?: boolean })[];
  /** What the points would be within. */
  readonly band?: readonly { readonly x: number; readonly low: number; readonly high: number }[];
  /** A curve through them. */
  readonly curve?: readonly Place[];
  /** Values that get a line across: what the points are held against, or a limit. */
  readonly levels?: readonly { readonly y: number; readonly limit?: boolean }[];
  /** Whether the line of equal values is drawn. */
  readonly equal?: boolean;
}

/** Points with what they are held against, as a figure of the report. */
export function PointsDrawing({
  label,
  xLabel,
  yLabel,
  width,
  points,
  band = [],
  curve = [],
  levels = [],
  equal = false,
}: PointsDrawingProps) {
  const height = Math.round(width * SHAPE);
  const frame = { left: MARGIN.left, top: MARGIN.top, right: width - MARGIN.right, bottom: height - MARGIN.bottom };
  const x = scaleLinear(wide(endsOf(points.map((point) => point.x))), [frame.left + PADDING, frame.right - PADDING]).nice(
    tickCount(frame.right - frame.left),
  );
  const heights = [...points.map((point) => point.y), ...band.flatMap(({ low, high }) => [low, high]), ...levels.map((level) => level.y)];
  const y = scaleLinear(wide(endsOf(heights)), [frame.bottom - PADDING, frame.top + PADDING]).nice(tickCount(frame.bottom - frame.top));
  const path = (places: readonly Place[]) =>
    places.map((place, i) => `${i === 0 ? 'M' : 'L'}${x(place.x).toFixed(1)} ${y(place.y).toFixed(1)}`).join('');
  const bandEnds = [...band.map((at) => ({ x: at.x, y: at.low })), ...band.map((at) => ({ x: at.x, y: at.high })).toReversed()];
  const [from, to] = [greatest(lowest(x, y)), least(highest(x, y))];
  return (
    <svg width={width} height={height} role="img" aria-label={label}>
      <Axes x={x} y={y} frame={frame} xLabel={xLabel} yLabel={yLabel} />
      {band.length > 0 && <path d={`${path(bandEnds)}Z`} fill="var(--bar)" fillOpacity={0.28} />}
      {levels.map((level) => (
        <line
          key={level.y}
          x1={frame.left}
          x2={frame.right}
          y1={y(level.y)}
          y2={y(level.y)}
          stroke={level.limit ? 'var(--caution)' : 'var(--edge)'}
        />
      ))}
      {equal && to > from && <line x1={x(from)} x2={x(to)} y1={y(from)} y2={y(to)} stroke="var(--accent)" strokeDasharray="4 3" />}
      {points.map((point, i) => (
        <circle
          key={i}
          cx={x(point.x)}
          cy={y(point.y)}
          r={point.marked ? 3.2 : 2.4}
          fill={point.marked ? 'var(--caution)' : 'var(--ink)'}
          fillOpacity={point.marked ? 1 : 0.5}
        />
      ))}
      {curve.length > 0 && <path d={path(curve)} fill="none" stroke="var(--accent)" strokeWidth={2} />}
    </svg>
  );
}

type Scale = ReturnType<typeof scaleLinear<number, number>>;

function lowest(...scales: readonly Scale[]): number[] {
  return scales.map((scale) => scale.domain()[0] ?? 0);
}

function highest(...scales: readonly Scale[]): number[] {
  return scales.map((scale) => scale.domain()[1] ?? 0);
}

/** Ends that differ, also of a single value. */
function wide([low, high]: readonly [number, number]): [number, number] {
  return high > low ? [low, high] : [low - 1, high + 1];
}
