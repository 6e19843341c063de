import type { CorrelationSettings } from '@ivlen/contract';
import { countMarks, formatFixed } from '@ivlen/core';
import { percent } from '../../../coefficients/cell-data';
import { levelInWords } from '../../../coefficients/levels';
import { adjustmentInWords } from '../../../coefficients/sentence-parts';
import { type ComparedPair, decidingP, pairName, type ShownGroup } from '../../../groups/compared-pairs';
import { limitsOf } from '../../../groups/group-table';
import { coefficientText } from '../../../numbers/number-text';
import type { TakingPart } from '../../../settings/use-grouping';
import { displayName } from '../../../study/variable-name';
import type { TableColumn, ValueTable } from '../../../tables/columns';
import { intervalColumns } from '../../../tables/interval-columns';
import { pColumns } from '../../../tables/p-columns';

/** Pair by pair the two coefficients, their difference and its test. */
export function differenceTable(
  pairs: readonly ComparedPair[],
  a: ShownGroup,
  b: ShownGroup,
  { by }: Pick<TakingPart, 'by'>,
  { levels, level, adjust }: CorrelationSettings,
): ValueTable<ComparedPair> {
  const group = ({ label }: ShownGroup, k: number): TableColumn<ComparedPair>[] => [
    {
      name: label,
      shown: ({ cells }) => written(cells[k]?.coefficient, coefficientText),
      exact: ({ cells }) => cells[k]?.coefficient ?? null,
    },
    { name: `n, ${label}`, shown: ({ cells }) => String(cells[k]?.n ?? 0), exact: ({ cells }) => cells[k]?.n ?? null },
  ];
  return {
    caption: `Correlations in ${a.label} and ${b.label} (${displayName(by)}) and their differences`,
    columns: [
      { name: 'Pair', shown: pairName },
      ...group(a, 0),
      ...group(b, 1),
      {
        name: 'difference',
        shown: (pair) => written(pair.two?.difference, (d) => `${coefficientText(d)}${'*'.repeat(countMarks(decidingP(pair), levels))}`),
        exact: ({ two }) => two?.difference ?? null,
      },
      ...intervalColumns<ComparedPair>(`${percent(level)} interval`, ({ two }) => two && limitsOf(two)),
      {
        name: 'q',
        nameInFile: 'Cohen’s q',
        shown: ({ two }) => written(two?.cohensQ, (q) => formatFixed(q, 2)),
        exact: ({ two }) => two?.cohensQ ?? null,
      },
      { name: 'z', shown: ({ two }) => written(two?.z, (z) => formatFixed(z, 2)), exact: ({ two }) => two?.z ?? null },
      ...pColumns<ComparedPair>(
        { levels, adjust },
        ({ homogeneity }) => homogeneity.pValue,
        ({ adjustedP }) => adjustedP,
      ),
    ],
    rows: pairs,
    note: `${levels.map((p, i) => `${'*'.repeat(i + 1)} p ≤ ${levelInWords(p)}`).join(', ')} of the difference, ${adjustmentInWords(adjust)}; q is Cohen’s, the difference of z.`,
  };
}

function written(value: number | null | undefined, write: (value: number) => string): string {
  return value === null || value === undefined ? '–' : write(value);
}
