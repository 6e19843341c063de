import type { Study } from '@ivlen/contract';
import { useMemo } from 'react';
import { groupShape, groupToken } from './group-styles';
import { shapePath } from './marks/marker';
import { PointsCanvas } from './marks/points-canvas';
import { MOST_SVG_POINTS, PlotFrame, type PlotScale } from './plot-frame';
import type { Points } from './points';

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

/** A scatterplot whose points are told apart by group, with a line of each, and the one that all rows together make. */
export function GroupScatterplot({ points, groupOf, groups, pooled, ...frame }: GroupScatterplotProps) {
  const { xLabel, yLabel, width, height } = frame;
  const ranges = useMemo(() => rangesOf(points, groupOf, groups.length), [points, groupOf, groups.length]);
  const count = points.rows.length;
  const radius = count > 500 ? 2.2 : 3;
  const opacity = count > 5000 ? 0.25 : count > 500 ? 0.45 : 0.6;
  const directions = groups.map(({ label, line }) => `${label} ${line ? directionOf(line) : 'without a line'}`).join(', ');
  return (
    <PlotFrame
      {...frame}
      points={points}
      radius={radius}
      label={`Scatterplot of ${yLabel} against ${xLabel} by group, ${count.toLocaleString('en-GB')} points; ${directions}${pooled ? `; all rows together ${directionOf(pooled)}` : ''}`}
      besides={(row) => groups[groupOf[row] ?? -1]?.label ?? ''}
      canvas={(x, y) => (
        <PointsCanvas
          points={points}
          x={x}
          y={y}
          width={width}
          height={height}
          radius={radius}
          opacity={opacity}
          tokenOf={(row) => groupToken(groups[groupOf[row] ?? -1]?.style ?? 0)}
        />
      )}
    >
      {(x, y, clip) => (
        <>
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
          <g clipPath={clip} strokeWidth={2} fill="none">
            {groups.map(({ label, style, line }, place) => {
              const [from, to] = ranges[place] ?? [0, 0];
              return (
                line && (
                  <path key={label} data-testid="group-line" d={lineFrom(line, from, to, x, y)} stroke={`var(${groupToken(style)})`} />
                )
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
        </>
      )}
    </PlotFrame>
  );
}

function pathOf({ rows }: Points, groupOf: Int8Array, place: number, shape: (row: number) => string): string {
  let path = '';
  for (const row of rows) if (groupOf[row] === place) path += shape(row);
  return path;
}

function lineFrom({ slope, intercept }: Line, from: number, to: number, x: PlotScale, y: PlotScale): string {
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

function directionOf({ slope }: Line): string {
  if (slope === 0) return 'level';
  return slope > 0 ? 'rising' : 'falling';
}
