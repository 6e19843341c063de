import { countMarks, pearson } from '@ivlen/core';
import { useCoefficientScale } from '../../figures/use-coefficient-scale';
import { coefficientText, pText } from '../../numbers/number-text';
import { demoValues } from '../demo-values';
import type { FigureProps } from './figure-props';

const NAMES = ['elevation', 'water_temp', 'phosphate', 'mayfly_taxa'] as const;
const LEVELS = [0.05, 0.01, 0.001];
const [LEFT, TOP, WIDE, HIGH] = [110, 30, 112, 48];
/** The cell that is found: row and column. */
const [ROW, COLUMN] = [3, 0];

/** Four variables of the demo, with the row and the column drawn out to the cell where they meet. */
export function Matrix({ label }: FigureProps) {
  const scale = useCoefficientScale();
  const columns = NAMES.map(demoValues);
  const words = (name: string) => name.replace('_', ' ');
  return (
    <svg width={LEFT + NAMES.length * WIDE + 2} height={TOP + NAMES.length * HIGH + 2} role="img" aria-label={label}>
      {NAMES.map((row, i) => (
        <g key={row} fontSize={13} fill="var(--ink)">
          <text x={LEFT - 10} y={TOP + (i + 0.5) * HIGH + 4} textAnchor="end" fontWeight={i === ROW ? 650 : 400}>
            {words(row)}
          </text>
          <text x={LEFT + (i + 0.5) * WIDE} y={TOP - 10} textAnchor="middle" fontWeight={i === COLUMN ? 650 : 400}>
            {words(row)}
          </text>
          {NAMES.map((column, k) => {
            const [x, y] = [columns[i], columns[k]];
            if (!x || !y) return null;
            if (i === k) {
              return (
                <text key={column} x={LEFT + (k + 0.5) * WIDE} y={TOP + (i + 0.5) * HIGH + 4} textAnchor="middle" fill="var(--muted)">
                  its shape
                </text>
              );
            }
            const { coefficient, pValue } = pearson(x, y);
            const below = i > k;
            const { background, text } = below ? scale(coefficient) : { background: 'none', text: 'var(--ink)' };
            return (
              <g key={column} transform={`translate(${LEFT + k * WIDE},${TOP + i * HIGH})`} className="numerals">
                <rect width={WIDE - 3} height={HIGH - 3} rx={2} fill={background} stroke="var(--rule)" />
                <text x={(WIDE - 3) / 2} y={HIGH / 2 + 3} textAnchor="middle" fill={text} fontSize={below ? 15 : 13}>
                  {below ? `${coefficientText(coefficient)}${'*'.repeat(countMarks(pValue, LEVELS))}` : pText(pValue)}
                </text>
              </g>
            );
          })}
        </g>
      ))}
      <g fill="none" stroke="var(--accent)" strokeWidth={2}>
        <rect x={LEFT - 104} y={TOP + ROW * HIGH - 1} width={104 + (COLUMN + 1) * WIDE - 1} height={HIGH - 1} rx={3} />
        <rect x={LEFT + COLUMN * WIDE - 1} y={1} width={WIDE - 1} height={TOP + (ROW + 1) * HIGH - 3} rx={3} />
      </g>
    </svg>
  );
}
