import { coefficientText, relationText } from '../../numbers/number-text';
import type { FigureProps } from './figure-props';
import { type Cloud, inventedCloud } from './invented-cloud';

const SIZES = [0.1, 0.3, 0.5, 0.7, 0.9] as const;
const POINTS = 160;
const [GAP, WORDS, EDGE] = [8, 20, 1];

/** Clouds at 0, ±.1, ±.3, ±.5, ±.7 and ±.9, those of one size under each other. */
export function Clouds({ width, label }: FigureProps) {
  const side = (width - 2 * EDGE - SIZES.length * GAP) / (SIZES.length + 1);
  const high = side + WORDS;
  const at = (column: number) => EDGE + column * (side + GAP);
  return (
    <svg width={width} height={2 * high + GAP + EDGE} role="img" aria-label={label}>
      <CloudTile left={EDGE} top={(high + GAP) / 2} side={side} r={0} />
      {SIZES.map((r, i) => (
        <g key={r}>
          <CloudTile left={at(i + 1)} top={EDGE} side={side} r={r} />
          <CloudTile left={at(i + 1)} top={high + GAP} side={side} r={-r} />
        </g>
      ))}
    </svg>
  );
}

interface CloudTileProps {
  readonly left: number;
  readonly top: number;
  readonly side: number;
  readonly r: number;
  /** Points of one's own; invented ones otherwise. */
  readonly cloud?: Cloud;
}

/** A square with a cloud of points, and its r under it. */
export function CloudTile({ left, top, side, r, cloud = inventedCloud(r, POINTS) }: CloudTileProps) {
  const place = placing(side);
  return (
    <g transform={`translate(${left},${top})`}>
      <rect width={side} height={side} fill="var(--surface)" stroke="var(--rule)" />
      <g fill="var(--ink)" fillOpacity={0.55}>
        {cloud.x.map((x, i) => (
          <circle key={i} cx={place(x)} cy={place(-(cloud.y[i] ?? 0))} r={1.3} />
        ))}
      </g>
      <text x={side / 2} y={side + 15} textAnchor="middle" fontSize={12} fill="var(--ink)" className="numerals">
        {relationText('r', coefficientText(r))}
      </text>
    </g>
  );
}

/** Standard scores within a square that holds three and a bit on either side. */
function placing(side: number): (value: number) => string {
  return (value) => (side / 2 + (Math.max(-3.3, Math.min(3.3, value)) * side) / 6.8).toFixed(1);
}
