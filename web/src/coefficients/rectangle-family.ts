import { type CorrelationSettings, pairKey, type Variable } from '@ivlen/contract';
import { adjustPValues } from '@ivlen/core';
import type { GridCellData } from './cell-data';
import type { Matrix } from './matrix';

/** The rectangle is a family of its own: its p-values are adjusted for its pairs alone. */
export function rectangleFamily(
  matrix: Pick<Matrix, 'methods' | 'cellBy'>,
  outcomes: readonly Variable[],
  predictors: readonly Variable[],
  { adjust }: Pick<CorrelationSettings, 'adjust'>,
): (cell: GridCellData) => GridCellData {
  if (adjust === 'none') return (cell) => cell;
  const pairs = predictors.flatMap((predictor) => outcomes.map((outcome) => [predictor, outcome] as const));
  const key = (cell: Pick<GridCellData, 'row' | 'column'>, k: number) => `${k}.${pairKey(cell.row.id, cell.column.id)}`;
  const adjusted = new Map<string, number>();
  matrix.methods.forEach((method, k) => {
    const cells = pairs.flatMap(([predictor, outcome]) => matrix.cellBy(method, predictor, outcome) ?? []);
    const family = adjustPValues(
      cells.map(({ p }) => p),
      adjust,
    );
    cells.forEach((cell, i) => {
      adjusted.set(key(cell, k), family[i] ?? Number.NaN);
    });
  });
  return (cell) => {
    // One with a method of its own stands in the family of the first.
    const k = cell.ownMethod ? 0 : matrix.methods.indexOf(cell.method);
    return { ...cell, adjustedP: adjusted.get(key(cell, k)) ?? Number.NaN };
  };
}
