import { COEFFICIENTS, formatCoefficient, formatInterval, formatP } from '@ivlen/core';
import type { Matrix } from '../../../coefficients/matrix';
import { displayName } from '../../../study/variable-name';
import { CopyTableButton } from '../../../tables/table-copy';
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
  if (!matrix) return <div role="status" aria-label="Computing the coefficients" className="m-5 h-40 rounded bg-rule/50" />;
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
          <CopyTableButton table={table} />
        </span>
      </div>
      <table className="figures w-full max-w-5xl" aria-label="Pairs in words">
        <thead>
          <tr className="border-b border-edge text-muted">
            {table.head.map((name, i) => (
              <th
                key={name}
                scope="col"
                className={`py-1.5 font-normal ${i === 0 || i === table.head.length - 1 ? 'text-left' : 'px-3 text-right'}`}
              >
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map(([name, ...cells]) => (
            <tr key={name} className="border-b border-rule">
              <th scope="row" className="py-1.5 text-left font-normal">
                {name}
              </th>
              {cells.map((cell, i) => (
                <td key={table.head[i + 1]} className={i === cells.length - 1 ? 'pl-3' : 'px-3 text-right whitespace-nowrap'}>
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function patternTable({ rows, columns, correlation, rankMethod, study, cautionsKnown }: SceneFacts, matrix: Matrix) {
  const square = rows === columns;
  const pairs = rows.flatMap((row, i) => (square ? columns.slice(0, i) : columns).map((column) => ({ row, column })));
  const known = pairs.filter(({ row, column }) => row !== column && matrix.variables.includes(row) && matrix.variables.includes(column));
  const method = correlation.methods[0] ?? 'pearson';
  const ranked = rankMethod === method ? [] : [rankMethod];
  return {
    caption: `Pairs of ${study.name}`,
    head: [
      'pair',
      COEFFICIENTS[method].symbol,
      'interval',
      'p',
      ...ranked.map((one) => COEFFICIENTS[one].symbol),
      'n',
      'what the points look like',
    ],
    rows: known.map(({ row, column }) => {
      const cell = matrix.cell(row, column);
      return [
        `${displayName(row)} × ${displayName(column)}`,
        formatCoefficient(cell.coefficient, 3),
        Number.isNaN(cell.low) ? '–' : formatInterval(cell.low, cell.high),
        Number.isNaN(cell.p) ? '–' : formatP(cell.p, correlation.levels),
        ...ranked.map((one) => formatCoefficient(matrix.cellBy(one, row, column).coefficient, 3)),
        cell.n.toLocaleString('en-GB'),
        patternWords(cell, isCurved(cell, cautionsKnown)) || 'no coefficient',
      ];
    }),
  };
}
