import type { ShapeResult } from '@ivlen/contract';
import { Line, ReferenceArea, ReferenceLine } from 'recharts';
import { FRAME, niceAxis } from '../../../figures/charts/nice-axis';
import { PlainChart } from '../../../figures/charts/plain-chart';
import { greatest } from '../../../numbers/ends';
import { rangeOf } from './range-of';

interface LargeHistogramProps {
  readonly shape: ShapeResult;
  /** With its unit. */
  readonly name: string;
  readonly label: string;
  readonly width: number;
  readonly height: number;
  /** Other bins than those of the rule. */
  readonly bins: { readonly edges: readonly number[]; readonly counts: readonly number[] };
}

const NORMAL_POINTS = 80;
/** Bars narrower than this have no room for their counts. */
const ROOM_FOR_COUNT = 16;

/** The histogram of an open strip, with the counts on its bars, the kernel density and the fitted normal curve, all as counts per bin. */
export function LargeHistogram({ shape, name, label, width, height, bins: { edges, counts } }: LargeHistogramProps) {
  const { n, mean, sd, median, min, max } = shape.description;
  const [first, last] = [edges[0], edges.at(-1)];
  if (n === 0 || min === null || max === null || first === undefined || last === undefined)
    return <p className="text-muted">There are no values to draw.</p>;
  const constant = first === last;
  const range = rangeOf(shape, edges);
  const x = niceAxis(range, width - FRAME.left - FRAME.right);
  const each = constant ? 1 : (last - first) / counts.length;
  const asCounts = (density: number) => density * n * each;
  const curve = shape.density.x
    .map((at, i) => ({ x: at, y: asCounts(shape.density.y[i] ?? 0) }))
    .filter((point) => point.x >= range[0] && point.x <= range[1]);
  const normal =
    sd && mean !== null
      ? Array.from({ length: NORMAL_POINTS }, (_, i) => {
          const at = range[0] + ((range[1] - range[0]) * i) / (NORMAL_POINTS - 1);
          return { x: at, y: asCounts(Math.exp(-0.5 * ((at - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI))) };
        })
      : [];
  const y = niceAxis([0, greatest([...counts, ...curve.map((point) => point.y), ...normal.map((point) => point.y)])], height - 60);
  const barWidth = ((width - FRAME.left - FRAME.right) * each) / (x.domain[1] - x.domain[0]);
  return (
    <PlainChart label={label} width={width} height={height} x={{ name, ...x }} y={{ name: 'rows', ...y }}>
      {counts.map((count, i) =>
        count === 0 ? null : (
          <ReferenceArea
            key={edges[i]}
            x1={constant ? min - 0.1 : (edges[i] ?? 0)}
            x2={constant ? max + 0.1 : (edges[i + 1] ?? 0)}
            y1={0}
            y2={count}
            fill="var(--bar)"
            fillOpacity={0.55}
            stroke="var(--surface)"
            strokeWidth={0.7}
            {...(barWidth > ROOM_FOR_COUNT
              ? { label: { value: count, position: 'insideTop' as const, fontSize: 10, fill: 'var(--ink)' } }
              : {})}
          />
        ),
      )}
      {!constant && (
        <Line data={curve} dataKey="y" stroke="var(--ink)" strokeWidth={1.3} dot={false} activeDot={false} isAnimationActive={false} />
      )}
      {normal.length > 0 && (
        <Line
          data={normal}
          dataKey="y"
          stroke="var(--accent)"
          strokeDasharray="4 3"
          strokeWidth={1.3}
          dot={false}
          activeDot={false}
          isAnimationActive={false}
        />
      )}
      {median !== null && <ReferenceLine x={median} stroke="var(--muted)" strokeDasharray="2 2" />}
    </PlainChart>
  );
}
