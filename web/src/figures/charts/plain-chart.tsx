import type { ReactNode } from 'react';
import { CartesianGrid, ComposedChart, XAxis, YAxis } from 'recharts';
import { tickTexts } from '../ticks';
import { FRAME } from './nice-axis';

interface PlainChartProps {
  /** What it shows, for those who do not see it. */
  readonly label: string;
  readonly width: number;
  readonly height: number;
  readonly x: { readonly name: string; readonly domain: readonly [number, number]; readonly ticks: readonly number[] };
  readonly y: { readonly name: string; readonly domain: readonly [number, number]; readonly ticks: readonly number[] };
  readonly children: ReactNode;
}

/** Of the axis upwards, with its name. */
const UP_WIDTH = 52;
const TICK = { fontSize: 11, fill: 'var(--muted)' };
const NAME = { fontSize: 12, fill: 'var(--ink)' };

/** A single plot with two plain axes of numbers, in the look of the other figures. Its marks are Recharts' own. */
export function PlainChart({ label, width, height, x, y, children }: PlainChartProps) {
  const written = (ticks: readonly number[]) => {
    const texts = new Map(ticks.map((tick, i) => [tick, tickTexts(ticks)[i] ?? '']));
    return (value: number) => texts.get(value) ?? '';
  };
  return (
    <div role="img" aria-label={label} className="numerals" data-figure>
      <ComposedChart
        width={width}
        height={height}
        margin={{ top: 10, right: FRAME.right, bottom: 22, left: FRAME.left - UP_WIDTH }}
        accessibilityLayer={false}
      >
        <CartesianGrid vertical={false} horizontal={false} fill="var(--surface)" stroke="var(--rule)" />
        <XAxis
          type="number"
          dataKey="x"
          domain={[...x.domain]}
          ticks={[...x.ticks]}
          tickFormatter={written(x.ticks)}
          tick={TICK}
          tickLine={{ stroke: 'var(--edge)' }}
          axisLine={{ stroke: 'var(--edge)' }}
          interval={0}
          allowDataOverflow
          label={{ value: x.name, position: 'insideBottom', offset: -16, style: NAME }}
        />
        <YAxis
          type="number"
          dataKey="y"
          width={UP_WIDTH}
          domain={[...y.domain]}
          ticks={[...y.ticks]}
          tickFormatter={written(y.ticks)}
          tick={TICK}
          tickLine={{ stroke: 'var(--edge)' }}
          axisLine={{ stroke: 'var(--edge)' }}
          interval={0}
          allowDataOverflow
          label={{ value: y.name, angle: -90, position: 'insideLeft', offset: 4, style: { ...NAME, textAnchor: 'middle' } }}
        />
        {children}
      </ComposedChart>
    </div>
  );
}
