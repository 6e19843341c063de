import type { AnalysisInput, CorrelationSettings, Half, Study, Variable, VariableDescription } from '@ivlen/contract';
import { COEFFICIENTS, countMarks } from '@ivlen/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery } from '../../api/queries';
import { decisiveP, type GridCellData, halfText, percent } from '../../coefficients/cell-data';
import { coefficientNames } from '../../coefficients/coefficient-names';
import { levelInWords } from '../../coefficients/levels';
import type { Matrix } from '../../coefficients/matrix';
import { adjustmentInWords } from '../../coefficients/sentence-parts';
import { tally } from '../../coefficients/tally';
import { formatMeasured } from '../../figures/format-measured';
import { coefficientText } from '../../numbers/number-text';
import { rowsInWords } from '../../study/rows-in-use';
import { displayName } from '../../study/variable-name';
import type { TableColumn, ValueTable } from '../../tables/columns';

interface NumberedVariable {
  readonly variable: Variable;
  readonly index: number;
  readonly d: VariableDescription | undefined;
}

/** The matrix as papers print it: numbered variables, means and standard deviations, marks told in a note. */
export function useMatrixTable(study: Study, matrix: Matrix, settings: CorrelationSettings): ValueTable<NumberedVariable> {
  const { data } = useQuery({
    ...analysisQuery(study.id, study.head, describeRequest(matrix.variables)),
    placeholderData: keepPreviousData,
  });
  return useMemo(() => matrixTable(study, matrix, settings, data?.variables ?? []), [study, matrix, settings, data]);
}

/** Means and standard deviations of the variables of a matrix, whose order asks for nothing else. */
export function describeRequest(variables: readonly Variable[]) {
  return { kind: 'describe', variables: variables.map(({ id }) => id).sort() } as const satisfies AnalysisInput;
}

/** @param written how a cell is written where it is not as on screen */
export function matrixTable(
  study: Study,
  matrix: Matrix,
  settings: CorrelationSettings,
  descriptions: readonly VariableDescription[],
  written: typeof cellText = cellText,
): ValueTable<NumberedVariable> {
  const { variables } = matrix;
  const described = new Map(descriptions.map((item) => [item.id, item]));
  return {
    caption: `${coefficientNames([matrix.methods[0] ?? 'pearson'])} among ${variables.length} variables, with means and standard deviations`,
    columns: [
      { name: 'Variable', shown: ({ variable, index }) => `${index + 1}. ${displayName(variable)}` },
      {
        name: 'M',
        shown: ({ variable, d }) => (d ? formatMeasured(d.mean, d.sd, variable.decimals) : ''),
        exact: ({ d }) => d?.mean ?? null,
      },
      {
        name: 'SD',
        shown: ({ variable, d }) => (d ? formatMeasured(d.sd, d.sd, variable.decimals) : ''),
        exact: ({ d }) => d?.sd ?? null,
      },
      ...variables.map(
        (column, j): TableColumn<NumberedVariable> => ({
          name: String(j + 1),
          nameInFile: displayName(column),
          shown: ({ variable, index }) =>
            index === j ? '–' : written(matrix.cell(variable, column), index > j ? settings.below : settings.above, settings),
          exact: ({ variable, index }) => (index === j ? 1 : matrix.cell(variable, column).coefficient),
        }),
      ),
    ],
    rows: variables.map((variable, index) => ({ variable, index, d: described.get(variable.id) })),
    note: noteOf(study, matrix, settings),
  };
}

/** A cell of a copied table. */
export function cellText(cell: GridCellData, half: Half, { levels }: Pick<CorrelationSettings, 'levels'>): string {
  switch (half) {
    case 'coefficient':
      return `${coefficientText(cell.coefficient)}${'*'.repeat(countMarks(decisiveP(cell), levels))}`;
    case 'second':
      return `${coefficientText(cell.second)}${'*'.repeat(countMarks(decisiveP({ p: cell.secondP, adjustedP: cell.secondAdjustedP }), levels))}`;
    default:
      return halfText(cell, half, levels);
  }
}

function noteOf(study: Study, matrix: Matrix, settings: CorrelationSettings): string {
  const { levels, adjust, alternative, level, above } = settings;
  const { fewest, most } = tally(matrix, settings);
  const marks = levels.map((p, i) => `${'*'.repeat(i + 1)} p ≤ ${levelInWords(p)}`).join(', ');
  const sided = alternative === 'two-sided' ? 'two-sided' : `one-sided (${alternative === 'greater' ? 'positive' : 'negative'})`;
  const upper: Partial<Record<Half, string>> = {
    p: 'Above the diagonal: p.',
    'adjusted-p': 'Above the diagonal: adjusted p.',
    n: 'Above the diagonal: number of rows.',
    interval: `Above the diagonal: ${percent(level)} confidence intervals.`,
    second: `Above the diagonal: ${COEFFICIENTS[settings.methods[1] ?? 'spearman'].name}.`,
  };
  const n = fewest === most ? `n = ${most}` : `n = ${fewest} to ${most}`;
  return [`${n}, from ${rowsInWords(study)}.`, upper[above] ?? '', `${marks}; ${sided}, ${adjustmentInWords(adjust)}.`]
    .filter(Boolean)
    .join(' ');
}
