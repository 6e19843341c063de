import type { Study } from '@ivlen/contract';
import { type ScaleLinear, scaleLinear } from 'd3-scale';
import { type PointerEvent, type ReactNode, useId, useMemo, useState } from 'react';
import { useRowName } from '../study/use-row-name';
import { asMeasured } from './as-measured';
import { Axes } from './axes';
import { extentOf } from './extent';
import { nearestPoint } from './nearest-point';
import type { Points } from './points';
import { tickCount } from './ticks';

export type PlotScale = ScaleLinear<number, number>;

interface PlotFrameProps {
  readonly points: Points;
  /** The study whose rows the points are, to call them by name. */
  readonly study: Study;
  readonly xLabel: string;
  readonly yLabel: string;
  readonly width: number;
  readonly height: number;
  /** Said to those who do not see it. */
  readonly label: string;
  /** Of the points. */
  readonly radius: number;
  /** What of a row stands beside its name where it is pointed at. */
  readonly besides?: (row: number) => string;
  /** Drawn on a canvas under the axes; null where the points are few. */
  readonly canvas: (x: PlotScale, y: PlotScale) => ReactNode;
  /** Drawn into the frame; `clip` cuts off what reaches beyond it. */
  readonly children: (x: PlotScale, y: PlotScale, clip: string) => ReactNode;
}

const MARGIN = { top: 8, right: 10, bottom: 40, left: 50 };
const PADDING = 5;
/** More points than this are drawn on a canvas. */
export const MOST_SVG_POINTS = 2000;
/** More points than this are not searched while the pointer moves. */
const MOST_SEARCHED = 50_000;

/** Axes and frame of a plot of points, and the name and values of the one that is pointed at. */
export function PlotFrame(props: PlotFrameProps) {
  const { points, study, xLabel, yLabel, width, height, label, radius, besides, canvas, children } = props;
  const clip = useId();
  const frame = { left: MARGIN.left, top: MARGIN.top, right: width - MARGIN.right, bottom: height - MARGIN.bottom };
  const extents = useMemo(() => ({ x: extentOf(points.x, points.rows), y: extentOf(points.y, points.rows) }), [points]);
  const x = scaleLinear(extents.x, [frame.left + PADDING, frame.right - PADDING]).nice(tickCount(frame.right - frame.left));
  const y = scaleLinear(extents.y, [frame.bottom - PADDING, frame.top + PADDING]).nice(tickCount(frame.bottom - frame.top));
  const [hovered, setHovered] = useState<number | null>(null);
  const name = useRowName(study, hovered === null ? null : hovered + 1);
  const onPointerMove = (event: PointerEvent<SVGSVGElement>) => {
    if (points.rows.length > MOST_SEARCHED) return;
    const box = event.currentTarget.getBoundingClientRect();
    setHovered(nearestPoint(points, x, y, event.clientX - box.left, event.clientY - box.top));
  };
  return (
    <figure className="relative" style={{ width, height }}>
      {points.rows.length > MOST_SVG_POINTS && canvas(x, y)}
      <svg
        role="img"
        aria-label={label}
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
        {children(x, y, `url(#${clip})`)}
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
          {name}
          {besides && `, ${besides(hovered)}`}: {plainText(points.x[hovered])}, {plainText(points.y[hovered])}
        </figcaption>
      )}
    </figure>
  );
}

/** A value as it was measured, six digits of it. */
export function plainText(value: number | undefined): string {
  return asMeasured(value === undefined ? null : Number(value.toPrecision(6)));
}
