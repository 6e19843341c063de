import type { ShapeResult } from '@ivlen/contract';
import { scaleLinear } from 'd3-scale';
import { Axes } from '../../../figures/axes';
import { FRAME, niceAxis } from '../../../figures/charts/nice-axis';
import { BoxFigure } from '../../../figures/marks/box-figure';
import { greatest } from '../../../numbers/ends';
import type { Asking } from '../../../telling/asking';
import { drawnFigure } from '../../../telling/drawn-figure';
import { quantilesFigure } from '../../../telling/quantiles-figure';
import type { ToldFigure } from '../../../telling/told';
import { rangeOf } from '../strips/range-of';

const [TOP, NAMES, BOX] = [8, 44, 46];
const SHAPE = 0.5;
const NORMAL_POINTS = 80;

/** The figures of one variable by itself: histogram with box plot, and normal quantile plot; none without values. */
export function largeFigures(asking: Asking, shape: ShapeResult, name: string, axis: string): ToldFigure[] {
  const { description, quantiles } = shape;
  if (description.n === 0 || description.min === null) return [];
  const n = description.n.toLocaleString('en-GB');
  const histogram = `Histogram of ${name}, n = ${n}, with kernel density and normal curve (dashed); below it the box plot`;
  const quantile = quantilesFigure(asking, {
    quantiles,
    of: `${name}, n = ${n}`,
    yLabel: 'SDs from the mean',
    outside: quantiles.outside,
  });
  return [
    drawnFigure(asking.client, {
      title: `Histogram of ${name}`,
      caption: `${histogram}.`,
      alternative: `Histogram of ${name} with its box plot: quartiles ${description.q1} and ${description.q3}, median ${description.median}, n = ${n}.`,
      element: (width) => <Histogram shape={shape} label={histogram} axis={axis} width={width} />,
    }),
    ...(quantile ? [quantile] : []),
  ];
}

interface HistogramProps {
  readonly shape: ShapeResult;
  readonly label: string;
  readonly axis: string;
  readonly width: number;
}

function Histogram({ shape, label, axis, width }: HistogramProps) {
  const { n, mean, sd, min, max } = shape.description;
  const { edges, counts } = shape.histogram;
  const height = Math.round(width * SHAPE);
  const frame = { left: FRAME.left, right: width - FRAME.right, top: TOP, bottom: height - NAMES };
  const range = rangeOf(shape, edges);
  const along = niceAxis(range, frame.right - frame.left);
  const x = scaleLinear(along.domain, [frame.left, frame.right]);
  const [first = 0, last = 0] = [edges[0], edges.at(-1)];
  const constant = first === last;
  const each = constant ? 1 : (last - first) / counts.length;
  const inRange = ({ x: at }: { x: number }) => at >= range[0] && at <= range[1];
  const curve = constant ? [] : shape.density.x.map((at, i) => ({ x: at, y: (shape.density.y[i] ?? 0) * n * each })).filter(inRange);
  const normal = sd && mean !== null ? normalCurve(range, mean, sd, n * each) : [];
  const most = greatest([...counts, ...curve.map((at) => at.y), ...normal.map((at) => at.y)]);
  const y = scaleLinear([0, most], [frame.bottom, frame.top]).nice(6);
  const path = (places: readonly { x: number; y: number }[]) =>
    places.map((at, i) => `${i === 0 ? 'M' : 'L'}${x(at.x).toFixed(1)} ${y(at.y).toFixed(1)}`).join('');
  return (
    <svg width={width} height={height + BOX} role="img" aria-label={label}>
      <Axes x={x} y={y} frame={frame} xLabel={axis} yLabel="rows" />
      {counts.map((count, i) => {
        const [left, right] = constant ? [x(min ?? 0) - 8, x(max ?? 0) + 8] : [x(edges[i] ?? 0), x(edges[i + 1] ?? 0)];
        return (
          <rect
            key={edges[i]}
            x={left}
            width={Math.max(0.5, right - left)}
            y={y(count)}
            height={frame.bottom - y(count)}
            fill="var(--bar)"
            fillOpacity={0.55}
            stroke="var(--surface)"
            strokeWidth={0.7}
          />
        );
      })}
      {curve.length > 0 && <path d={path(curve)} fill="none" stroke="var(--ink)" strokeWidth={1.3} />}
      {normal.length > 0 && <path d={path(normal)} fill="none" stroke="var(--accent)" strokeDasharray="4 3" strokeWidth={1.3} />}
      <g transform={`translate(0,${height})`}>
        <BoxFigure shape={shape} along={along} label={label} width={width} height={BOX} />
      </g>
    </svg>
  );
}

function normalCurve([from, to]: readonly [number, number], mean: number, sd: number, scale: number) {
  return Array.from({ length: NORMAL_POINTS }, (_, i) => {
    const x = from + ((to - from) * i) / (NORMAL_POINTS - 1);
    return { x, y: (scale * Math.exp(-0.5 * ((x - mean) / sd) ** 2)) / (sd * Math.sqrt(2 * Math.PI)) };
  });
}
