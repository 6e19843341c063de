import type { Variable } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import type { Matrix } from '../../../coefficients/matrix';
import { Skeleton } from '../../../controls/skeleton';
import { fineCoefficientText, pText } from '../../../numbers/number-text';
import { displayName } from '../../../study/variable-name';
import type { TableColumn, ValueTable } from '../../../tables/columns';
import { intervalColumns } from '../../../tables/interval-columns';
import { TableTools } from '../../../tables/table-tools';
import { ValueTableView } from '../../../tables/value-table-view';
import { isCurved, patternWords } from './pattern-words';
import type { SceneFacts } from './use-matrix-scene';

interface PatternTableProps {
  readonly facts: SceneFacts;
  /** Whether what points look like is not looked for, since they are too many. */
  readonly notSought: boolean;
}

/** The figure in words: each pair's coefficients, and what its points look like. */
export function PatternTable({ facts, notSought }: PatternTableProps) {
  const { matrix, rankMethod, correlation } = facts;
  if (!matrix) return <Skeleton label="Computing the coefficients" className="m-5 h-40" />;
  const table = patternTable(facts, matrix);
  const symbols = [COEFFICIENTS[correlation.methods[0] ?? 'pearson'].symbol, COEFFICIENTS[rankMethod].symbol];
  return (
    <div className="min-h-0 flex-1 overflow-auto px-5 py-3" data-scrolls>
      <div className="mb-2 flex items-baseline gap-4">
        <p className="text-[13px] text-muted">
          {symbols.join(' and ')} of each pair, and what its points look like
          {!notSought ? '.' : '; straightness was not looked for among so many values: the card of a pair tells it.'}
        </p>
        <span className="ml-auto">
          <TableTools table={table} fileName={`Pairs of ${facts.study.name}`} waiting={!matrix.complete} />
        </span>
      </div>
      <ValueTableView table={table} tools={false} className="w-full max-w-5xl" />
    </div>
  );
}

interface NamedPair {
  readonly row: Variable;
  readonly column: Variable;
}

function patternTable({ rows, columns, correlation, rankMethod, cautionsKnown }: SceneFacts, matrix: Matrix): ValueTable<NamedPair> {
  const square = rows === columns;
  const pairs = rows.flatMap((row, i) => (square ? columns.slice(0, i) : columns).map((column): NamedPair => ({ row, column })));
  const method = correlation.methods[0] ?? 'pearson';
  const cellOf = ({ row, column }: NamedPair) => matrix.cell(row, column);
  const byRank = ({ row, column }: NamedPair) => matrix.cellBy(rankMethod, row, column)?.coefficient;
  const rankColumn: TableColumn<NamedPair> = {
    name: COEFFICIENTS[rankMethod].symbol,
    shown: (pair) => {
      const coefficient = byRank(pair);
      return coefficient === undefined ? '…' : fineCoefficientText(coefficient);
    },
    exact: (pair) => byRank(pair) ?? Number.NaN,
  };
  return {
    caption: 'Pairs in words',
    columns: [
      { name: 'pair', shown: ({ row, column }) => `${displayName(row)} × ${displayName(column)}` },
      {
        name: COEFFICIENTS[method].symbol,
        shown: (pair) => fineCoefficientText(cellOf(pair).coefficient),
        exact: (pair) => cellOf(pair).coefficient,
      },
      ...intervalColumns<NamedPair>('interval', (pair) => {
        const { low, high } = cellOf(pair);
        return Number.isNaN(low) ? null : { low, high };
      }),
      {
        name: 'p',
        shown: (pair) => (Number.isNaN(cellOf(pair).p) ? '–' : pText(cellOf(pair).p, correlation.levels)),
        exact: (pair) => cellOf(pair).p,
      },
      ...(rankMethod === method ? [] : [rankColumn]),
      { name: 'n', shown: (pair) => cellOf(pair).n.toLocaleString('en-GB'), exact: (pair) => cellOf(pair).n },
      {
        name: 'what the points look like',
        align: 'left',
        shown: (pair) => patternWords(cellOf(pair), isCurved(cellOf(pair), cautionsKnown)) || 'no coefficient',
      },
    ],
    rows: pairs.filter(({ row, column }) => row !== column && matrix.variables.includes(row) && matrix.variables.includes(column)),
  };
}
