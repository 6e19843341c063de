import type { DiagonalContent } from '@ivlen/contract';
import { greatest } from '../../numbers/ends';
import { PADDING } from '../padding';
import type { Palette } from '../palette';
import type { Marginal } from './marginal';

interface DiagonalMarksProps {
  readonly marginal: Marginal;
  readonly content: DiagonalContent;
  readonly domain: readonly [number, number];
  readonly width: number;
  readonly height: number;
  readonly palette: Palette;
}

const ROOM_ABOVE = 6;
/** Bars narrower than this have no gaps, which would look like teeth. */
const GAPPED = 3;
const MOST_BOXES = 8;

/** How one variable is distributed, over the axis of its column. */
export function DiagonalMarks({ marginal, content, domain: [low, high], width, height, palette }: DiagonalMarksProps) {
  const x = (value: number) => PADDING + ((value - low) / (high - low)) * (width - 2 * PADDING);
  if (content === 'histogram') return <Bars marginal={marginal} x={x} width={width} height={height} palette={palette} />;
  if (content === 'density') return <Densities marginal={marginal} x={x} domain={[low, high]} height={height} palette={palette} />;
  if (content === 'quartiles') return <Boxes marginal={marginal} x={x} height={height} palette={palette} />;
  return null;
}

type PartProps = Pick<DiagonalMarksProps, 'marginal' | 'height' | 'palette'> & { readonly x: (value: number) => number };

function Bars({ marginal: { edges, counts }, x, width, height, palette }: PartProps & { readonly width: number }) {
  const rates = counts.map((count, i) => count / Math.max(Number.MIN_VALUE, (edges[i + 1] ?? 0) - (edges[i] ?? 0)));
  const most = greatest(rates);
  if (!(most > 0)) return null;
  const [left, right] = [edges[0] ?? 0, edges.at(-1) ?? 0];
  // A constant has one bar in the middle of its axis.
  if (left === right) return <rect x={width / 2 - 4} y={ROOM_ABOVE} width={8} height={height - ROOM_ABOVE} fill={palette.bar} />;
  const d = rates
    .map((rate, i) => {
      const [from, to] = [Math.max(0, x(edges[i] ?? 0)), Math.min(width, x(edges[i + 1] ?? 0))];
      const top = height - (rate / most) * (height - ROOM_ABOVE);
      return rate > 0
        ? `M${from.toFixed(1)} ${height}V${top.toFixed(1)}H${Math.max(from + 0.6, to - (to - from > GAPPED ? 0.5 : 0)).toFixed(1)}V${height}Z`
        : '';
    })
    .join('');
  return <path data-mark="histogram" d={d} fill={palette.bar} />;
}

/** Curves end with the axis: what they say beyond the values is no row’s. */
function Densities({
  marginal: { densities },
  x,
  domain: [low, high],
  height,
  palette,
}: PartProps & { readonly domain: readonly [number, number] }) {
  const most = Math.max(0, greatest(densities.flatMap(({ y }) => y)));
  if (most === 0) return null;
  return densities.map(({ group, x: allX, y: allY }) => {
    const within = allX.map((at) => at >= low && at <= high);
    const [xs, ys] = [allX, allY].map((values) => values.filter((_, i) => within[i])) as [number[], number[]];
    const line = xs.map((at, i) => `${x(at).toFixed(1)} ${(height - ((ys[i] ?? 0) / most) * (height - ROOM_ABOVE)).toFixed(1)}`).join('L');
    const colour = group === null ? palette.muted : palette.group(group);
    return (
      <g key={group ?? 'all'} data-mark="density">
        <path
          d={`M${x(xs[0] ?? 0).toFixed(1)} ${height}L${line}L${x(xs.at(-1) ?? 0).toFixed(1)} ${height}Z`}
          fill={colour}
          fillOpacity={0.15}
        />
        <path d={`M${line}`} fill="none" stroke={colour} strokeWidth={1.4} />
      </g>
    );
  });
}

function Boxes({ marginal: { boxes }, x, height, palette }: PartProps) {
  const shown = boxes.slice(0, MOST_BOXES);
  const step = height / (shown.length + 1);
  const half = Math.min(9, step * 0.36);
  return shown.map(({ group, low, q1, median, q3, high }, i) => {
    const y = step * (i + 1);
    const colour = group === null ? palette.muted : palette.group(group);
    return (
      <g key={group ?? 'all'} data-mark="quartiles" stroke={colour} fill="none">
        <path d={`M${x(low).toFixed(1)} ${y}H${x(q1).toFixed(1)}M${x(q3).toFixed(1)} ${y}H${x(high).toFixed(1)}`} />
        <rect x={x(q1)} y={y - half} width={Math.max(1, x(q3) - x(q1))} height={2 * half} fill={colour} fillOpacity={0.2} />
        <path d={`M${x(median).toFixed(1)} ${y - half}v${2 * half}`} strokeWidth={2} />
      </g>
    );
  });
}
