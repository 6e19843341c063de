import type { CorrelationSettings, Variable } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { levelInWords } from '../../../coefficients/levels';
import { adjustmentInWords } from '../../../coefficients/sentence-parts';
import type { ComparedPair, MarkedCell } from '../../../groups/compared-pairs';
import { markedText } from '../../../groups/group-table';
import type { TakingPart } from '../../../settings/use-grouping';
import { displayName } from '../../../study/variable-name';
import type { TableColumn, ValueTable } from '../../../tables/columns';

interface NumberedVariable {
  readonly variable: Variable;
  readonly index: number;
}

/** The matrix of one group as papers print it: numbered variables, coefficients below the diagonal with marks. */
export function groupMatrixTable(
  label: string,
  variables: readonly Variable[],
  pairs: readonly ComparedPair[],
  cellOf: (pair: ComparedPair) => MarkedCell | undefined,
  { by }: Pick<TakingPart, 'by'>,
  { levels, adjust, methods }: CorrelationSettings,
): ValueTable<NumberedVariable> {
  const found = new Map(pairs.flatMap((pair) => [[key(pair.x, pair.y), pair] as const, [key(pair.y, pair.x), pair] as const]));
  const cellAt = (row: Variable, column: Variable) => {
    const pair = found.get(key(row, column));
    return pair && cellOf(pair);
  };
  return {
    caption: `${COEFFICIENTS[methods[0] ?? 'pearson'].name} among ${variables.length} variables: ${displayName(by)}, ${label}`,
    columns: [
      { name: 'Variable', shown: ({ variable, index }) => `${index + 1}. ${displayName(variable)}` },
      ...variables.map(
        (column, j): TableColumn<NumberedVariable> => ({
          name: String(j + 1),
          nameInFile: displayName(column),
          shown: ({ variable, index }) => {
            const cell = index > j ? cellAt(variable, column) : undefined;
            return index === j ? '–' : cell ? markedText(cell, levels) : '';
          },
          exact: ({ variable, index }) => (index === j ? 1 : (cellAt(variable, column)?.coefficient ?? null)),
        }),
      ),
    ],
    rows: variables.map((variable, index) => ({ variable, index })),
    note: `${levels.map((p, i) => `${'*'.repeat(i + 1)} p ≤ ${levelInWords(p)}`).join(', ')}, ${adjustmentInWords(adjust)}.`,
  };
}

function key(a: Variable, b: Variable): string {
  return `${a.id} ${b.id}`;
}
