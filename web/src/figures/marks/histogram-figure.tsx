import type { ShapeResult } from '@ivlen/contract';
import { scaleLinear } from 'd3-scale';
import { memo } from 'react';
import { greatest } from '../../numbers/ends';
import { asMeasured } from '../as-measured';
import { formatMeasured } from '../format-measured';

/** Smallest and largest value of an axis. */
export type Domain = readonly [number | null, number | null];

interface HistogramFigureProps {
  readonly shape: ShapeResult;
  readonly label: string;
  readonly width: number;
  readonly height: number;
  /** Without the ends of the axis, where there is little room. */
  readonly plain?: boolean;
  /** Another axis than that of its own values. */
  readonly domain?: Domain | null;
}

const AXIS = 16;
const BOX = 5;

/** Histogram with the kernel density and the fitted normal curve; quartiles, median, whiskers and outliers on its axis. */
export const HistogramFigure = memo(function HistogramFigure({
  shape,
  label,
  width,
  height,
  domain = null,
  plain = false,
}: HistogramFigureProps) {
  const { description, density, box, histogram: bins } = shape;
  const { mean, sd, n, q1, q3, median } = description;
  const [min, max] = domain ?? [description.min, description.max];
  const ends = domain ? [] : bins.edges;
  if (n === 0 || min === null || max === null) return <svg width={width} height={height} role="img" aria-label={`${label}: no values`} />;
  const margin = (max - min || Math.abs(max) || 1) * 0.02;
  // Bins of rounded values reach half a step beyond them.
  const [from, to] = [Math.min(min - margin, ends[0] ?? min), Math.max(max + margin, ends.at(-1) ?? max)];
  const x = scaleLinear([from, to], [1, width - 1]);
  const floor = height - (plain ? BOX + 2 : AXIS + BOX);
  const edges = bins.edges.length > 1 && bins.edges[0] !== bins.edges.at(-1) ? bins.edges : [min - margin, max + margin];
  const heights = bins.counts.map((count, i) => count / n / ((edges[i + 1] ?? 0) - (edges[i] ?? 0)));
  const normalPeak = sd ? 1 / (sd * Math.sqrt(2 * Math.PI)) : 0;
  const highest = greatest([...heights, ...density.y, normalPeak]);
  const y = scaleLinear([0, highest], [floor, 3]);
  const path = (xs: readonly number[], ys: readonly number[]) =>
    xs
      .map((value, i) => [x(value), y(ys[i] ?? 0)] as const)
      .filter(([at]) => at >= 0 && at <= width)
      .map(([at, up], i) => `${i === 0 ? 'M' : 'L'}${at.toFixed(1)} ${up.toFixed(1)}`)
      .join('');
  const bars = heights
    .map((tall, i) => {
      const [left, right] = [x(edges[i] ?? 0), x(edges[i + 1] ?? 0)];
      const wide = Math.max(0.5, right - left - 0.7);
      return `M${left.toFixed(1)} ${floor}V${y(tall).toFixed(1)}h${wide.toFixed(1)}V${floor}Z`;
    })
    .join('');
  const normal = Array.from({ length: 60 }, (_, i) => min + ((max - min) * i) / 59);
  const middle = floor + BOX + 1;
  return (
    <svg width={width} height={height} role="img" aria-label={label} className="numerals" fontSize={11}>
      <path d={bars} fill="var(--bar)" opacity={0.55} />
      <path d={path(density.x, density.y)} fill="none" stroke="var(--ink)" strokeWidth={1.2} />
      {sd !== null && sd > 0 && mean !== null && (
        <path
          d={path(
            normal,
            normal.map((value) => normalPeak * Math.exp(-0.5 * ((value - mean) / sd) ** 2)),
          )}
          fill="none"
          stroke="var(--accent)"
          strokeWidth={1.2}
          strokeDasharray="4 3"
        />
      )}
      <line x1={0} x2={width} y1={floor} y2={floor} stroke="var(--edge)" />
      {box.whiskers[0] !== null && box.whiskers[1] !== null && q1 !== null && q3 !== null && median !== null && (
        <g>
          <line x1={x(box.whiskers[0])} x2={x(box.whiskers[1])} y1={middle} y2={middle} stroke="var(--muted)" />
          <rect x={x(q1)} y={middle - 3} width={Math.max(1, x(q3) - x(q1))} height={6} fill="var(--muted)" opacity={0.6} />
          <line x1={x(median)} x2={x(median)} y1={middle - 4} y2={middle + 4} stroke="var(--paper)" strokeWidth={2} />
        </g>
      )}
      {box.outside.map(({ row, name, value, far }) => (
        <line key={row} x1={x(value)} x2={x(value)} y1={middle - 4} y2={middle + 4} stroke="var(--caution)" strokeWidth={far ? 2 : 1.2}>
          <title>{`row ${row}${name === null ? '' : ` (${name})`}: ${value}`}</title>
        </line>
      ))}
      {!plain && (
        <g fill="var(--muted)">
          <text x={1} y={height - 1}>
            {endOfAxis(min, sd)}
          </text>
          <text x={width - 1} y={height - 1} textAnchor="end">
            {endOfAxis(max, sd)}
          </text>
        </g>
      )}
    </svg>
  );
});

/** Not more digits than the eye can use, and none that only stand for nothing. */
function endOfAxis(value: number, sd: number | null): string {
  const plain = asMeasured(Number(value.toPrecision(6)));
  const measured = formatMeasured(value, sd, null);
  return measured.length < plain.length ? measured : plain;
}
