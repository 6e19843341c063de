import type { JointResult } from '@ivlen/contract';
import { ReferenceLine, Scatter } from 'recharts';
import { niceAxis } from '../../../figures/charts/nice-axis';
import { PlainChart } from '../../../figures/charts/plain-chart';
import { PointOfRow } from '../../../figures/charts/point-of-row';
import { SaveFigure } from '../../../figures/export/save-figure';

interface DistanceFigureProps {
  readonly distances: NonNullable<JointResult['distances']>;
  readonly width: number;
  readonly height: number;
}

/** Squared distances from the common mean against what joint normality lets expect; a point for each row. */
export function DistanceFigure({ distances: { theoretical, observed, rows, limit }, width, height }: DistanceFigureProps) {
  const most = Math.max(theoretical.at(-1) ?? 1, observed.at(-1) ?? 1, limit ?? 0);
  const x = niceAxis([0, theoretical.at(-1) ?? 1], width - 80);
  const y = niceAxis([0, most], height - 60);
  const beyond = (value: number) => limit !== null && value > limit;
  const points = observed.map((value, i) => ({ x: theoretical[i] ?? 0, y: value, row: rows[i] ?? 0, marked: beyond(value) }));
  const outside = points.filter((point) => point.marked).length;
  const end = Math.min(x.domain[1], y.domain[1]);
  const label = `Distance plot: ${outside} rows beyond what the furthest row of a jointly normal sample passes in 5 of 100`;
  return (
    <figure>
      <SaveFigure name="distance plot" caption={label}>
        <PlainChart
          label={label}
          width={width}
          height={height}
          x={{ name: 'expected squared distance', ...x }}
          y={{ name: 'squared distance', ...y }}
        >
          <ReferenceLine
            segment={[
              { x: 0, y: 0 },
              { x: end, y: end },
            ]}
            stroke="var(--accent)"
            strokeDasharray="4 3"
          />
          {limit !== null && <ReferenceLine y={limit} stroke="var(--caution)" />}
          <Scatter data={points} shape={PointOfRow} isAnimationActive={false} />
        </PlainChart>
      </SaveFigure>
      <figcaption className="max-w-[400px] text-[13px] text-muted">
        Squared Mahalanobis distances. Jointly normal rows follow the dashed line; one beyond the solid line is further than the furthest
        row would be in 95 of 100 such samples.
      </figcaption>
    </figure>
  );
}
