import type { Study } from '@ivlen/contract';
import { scaleLinear } from 'd3-scale';
import { type PointerEvent, useEffect, useId, useMemo, useRef, useState } from 'react';
import { useTheme } from '../controls/theme';
import { useRowName } from '../study/use-row-name';
import { asMeasured } from './as-measured';
import { Axes } from './axes';
import { extentOf } from './extent';
import { groupShape, groupToken } from './group-styles';
import { shapePath } from './marks/marker';
import { nearestPoint } from './nearest-point';
import type { Points } from './points';
import { tickCount } from './ticks';

export interface Line {
  readonly slope: number;
  readonly intercept: number;
}

export interface PlottedGroup {
  readonly label: string;
  readonly style: number;
  /** The group's own line; null where it has none. */
  readonly line: Line | null;
}

interface GroupScatterplotProps {
  readonly points: Points;
  /** For each row the place of its group in the list; −1 of rows in none, which are not drawn. */
  readonly groupOf: Int8Array;
  readonly groups: readonly PlottedGroup[];
  /** Through all points, whatever their group. */
  readonly pooled: Line | null;
  readonly study: Study;
  readonly xLabel: string;
  readonly yLabel: string;
  readonly width: number;
  readonly height: number;
}

const MARGIN = { top: 8, right: 10, bottom: 40, left: 50 };
const PADDING = 5;
/** More points than this are drawn on a canvas. */
const MOST_SVG_POINTS = 2000;
const MOST_SEARCHED = 50_000;

/** A scatterplot whose points are told apart by group, with a line of each, and the one that all rows together make. */
export function GroupScatterplot({ points, groupOf, groups, pooled, study, xLabel, yLabel, width, height }: GroupScatterplotProps) {
  const clip = useId();
  const frame = { left: MARGIN.left, top: MARGIN.top, right: width - MARGIN.right, bottom: height - MARGIN.bottom };
  const extents = useMemo(() => ({ x: extentOf(points.x, points.rows), y: extentOf(points.y, points.rows) }), [points]);
  const x = scaleLinear(extents.x, [frame.left + PADDING, frame.right - PADDING]).nice(tickCount(frame.right - frame.left));
  const y = scaleLinear(extents.y, [frame.bottom - PADDING, frame.top + PADDING]).nice(tickCount(frame.bottom - frame.top));
  const ranges = useMemo(() => rangesOf(points, groupOf, groups.length), [points, groupOf, groups.length]);
  const [hovered, setHovered] = useState<number | null>(null);
  const name = useRowName(study, hovered === null ? null : hovered + 1);
  const count = points.rows.length;
  const radius = count > 500 ? 2.2 : 3;
  const opacity = count > 5000 ? 0.25 : count > 500 ? 0.45 : 0.6;
  const onPointerMove = (event: PointerEvent<SVGSVGElement>) => {
    if (count > MOST_SEARCHED) return;
    const box = event.currentTarget.getBoundingClientRect();
    setHovered(nearestPoint(points, x, y, event.clientX - box.left, event.clientY - box.top));
  };
  return (
    <figure className="relative" style={{ width, height }}>
      {count > MOST_SVG_POINTS && (
        <GroupCanvas
          points={points}
          groupOf={groupOf}
          groups={groups}
          x={x}
          y={y}
          width={width}
          height={height}
          radius={radius}
          opacity={opacity}
        />
      )}
      <svg
        role="img"
        aria-label={`Scatterplot of ${yLabel} against ${xLabel} by group, ${count.toLocaleString('en-GB')} points; ${groups
          .map(({ label, line }) => `${label} ${line ? directionOf(line) : 'without a line'}`)
          .join(', ')}${pooled ? `; all rows together ${directionOf(pooled)}` : ''}`}
        width={width}
        height={height}
        className="relative"
        onPointerMove={onPointerMove}
        onPointerLeave={() => setHovered(null)}
      >
        <Axes x={x} y={y} frame={frame} xLabel={xLabel} yLabel={yLabel} />
        <clipPath id={clip}>
          <rect x={frame.left} y={frame.top} width={frame.right - frame.left} height={frame.bottom - frame.top} />
        </clipPath>
        {count <= MOST_SVG_POINTS &&
          groups.map(({ label, style }, place) => (
            <path
              key={label}
              d={pathOf(points, groupOf, place, (row) =>
                shapePath(groupShape(style), x(points.x[row] ?? 0), y(points.y[row] ?? 0), radius),
              )}
              fill={`var(${groupToken(style)})`}
              fillOpacity={opacity}
            />
          ))}
        <g clipPath={`url(#${clip})`} strokeWidth={2} fill="none">
          {groups.map(({ label, style, line }, place) => {
            const [from, to] = ranges[place] ?? [0, 0];
            return (
              line && <path key={label} data-testid="group-line" d={lineFrom(line, from, to, x, y)} stroke={`var(${groupToken(style)})`} />
            );
          })}
          {pooled && (
            <path
              data-testid="pooled-line"
              d={lineFrom(pooled, x.domain()[0] ?? 0, x.domain()[1] ?? 1, x, y)}
              stroke="var(--ink)"
              strokeWidth={1.5}
              strokeDasharray="6 4"
            />
          )}
        </g>
        {hovered !== null && (
          <circle
            cx={x(points.x[hovered] ?? 0)}
            cy={y(points.y[hovered] ?? 0)}
            r={radius + 2}
            fill="none"
            stroke="var(--accent)"
            strokeWidth={2}
          />
        )}
      </svg>
      {hovered !== null && (
        <figcaption
          aria-hidden="true"
          className="numerals pointer-events-none absolute top-2.5 right-3 rounded bg-surface/90 px-2 py-0.5 text-[12px] text-muted"
        >
          {name}, {groups[groupOf[hovered] ?? -1]?.label}: {plain(points.x[hovered])}, {plain(points.y[hovered])}
        </figcaption>
      )}
    </figure>
  );
}

