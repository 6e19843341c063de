import { Area, ReferenceLine, Scatter } from 'recharts';
import { endsOf, niceAxis } from './nice-axis';
import { PlainChart } from './plain-chart';
import { PointOfRow } from './point-of-row';

interface QuantileChartProps {
  /** Ascending, with the band that normal samples of this size stay in, and the number of each point's row. */
  readonly quantiles: {
    readonly theoretical: readonly number[];
    readonly sample: readonly number[];
    readonly low: readonly number[];
    readonly high: readonly number[];
    readonly rows: readonly number[];
  };
  readonly label: string;
  readonly width: number;
  readonly height: number;
}

/** A large normal quantile plot: the band that normal samples of this size stay in, and the points outside it marked. */
export function QuantileChart({ quantiles, label, width, height }: QuantileChartProps) {
  const { theoretical, sample, low, high, rows } = quantiles;
  if (sample.length === 0) return <p className="text-muted">There is nothing to draw: too few values, or all the same.</p>;
  const points = sample.map((value, i) => {
    const band: [number, number] = [low[i] ?? value, high[i] ?? value];
    return { x: theoretical[i] ?? 0, y: value, band, row: rows[i] ?? 0, marked: value < band[0] || value > band[1] };
  });
  const x = niceAxis(endsOf(theoretical), width - 80);
  const y = niceAxis(endsOf([...sample, ...low, ...high]), height - 60);
  return (
    <PlainChart label={label} width={width} height={height} x={{ name: 'normal quantile', ...x }} y={{ name: 'SDs from the mean', ...y }}>
      <Area
        data={points}
        dataKey="band"
        type="linear"
        stroke="none"
        fill="var(--bar)"
        fillOpacity={0.28}
        isAnimationActive={false}
        dot={false}
        activeDot={false}
      />
      <ReferenceLine
        segment={[
          { x: Math.max(x.domain[0], y.domain[0]), y: Math.max(x.domain[0], y.domain[0]) },
          { x: Math.min(x.domain[1], y.domain[1]), y: Math.min(x.domain[1], y.domain[1]) },
        ]}
        stroke="var(--edge)"
      />
      <Scatter data={points} shape={PointOfRow} isAnimationActive={false} />
    </PlainChart>
  );
}
