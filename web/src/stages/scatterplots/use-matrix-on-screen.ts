import type { CorrelationSettings, Variable } from '@ivlen/contract';
import { useMemo } from 'react';
import type { Matrix } from '../../coefficients/matrix';
import { rectangleFamily } from '../../coefficients/rectangle-family';
import type { useMatrix } from '../../coefficients/use-matrix';

/** The coefficients of the panels; those of outcomes and predictors are a family of their own. None while others are computed. */
export function useMatrixOnScreen(
  { matrix, stale }: ReturnType<typeof useMatrix>,
  variables: readonly Variable[],
  rectangle: boolean,
  adjust: CorrelationSettings['adjust'],
): Matrix | undefined {
  return useMemo(() => {
    if (!matrix || stale) return undefined;
    if (!rectangle || adjust === 'none') return matrix;
    const byRole = (wanted: Variable['role']) => variables.filter(({ role }) => role === wanted);
    const inFamily = rectangleFamily(matrix, byRole('outcome'), byRole('predictor'), { adjust });
    return {
      ...matrix,
      cell: (row, column) => inFamily(matrix.cell(row, column)),
      cellBy: (method, row, column) => {
        const cell = matrix.cellBy(method, row, column);
        return cell && inFamily(cell);
      },
    };
  }, [matrix, stale, variables, rectangle, adjust]);
}
