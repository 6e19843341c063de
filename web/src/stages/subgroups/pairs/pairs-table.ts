import type { CorrelationSettings } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed } from '@ivlen/core';
import { percent } from '../../../coefficients/cell-data';
import { levelInWords } from '../../../coefficients/levels';
import { adjustmentInWords } from '../../../coefficients/sentence-parts';
import { type ComparedPair, pairName, type ShownGroup } from '../../../groups/compared-pairs';
import { markedText } from '../../../groups/group-table';
import { groupsInWords, withinCoefficient } from '../../../groups/words';
import { coefficientText } from '../../../numbers/number-text';
import type { TakingPart } from '../../../settings/use-grouping';
import type { TableColumn, ValueTable } from '../../../tables/columns';
import { pColumns } from '../../../tables/p-columns';

/** Pairs × groups as papers print them: coefficients with marks, n, and the test of their difference. */
export function pairsTable(
  pairs: readonly ComparedPair[],
  groups: readonly ShownGroup[],
  taking: TakingPart,
  settings: CorrelationSettings,
): ValueTable<ComparedPair> {
  const { levels, adjust, level } = settings;
  const symbol = COEFFICIENTS[settings.methods[0] ?? 'pearson'].symbol;
  const two = groups.length === 2;
  return {
    caption: `Correlations (${symbol}) in ${groupsInWords(taking)}`,
    columns: [
      { name: 'Pair', shown: pairName },
      ...groups.flatMap((group, k) => groupColumns(group, k, settings)),
      { name: 'all', shown: ({ pooled }) => markedText(pooled, levels), exact: ({ pooled }) => pooled.coefficient },
      {
        name: 'within',
        shown: ({ within }) => written(withinCoefficient(within), coefficientText),
        exact: ({ within }) => withinCoefficient(within),
      },
      ...(two ? differenceColumns() : []),
      {
        name: two ? 'z' : `Q(${groups.length - 1})`,
        nameInFile: two ? 'z' : 'Q',
        shown: (pair) =>
          two
            ? written(pair.two?.z ?? null, (z) => formatFixed(z, 2))
            : `${written(pair.homogeneity.q, (q) => formatFixed(q, 2))}${otherDf(pair, groups)}`,
        exact: (pair) => (two ? (pair.two?.z ?? null) : pair.homogeneity.q),
      },
      { name: 'df', shown: ({ homogeneity }) => String(homogeneity.df), exact: ({ homogeneity }) => homogeneity.df, only: 'file' },
      ...pColumns<ComparedPair>(
        { levels, adjust },
        ({ homogeneity }) => homogeneity.pValue,
        ({ adjustedP }) => adjustedP,
      ),
    ],
    rows: pairs,
    note: [
      `${groups.map(({ label, rows }) => `${label} n = ${rows}`).join(', ')}${pairs.some(isIncomplete(groups)) ? ', fewer where values are missing' : ''}.`,
      `${levels.map((p, i) => `${'*'.repeat(i + 1)} p ≤ ${levelInWords(p)}`).join(', ')}, ${adjustmentInWords(adjust)}${adjust === 'none' ? '' : ' for the pairs of each group'}.`,
      two ? 'z of the difference of the groups’ z.' : 'Q of the homogeneity of the groups’ coefficients.',
      `Intervals ${percent(level)}, unadjusted.`,
    ].join(' '),
  };
}

function groupColumns({ label }: ShownGroup, k: number, { levels }: CorrelationSettings): TableColumn<ComparedPair>[] {
  const cell = ({ cells }: ComparedPair) => cells[k];
  const file = (name: string, exact: (pair: ComparedPair) => number | null): TableColumn<ComparedPair> => ({
    name: `${label} ${name}`,
    shown: () => '',
    exact,
    only: 'file',
  });
  return [
    {
      name: label,
      shown: (pair) => {
        const found = cell(pair);
        return found ? markedText(found, levels) : '–';
      },
      exact: (pair) => cell(pair)?.coefficient ?? null,
    },
    file('n', (pair) => cell(pair)?.n ?? null),
    file('p', (pair) => cell(pair)?.pValue ?? null),
    file('low', (pair) => cell(pair)?.low ?? null),
    file('high', (pair) => cell(pair)?.high ?? null),
  ];
}

function differenceColumns(): TableColumn<ComparedPair>[] {
  return [
    {
      name: 'difference',
      shown: ({ two }) => written(two?.difference ?? null, coefficientText),
      exact: ({ two }) => two?.difference ?? null,
    },
    {
      name: 'q',
      nameInFile: 'Cohen’s q',
      shown: ({ two }) => written(two?.cohensQ ?? null, (q) => formatFixed(q, 2)),
      exact: ({ two }) => two?.cohensQ ?? null,
    },
  ];
}

/** A pair of which fewer groups were tested has other degrees of freedom than the head says. */
function otherDf({ homogeneity: { q, df } }: ComparedPair, groups: readonly ShownGroup[]): string {
  return q !== null && df !== groups.length - 1 ? ` (df ${df})` : '';
}

function isIncomplete(groups: readonly ShownGroup[]) {
  return ({ cells }: ComparedPair) => cells.some(({ n }, k) => n < (groups[k]?.rows ?? n));
}

function written(value: number | null, write: (value: number) => string): string {
  return value === null ? '–' : write(value);
}
