import type { ShapeResult } from '@ivlen/contract';
import { scaleLinear } from 'd3-scale';
import { memo } from 'react';

interface QuantileFigureProps {
  readonly shape: ShapeResult;
  readonly label: string;
  readonly width: number;
  readonly height: number;
}

/** Normal quantile plot: a band that shows what a normal sample of this size does, and the points outside it marked. */
export const QuantileFigure = memo(function QuantileFigure({ shape, label, width, height }: QuantileFigureProps) {
  const { theoretical, sample, low, high, rows } = shape.quantiles;
  if (sample.length === 0) return <svg width={width} height={height} role="img" aria-label={`${label}: nothing to draw`} />;
  const frame = { left: 2, right: width - 2, top: 2, bottom: height - 2 };
  const [left = -3, right = 3] = [theoretical[0], theoretical.at(-1)];
  const x = scaleLinear([left, right], [frame.left + 3, frame.right - 3]);
  const y = scaleLinear(
    [Math.min(sample[0] ?? 0, low[0] ?? 0), Math.max(sample.at(-1) ?? 0, high.at(-1) ?? 0)],
    [frame.bottom - 3, frame.top + 3],
  );
  const band = [
    ...high.map((value, i) => `${x(theoretical[i] ?? 0).toFixed(1)},${y(value).toFixed(1)}`),
    ...low.map((value, i) => `${x(theoretical[i] ?? 0).toFixed(1)},${y(value).toFixed(1)}`).reverse(),
  ].join(' ');
  const isOutside = (i: number) => (sample[i] ?? 0) < (low[i] ?? 0) || (sample[i] ?? 0) > (high[i] ?? 0);
  const radius = 1.3;
  return (
    <svg width={width} height={height} role="img" aria-label={label} className="numerals" fontSize={11}>
      <rect
        x={frame.left}
        y={frame.top}
        width={frame.right - frame.left}
        height={frame.bottom - frame.top}
        fill="var(--surface)"
        stroke="var(--rule)"
      />
      <polygon points={band} fill="var(--bar)" opacity={0.28} />
      {/* One path with round caps: a circle for each point would be thousands of elements on the page. */}
      <path
        d={sample.map((value, i) => (isOutside(i) ? '' : `M${x(theoretical[i] ?? 0).toFixed(1)} ${y(value).toFixed(1)}h0`)).join('')}
        stroke="var(--ink)"
        strokeWidth={2 * radius}
        strokeLinecap="round"
        opacity={0.75}
      />
      {sample.map((value, i) =>
        isOutside(i) ? (
          <rect
            key={i}
            x={x(theoretical[i] ?? 0) - radius}
            y={y(value) - radius}
            width={2 * radius}
            height={2 * radius}
            fill="var(--caution)"
          >
            <title>{`row ${rows[i]}`}</title>
          </rect>
        ) : null,
      )}
    </svg>
  );
});
