import type { CorrelationSettings, Variable } from '@ivlen/contract';
import { COEFFICIENTS, countMarks, type Method } from '@ivlen/core';
import { decisiveP, type GridCellData } from '../../../coefficients/cell-data';
import { levelInWords } from '../../../coefficients/levels';
import type { Matrix } from '../../../coefficients/matrix';
import { adjustmentInWords } from '../../../coefficients/sentence-parts';
import { coefficientText, intervalText, pRelationText } from '../../../numbers/number-text';
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
    const cellOf = (predictor: Variable) => {
      const cell = matrix.cellBy(method, predictor, outcome);
      return cell && family(cell);
    };
    const exactOf = (predictor: Variable, exact: (cell: GridCellData) => number) => {
      const cell = cellOf(predictor);
      return cell ? exact(cell) : Number.NaN;
    };
    const name = `${displayName(outcome)}, ${COEFFICIENTS[method].symbol}`;
    const number = (what: string, exact: (cell: GridCellData) => number): TableColumn<Variable> => ({
      name: what ? `${name}, ${what}` : name,
      shown: (predictor) => String(exactOf(predictor, exact)),
      exact: (predictor) => exactOf(predictor, exact),
      only: 'file',
    });
    const shown = (predictor: Variable) => {
      const cell = cellOf(predictor);
      if (!cell) return '…';
      const p = decisiveP(cell);
      return `${coefficientText(cell.coefficient)}${'*'.repeat(countMarks(p, levels))} ${intervalText(cell.low, cell.high)}, ${pRelationText(p, levels)}, n ${cell.n}`;
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
