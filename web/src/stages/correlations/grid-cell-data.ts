import type { CorrelationResult, Variable } from '@ivlen/contract';
import { formatCoefficient, formatFullP, formatInterval, formatPRelation, type Method } from '@ivlen/core';
import { COEFFICIENTS } from '../../method-words';
import { displayName } from '../../variable-name';

/** Everything about one cell of the grid. */
export interface GridCellData {
  readonly row: Variable;
  readonly column: Variable;
  readonly method: Method;
  /** Whether it is another than that of all. */
  readonly ownMethod: boolean;
  readonly coefficient: number;
  readonly p: number;
  readonly log10P: number;
  readonly n: number;
  readonly low: number;
  readonly high: number;
  readonly because: CorrelationResult['undefinedBecause'][number];
}

export function cellData(result: CorrelationResult, variables: readonly Variable[], i: number, j: number): GridCellData {
  const at = i * variables.length + j;
  const [row, column] = [variables[i], variables[j]];
  if (!row || !column) throw new RangeError(`the grid has no cell ${i}, ${j}`);
  return {
    row,
    column,
    method: result.methods[at] ?? 'pearson',
    ownMethod: result.methods[at] !== result.methods[0],
    coefficient: result.coefficient[at] ?? Number.NaN,
    p: result.pValue[at] ?? Number.NaN,
    log10P: result.log10P[at] ?? Number.NEGATIVE_INFINITY,
    n: result.n[at] ?? 0,
    low: result.low[at] ?? Number.NaN,
    high: result.high[at] ?? Number.NaN,
    because: result.undefinedBecause[at] ?? null,
  };
}

/** What tells a cell apart from all others, also when variables come and go. */
export function cellId({ row, column }: Pick<GridCellData, 'row' | 'column'>): string {
  return `${row.id}.${column.id}`;
}

/** Why a cell has no coefficient, in words. */
function undefinedInWords({ row, column, because, n }: Pick<GridCellData, 'row' | 'column' | 'because' | 'n'>): string {
  switch (because) {
    case 'constant-x':
      return `${displayName(row)} has the same value in all ${n} rows used`;
    case 'constant-y':
      return `${displayName(column)} has the same value in all ${n} rows used`;
    case 'constant-both':
      return 'neither varies among the rows used';
    default:
      return `only ${n} ${n === 1 ? 'row is' : 'rows are'} complete for both; at least 3 are needed`;
  }
}

/** The full numbers of a cell, line by line. */
export function cellLines(cell: GridCellData, levels: readonly number[]): string[] {
  if (cell.because) return [`no coefficient: ${undefinedInWords(cell)}`];
  const exact = Number.isFinite(cell.log10P) && cell.p < 0.001 ? ` (${formatFullP(cell.p, cell.log10P)})` : '';
  const interval = Number.isNaN(cell.low) ? 'no interval' : `95 % interval ${formatInterval(cell.low, cell.high, 3)}`;
  return [
    `${COEFFICIENTS[cell.method].symbol} = ${formatCoefficient(cell.coefficient, 3)}, ${formatPRelation(cell.p, levels)}${exact}`,
    `n = ${cell.n}, ${interval}`,
  ];
}
