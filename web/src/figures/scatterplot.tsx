import type { Study } from '@ivlen/contract';
import { useMemo } from 'react';
import { BandShape, EllipseShape, type Outline, ParabolaCurve, SmoothCurve } from './marks/overlays';
import { PointsCanvas } from './marks/points-canvas';
import { MOST_SVG_POINTS, PlotFrame, type PlotScale, plainText } from './plot-frame';
import type { Points } from './points';
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

const NO_TIES = { rows: new Uint32Array(0), counts: new Uint32Array(0), most: 1 };

/** A scatterplot of two variables with their least-squares line. */
export function Scatterplot({ points, line, band, smooth, parabola, ellipse, ...frame }: ScatterplotProps) {
  const { xLabel, yLabel, width, height } = frame;
  const count = points.rows.length;
  const radius = count > 500 ? 1.8 : 2.6;
  const opacity = count > 5000 ? 0.15 : count > 500 ? 0.35 : 0.5;
  const tied = useMemo(() => (points.rows.length <= MOST_SVG_POINTS ? tiedPoints(points) : NO_TIES), [points]);
  return (
    <PlotFrame
      {...frame}
      points={points}
      radius={radius}
      label={`Scatterplot of ${yLabel} against ${xLabel}, ${count.toLocaleString('en-GB')} points${tied.most > 1 ? `, up to ${tied.most} of them at one place` : ''}${line ? `, with the fitted line ${describeLine(line)}` : ''}`}
      canvas={(x, y) => <PointsCanvas points={points} x={x} y={y} width={width} height={height} radius={radius} opacity={opacity} />}
    >
      {(x, y, clip) => (
        <>
          <g clipPath={clip}>
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
          <g clipPath={clip}>{line && <FittedLine line={line} extent={x.domain()} x={x} y={y} />}</g>
          <g clipPath={clip}>
            {smooth && <SmoothCurve points={smooth} x={x} y={y} />}
            {parabola && <ParabolaCurve points={parabola} x={x} y={y} />}
          </g>
        </>
      )}
    </PlotFrame>
  );
}

/** The line across the frame, which clips it. */
function FittedLine({
  line: { slope, intercept },
  extent: [from = 0, to = 1],
  x,
  y,
}: {
  line: { slope: number; intercept: number };
  extent: readonly number[];
  x: PlotScale;
  y: PlotScale;
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
  return `y = ${plainText(intercept)} ${slope < 0 ? '−' : '+'} ${plainText(Math.abs(slope))} x`;
}
