import { histogram } from '@ivlen/core';
import { demoValues } from '../demo-values';
import type { FigureProps } from './figure-props';
import { Panel } from './panel';

const HEIGHT = 230;
const GAP = 12;
const STEPS = 90;

/** A variable of the demo and its logarithm, each with the normal curve of the same mean and SD. */
export function SkewedAndLog({ width, label }: FigureProps) {
  const raw = demoValues('turbidity').filter((value) => !Number.isNaN(value));
  const each = (width - GAP) / 2;
  return (
    <svg width={width} height={HEIGHT} role="img" aria-label={label}>
      <WithCurve left={0} width={each} values={raw} xLabel="turbidity, NTU" title="as measured" />
      <WithCurve left={each + GAP} width={each} values={raw.map(Math.log10)} xLabel="log₁₀ of turbidity" title="on a logarithm" />
    </svg>
  );
}

interface WithCurveProps {
  readonly left: number;
  readonly width: number;
  readonly values: Float64Array;
  readonly xLabel: string;
  readonly title: string;
}

function WithCurve({ left, width, values, xLabel, title }: WithCurveProps) {
  const { counts, edges } = histogram(values);
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const sd = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1));
  const wide = (edges[1] ?? 1) - (edges[0] ?? 0);
  const curve = (at: number) => (values.length * wide * Math.exp(-(((at - mean) / sd) ** 2) / 2)) / (sd * Math.sqrt(2 * Math.PI));
  const [low, high] = [edges[0] ?? 0, edges.at(-1) ?? 1];
  const places = Array.from({ length: STEPS + 1 }, (_, i) => low + ((high - low) * i) / STEPS);
  return (
    <Panel
      left={left}
      width={width}
      height={HEIGHT}
      x={[low, high]}
      y={[0, ...counts, curve(mean)]}
      xLabel={xLabel}
      yLabel="stations"
      title={title}
    >
      {(x, y) => (
        <>
          {[...counts].map((count, i) => (
            <rect
              key={i}
              x={(x(edges[i] ?? 0) + 0.5).toFixed(1)}
              width={Math.max(0.5, x(edges[i + 1] ?? 0) - x(edges[i] ?? 0) - 1).toFixed(1)}
              y={y(count).toFixed(1)}
              height={(y(0) - y(count)).toFixed(1)}
              fill="var(--bar)"
            />
          ))}
          <path
            d={places.map((at, i) => `${i === 0 ? 'M' : 'L'}${x(at).toFixed(1)} ${y(curve(at)).toFixed(1)}`).join('')}
            fill="none"
            stroke="var(--accent)"
            strokeWidth={2}
            strokeDasharray="5 3"
          />
        </>
      )}
    </Panel>
  );
}
