import { histogram } from '@ivlen/core';
import { demoTexts, demoValues } from '../demo-values';
import type { FigureProps } from './figure-props';

const HEIGHT = 190;
const STEPS = { '1': 'eroded', '2': 'worn', '3': 'fair', '4': 'sound' } as const;
const [TITLE, WORDS, GAP] = [26, 24, 24];

interface Bar {
  readonly count: number;
  readonly name?: string;
}

/** A quantity, an order and a category of the demo as bars. */
export function Kinds({ width, label }: FigureProps) {
  const nitrate = demoValues('nitrate').filter((value) => !Number.isNaN(value));
  const { counts, edges } = histogram(nitrate);
  const each = (width - 2 * GAP) / 3;
  return (
    <svg width={width} height={HEIGHT} role="img" aria-label={label}>
      <Bars
        left={0}
        width={each}
        title="nitrate, mg/L: a quantity"
        ends={[edges[0] ?? 0, edges.at(-1) ?? 0]}
        bars={[...counts].map((count) => ({ count }))}
      />
      <Bars
        left={each + GAP}
        width={each}
        title="bank condition: an order"
        bars={Object.entries(STEPS).map(([code, name]) => ({ name, count: counted('bank_condition', code) }))}
      />
      <Bars
        left={2 * (each + GAP)}
        width={each}
        title="catchment: a category"
        bars={[...new Set(demoTexts('catchment'))].map((name) => ({ name, count: counted('catchment', name) }))}
      />
    </svg>
  );
}

function counted(name: string, text: string): number {
  return demoTexts(name).filter((cell) => cell === text).length;
}

interface BarsProps {
  readonly left: number;
  readonly width: number;
  readonly title: string;
  readonly bars: readonly Bar[];
  /** Of a quantity, whose bars go on where the others end: its values at both ends. */
  readonly ends?: readonly [number, number];
}

function Bars({ left, width, title, bars, ends }: BarsProps) {
  const most = bars.reduce((highest, { count }) => Math.max(highest, count), 0);
  const step = width / bars.length;
  const foot = HEIGHT - WORDS;
  return (
    <g transform={`translate(${left},0)`} fontSize={12} fill="var(--ink)">
      <text x={width / 2} y={15} textAnchor="middle">
        {title}
      </text>
      {bars.map(({ count, name }, i) => {
        const height = (count / most) * (foot - TITLE);
        return (
          <g key={i}>
            <rect
              x={(i * step + (ends ? 0.5 : step * 0.12)).toFixed(1)}
              y={(foot - height).toFixed(1)}
              width={(step - (ends ? 1 : step * 0.24)).toFixed(1)}
              height={height.toFixed(1)}
              fill="var(--bar)"
            />
            {name && (
              <text x={(i + 0.5) * step} y={HEIGHT - 7} textAnchor="middle">
                {name}
              </text>
            )}
          </g>
        );
      })}
      <line x2={width} y1={foot} y2={foot} stroke="var(--edge)" />
      {ends && (
        <g className="numerals">
          <text y={HEIGHT - 7}>{ends[0].toFixed(1)}</text>
          <text x={width} y={HEIGHT - 7} textAnchor="end">
            {ends[1].toFixed(1)}
          </text>
        </g>
      )}
    </g>
  );
}
