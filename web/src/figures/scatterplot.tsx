import type { Study } from '@ivlen/contract';
import { scaleLinear } from 'd3-scale';
import { type PointerEvent, useId, useMemo, useState } from 'react';
import { useRowName } from '../study/use-row-name';
import { asMeasured } from './as-measured';
import { Axes } from './axes';
import { extentOf } from './extent';
import { BandShape, EllipseShape, type Outline, ParabolaCurve, SmoothCurve } from './marks/overlays';
import { PointsCanvas } from './marks/points-canvas';
import { nearestPoint } from './nearest-point';
import type { Points } from './points';
import { tickCount } from './ticks';
import { tiedPoints, tiedRadius } from './tied-points';

interface ScatterplotProps {
  readonly points: Points;
  readonly line: { readonly slope: number; readonly intercept: number } | null;
  /** Where the population's line lies, ascending in x. */
  readonly band?: readonly { readonly x: number; readonly low: number; readonly high: number }[] | undefined;
  readonly smooth?: readonly { readonly x: number; readonly y: number }[] | undefined;
  /** The curve by which the pair was called curved. */
  readonly parabola?: readonly { readonly x: number; readonly y: number }[] | undefined;
  readonly ellipse?: Outline | null;
  /** The study whose rows the points are, to call them by name. */
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
const NO_TIES = { rows: new Uint32Array(0), counts: new Uint32Array(0), most: 1 };
/** More points than this are not searched while the pointer moves. */
const MOST_SEARCHED = 50_000;

/** A scatterplot of two variables with their least-squares line. */
export function Scatterplot({ points, line, band, smooth, parabola, ellipse, study, xLabel, yLabel, width, height }: ScatterplotProps) {
  const clip = useId();
  const frame = { left: MARGIN.left, top: MARGIN.top, right: width - MARGIN.right, bottom: height - MARGIN.bottom };
  const extents = useMemo(() => ({ x: extentOf(points.x, points.rows), y: extentOf(points.y, points.rows) }), [points]);
  const x = scaleLinear(extents.x, [frame.left + PADDING, frame.right - PADDING]).nice(tickCount(frame.right - frame.left));
  const y = scaleLinear(extents.y, [frame.bottom - PADDING, frame.top + PADDING]).nice(tickCount(frame.bottom - frame.top));
  const [hovered, setHovered] = useState<number | null>(null);
  const name = useRowName(study, hovered === null ? null : hovered + 1);
  const radius = points.rows.length > 500 ? 1.8 : 2.6;
  const opacity = points.rows.length > 5000 ? 0.15 : points.rows.length > 500 ? 0.35 : 0.5;

  const tied = useMemo(() => (points.rows.length <= MOST_SVG_POINTS ? tiedPoints(points) : NO_TIES), [points]);

  const onPointerMove = (event: PointerEvent<SVGSVGElement>) => {
    if (points.rows.length > MOST_SEARCHED) return;
    const box = event.currentTarget.getBoundingClientRect();
    setHovered(nearestPoint(points, x, y, event.clientX - box.left, event.clientY - box.top));
  };
  const count = points.rows.length;
  return (
    <figure className="relative" style={{ width, height }}>
      {count > MOST_SVG_POINTS && (
        <PointsCanvas points={points} x={x} y={y} width={width} height={height} radius={radius} opacity={opacity} />
      )}
      <svg
        role="img"
        aria-label={`Scatterplot of ${yLabel} against ${xLabel}, ${count.toLocaleString('en-GB')} points${tied.most > 1 ? `, up to ${tied.most} of them at one place` : ''}${line ? `, with the fitted line ${describeLine(line)}` : ''}`}
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
        <g clipPath={`url(#${clip})`}>
          {band && <BandShape band={band} x={x} y={y} />}
          {ellipse && <EllipseShape ellipse={ellipse} x={x} y={y} />}
        </g>
        {count <= MOST_SVG_POINTS && (
          <g fill="var(--ink)" fillOpacity={opacity}>
            {Array.from(tied.rows, (row, i) => (
              <circle key={row} cx={x(points.x[row] ?? 0)} cy={y(points.y[row] ?? 0)} r={tiedRadius(radius, tied.counts[i] ?? 1)} />
            ))}
          </g>
        )}
        <g clipPath={`url(#${clip})`}>{line && <FittedLine line={line} extent={x.domain()} x={x} y={y} />}</g>
        <g clipPath={`url(#${clip})`}>
          {smooth && <SmoothCurve points={smooth} x={x} y={y} />}
          {parabola && <ParabolaCurve points={parabola} x={x} y={y} />}
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
          {name}: {plain(points.x[hovered])}, {plain(points.y[hovered])}
        </figcaption>
      )}
    </figure>
  );
}

type Scale = ReturnType<typeof scaleLinear<number, number>>;

/** The line across the frame, which clips it. */
function FittedLine({
  line: { slope, intercept },
  extent: [from = 0, to = 1],
  x,
  y,
}: {
  line: { slope: number; intercept: number };
  extent: readonly number[];
  x: Scale;
  y: Scale;
}) {
  return (
    <line
      data-testid="fitted-line"
      x1={x(from)}
      y1={y(intercept + slope * from)}
      x2={x(to)}
      y2={y(intercept + slope * to)}
      stroke="var(--accent)"
      strokeWidth={2}
    />
  );
}

function describeLine({ slope, intercept }: { slope: number; intercept: number }): string {
  return `y = ${plain(intercept)} ${slope < 0 ? '−' : '+'} ${plain(Math.abs(slope))} x`;
}

function plain(value: number | undefined): string {
  return asMeasured(value === undefined ? null : Number(value.toPrecision(6)));
}
