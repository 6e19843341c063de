import { pearson } from '@ivlen/core';
import { coefficientText, intervalText } from '../../numbers/number-text';
import { DEMO, demoValues } from '../demo-values';
import type { FigureProps } from './figure-props';

const SIZES = [20, 50, 100, DEMO.rows] as const;
const [LEFT, RIGHT, TOP, STEP, FOOT] = [120, 130, 10, 34, 40];
const TICKS = [-0.2, 0, 0.2, 0.4, 0.6] as const;
const [LOW, HIGH] = [-0.3, 0.75];

/** The interval of the same pair of the demo with more and more rows. */
export function Intervals({ width, label }: FigureProps) {
  const x = (r: number) => LEFT + ((r - LOW) / (HIGH - LOW)) * (width - LEFT - RIGHT);
  const foot = TOP + SIZES.length * STEP;
  const [taxa, elevation] = [demoValues('mayfly_taxa'), demoValues('elevation')];
  return (
    <svg width={width} height={foot + FOOT} role="img" aria-label={label}>
      <g fontSize={13} fill="var(--ink)" className="numerals">
        {TICKS.map((tick) => (
          <g key={tick}>
            <line x1={x(tick)} x2={x(tick)} y1={TOP} y2={foot} stroke={tick === 0 ? 'var(--edge)' : 'var(--rule)'} />
            <text x={x(tick)} y={foot + 16} textAnchor="middle" fontSize={12}>
              {tick === 0 ? '0' : `${tick < 0 ? '−' : ''}${Math.abs(tick).toFixed(1).slice(1)}`}
            </text>
          </g>
        ))}
        {SIZES.map((n, i) => {
          const { coefficient, interval } = pearson(taxa.slice(0, n), elevation.slice(0, n));
          const y = TOP + (i + 0.5) * STEP;
          return (
            interval && (
              <g key={n}>
                <text x={LEFT - 12} y={y + 4} textAnchor="end">
                  {n === DEMO.rows ? `all ${n} stations` : `first ${n} stations`}
                </text>
                <line x1={x(interval.low)} x2={x(interval.high)} y1={y} y2={y} stroke="var(--accent)" strokeWidth={2} />
                {[interval.low, interval.high].map((end) => (
                  <line key={end} x1={x(end)} x2={x(end)} y1={y - 5} y2={y + 5} stroke="var(--accent)" strokeWidth={2} />
                ))}
                <circle cx={x(coefficient)} cy={y} r={4} fill="var(--accent)" />
                <text x={width - RIGHT + 14} y={y + 4}>
                  {`${coefficientText(coefficient)} ${intervalText(interval.low, interval.high)}`}
                </text>
              </g>
            )
          );
        })}
        <text x={(LEFT + width - RIGHT) / 2} y={foot + 34} textAnchor="middle" fontSize={12}>
          r of mayfly taxa and elevation, with its 95 % interval
        </text>
      </g>
    </svg>
  );
}
