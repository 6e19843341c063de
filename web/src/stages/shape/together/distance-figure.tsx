import type { JointResult } from '@ivlen/contract';
import { scaleLinear } from 'd3-scale';
import { Axes, tickCount } from '../../../figures/axes';

interface DistanceFigureProps {
  readonly distances: NonNullable<JointResult['distances']>;
  readonly width: number;
  readonly height: number;
}

/** Squared distances from the common mean against what joint normality lets expect; a point for each row. */
export function DistanceFigure({ distances: { theoretical, observed, rows, limit }, width, height }: DistanceFigureProps) {
  const frame = { left: 50, right: width - 10, top: 10, bottom: height - 42 };
  const most = Math.max(theoretical.at(-1) ?? 1, observed.at(-1) ?? 1, limit ?? 0);
  const x = scaleLinear([0, theoretical.at(-1) ?? 1], [frame.left + 4, frame.right - 4]).nice(tickCount(frame.right - frame.left));
  const y = scaleLinear([0, most], [frame.bottom - 2, frame.top + 4]).nice(tickCount(frame.bottom - frame.top));
  const beyond = (i: number) => limit !== null && (observed[i] ?? 0) > limit;
  const outside = observed.filter((_, i) => beyond(i)).length;
  const end = Math.min(x.domain()[1] ?? 1, y.domain()[1] ?? 1);
  return (
    <figure>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`Distance plot: ${outside} rows beyond what the furthest row of a jointly normal sample passes in 5 of 100`}
      >
        <Axes x={x} y={y} frame={frame} xLabel="expected squared distance" yLabel="squared distance" />
        <line x1={x(0)} y1={y(0)} x2={x(end)} y2={y(end)} stroke="var(--accent)" strokeDasharray="4 3" />
        {limit !== null && <line x1={frame.left} x2={frame.right} y1={y(limit)} y2={y(limit)} stroke="var(--caution)" strokeWidth={1} />}
        <path
          d={observed.map((value, i) => (beyond(i) ? '' : `M${x(theoretical[i] ?? 0).toFixed(1)} ${y(value).toFixed(1)}h0`)).join('')}
          stroke="var(--ink)"
          strokeWidth={4.5}
          strokeLinecap="round"
          opacity={0.6}
        />
        {observed.map((value, i) =>
          beyond(i) ? (
            <rect key={rows[i]} x={x(theoretical[i] ?? 0) - 2.6} y={y(value) - 2.6} width={5.2} height={5.2} fill="var(--caution)">
              <title>{`row ${rows[i]}`}</title>
            </rect>
          ) : null,
        )}
      </svg>
      <figcaption className="max-w-[400px] text-[13px] text-muted">
        Squared Mahalanobis distances. Jointly normal rows follow the dashed line; one beyond the solid line is further than the furthest
        row would be in 95 of 100 such samples.
      </figcaption>
    </figure>
  );
}
