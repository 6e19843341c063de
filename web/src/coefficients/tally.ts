import type { CorrelationSettings, Variable } from '@ivlen/contract';
import { decisiveP, type GridCellData } from './cell-data';
import type { Matrix } from './matrix';

/** The distinct pairs of a matrix, counted. */
export interface Tally {
  /** Pairs that have a p. */
  readonly pairs: number;
  readonly marked: number;
  /** How many would be marked by chance if nothing were associated, to one decimal; null where p is adjusted. */
  readonly expected: string | null;
  readonly fewest: number;
  readonly most: number;
  readonly without: number;
  /** Variables of which no pair is marked. */
  readonly alone: readonly Variable[];
}

/** The distinct pairs, row by row. */
export function distinctPairs({ variables, cell }: Pick<Matrix, 'variables' | 'cell'>): GridCellData[] {
  return variables.flatMap((row, i) => variables.slice(0, i).map((column) => cell(row, column)));
}

export function tally(
  matrix: Pick<Matrix, 'variables' | 'cell'>,
  { levels, adjust }: Pick<CorrelationSettings, 'levels' | 'adjust'>,
): Tally {
  const level = levels[0] ?? 0.05;
  const cells = distinctPairs(matrix);
  const counts = cells.map(({ n }) => n);
  const tested = cells.filter(({ p }) => !Number.isNaN(p));
  const marked = tested.filter((cell) => decisiveP(cell) <= level);
  const connected = new Set(marked.flatMap(({ row, column }) => [row.id, column.id]));
  return {
    pairs: tested.length,
    marked: marked.length,
    expected: adjust === 'none' ? (tested.length * level).toFixed(1) : null,
    fewest: counts.reduce((a, b) => Math.min(a, b), Number.POSITIVE_INFINITY),
    most: counts.reduce((a, b) => Math.max(a, b), 0),
    without: cells.length - tested.length,
    alone: tested.length > 0 ? matrix.variables.filter(({ id }) => !connected.has(id)) : [],
  };
}