type Scale = (value: number) => number;

function pathOf({ rows }: Points, groupOf: Int8Array, place: number, shape: (row: number) => string): string {
  let path = '';
  for (const row of rows) if (groupOf[row] === place) path += shape(row);
  return path;
}

function lineFrom({ slope, intercept }: Line, from: number, to: number, x: Scale, y: Scale): string {
  return `M${x(from)} ${y(intercept + slope * from)}L${x(to)} ${y(intercept + slope * to)}`;
}

/** From where to where the points of each group lie along x. */
function rangesOf(points: Points, groupOf: Int8Array, count: number): (readonly [number, number])[] {
  const low = new Float64Array(count).fill(Number.POSITIVE_INFINITY);
  const high = new Float64Array(count).fill(Number.NEGATIVE_INFINITY);
  for (const row of points.rows) {
    const place = groupOf[row] ?? -1;
    const value = points.x[row] ?? 0;
    if (place < 0) continue;
    if (value < (low[place] ?? 0)) low[place] = value;
    if (value > (high[place] ?? 0)) high[place] = value;
  }
  return Array.from(low, (from, place) => [from, high[place] ?? from] as const);
}

interface GroupCanvasProps extends Pick<GroupScatterplotProps, 'points' | 'groupOf' | 'groups' | 'width' | 'height'> {
  readonly x: Scale;
  readonly y: Scale;
  readonly radius: number;
  readonly opacity: number;
}

function GroupCanvas({ points, groupOf, groups, x, y, width, height, radius, opacity }: GroupCanvasProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { token } = useTheme();
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const ratio = window.devicePixelRatio || 1;
    context.canvas.width = width * ratio;
    context.canvas.height = height * ratio;
    context.scale(ratio, ratio);
    context.globalAlpha = opacity;
    const colours = groups.map(({ style }) => token(groupToken(style)));
    for (const row of points.rows) {
      context.fillStyle = colours[groupOf[row] ?? -1] ?? 'transparent';
      context.fillRect(x(points.x[row] ?? 0) - radius, y(points.y[row] ?? 0) - radius, 2 * radius, 2 * radius);
    }
  }, [points, groupOf, groups, x, y, width, height, radius, opacity, token]);
  return <canvas ref={canvas} aria-hidden="true" className="absolute inset-0" style={{ width, height }} />;
}

function directionOf({ slope }: Line): string {
  if (slope === 0) return 'level';
  return slope > 0 ? 'rising' : 'falling';
}

function plain(value: number | undefined): string {
  return asMeasured(value === undefined ? null : Number(value.toPrecision(6)));
}
