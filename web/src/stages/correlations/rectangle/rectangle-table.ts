import type { CorrelationSettings, Variable } from '@ivlen/contract';
import { COEFFICIENTS, countMarks, type Method } from '@ivlen/core';
import { decisiveP, type GridCellData } from '../../../coefficients/cell-data';
import { levelInWords } from '../../../coefficients/levels';
import type { Matrix } from '../../../coefficients/matrix';
import { adjustmentInWords } from '../../../coefficients/sentence-parts';
import { coefficientText, intervalText, pText } from '../../../numbers/number-text';
import { displayName } from '../../../study/variable-name';
import type { TableColumn, ValueTable } from '../../../tables/columns';

/** Predictors by outcomes: one cell for a pair to be read, a column for each of its values in a file. */
export function rectangleTable(
  matrix: Matrix,
  outcomes: readonly Variable[],
  predictors: readonly Variable[],
  settings: CorrelationSettings,
  family: (cell: GridCellData) => GridCellData,
): ValueTable<Variable> {
  const { levels, adjust } = settings;
  const columnsOf = (outcome: Variable, method: Method): TableColumn<Variable>[] => {
    const cellOf = (predictor: Variable) => family(matrix.cellBy(method, predictor, outcome));
    const name = `${displayName(outcome)}, ${COEFFICIENTS[method].symbol}`;
    const number = (what: string, exact: (cell: GridCellData) => number): TableColumn<Variable> => ({
      name: what ? `${name}, ${what}` : name,
      shown: (predictor) => String(exact(cellOf(predictor))),
      exact: (predictor) => exact(cellOf(predictor)),
      only: 'file',
    });
    const shown = (predictor: Variable) => {
      const cell = cellOf(predictor);
      const p = decisiveP(cell);
      return `${coefficientText(cell.coefficient)}${'*'.repeat(countMarks(p, levels))} ${intervalText(cell.low, cell.high)}, p ${pText(p, levels)}, n ${cell.n}`;
    };
    return [
      { name, shown, only: 'screen' },
      number('', ({ coefficient }) => coefficient),
      number('low', ({ low }) => low),
      number('high', ({ high }) => high),
      number(adjust === 'none' ? 'p' : 'adjusted p', decisiveP),
      number('n', ({ n }) => n),
    ];
  };
  return {
    caption: `Correlations of ${counted(predictors.length, 'predictor')} with ${counted(outcomes.length, 'outcome')}`,
    columns: [
      { name: 'Predictor', shown: displayName },
      ...outcomes.flatMap((outcome) => matrix.methods.flatMap((method) => columnsOf(outcome, method))),
    ],
    rows: predictors,
    note: `${levels.map((p, i) => `${'*'.repeat(i + 1)} p ≤ ${levelInWords(p)}`).join(', ')}; ${adjustmentInWords(adjust)}.`,
  };
}

function counted(number: number, one: string): string {
  return `${number} ${one}${number === 1 ? '' : 's'}`;
}
