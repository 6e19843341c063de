import type { CorrelationSettings, Half, Study } from '@ivlen/contract';
import { COEFFICIENTS, countMarks, formatCoefficient } from '@ivlen/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery } from '../../api/queries';
import { decisiveP, type GridCellData, halfText, percent } from '../../coefficients/cell-data';
import { coefficientNames } from '../../coefficients/coefficient-names';
import { adjustmentInWords } from '../../coefficients/correlation-parts';
import { levelInWords } from '../../coefficients/levels';
import type { Matrix } from '../../coefficients/matrix';
import { tally } from '../../coefficients/tally';
import { formatMeasured } from '../../figures/format-measured';
import { rowsInWords } from '../../study/rows-in-use';
import { displayName } from '../../study/variable-name';
import type { TextTable } from '../../tables/table-copy';

/** The matrix as papers print it: numbered variables, means and standard deviations, marks told in a note. */
export function useMatrixTable(study: Study, matrix: Matrix, settings: CorrelationSettings): TextTable {
  const { variables } = matrix;
  const { data } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'describe', variables: variables.map(({ id }) => id).sort() }),
    placeholderData: keepPreviousData,
  });
  return useMemo(() => {
    const described = new Map(data?.variables.map((item) => [item.id, item]));
    return {
      caption: `${coefficientNames([matrix.methods[0] ?? 'pearson'])} among ${variables.length} variables, with means and standard deviations`,
      head: ['Variable', 'M', 'SD', ...variables.map((_, j) => String(j + 1))],
      rows: variables.map((row, i) => {
        const d = described.get(row.id);
        const figures = [d?.mean, d?.sd].map((value) => (d ? formatMeasured(value ?? null, d.sd, row.decimals) : ''));
        const cells = variables.map((column, j) =>
          i === j ? '–' : cellText(matrix.cell(row, column), i > j ? settings.below : settings.above, settings),
        );
        return [`${i + 1}. ${displayName(row)}`, ...figures, ...cells];
      }),
      note: noteOf(study, matrix, settings),
    };
  }, [study, matrix, settings, variables, data]);
}

/** A cell of a copied table. */
export function cellText(cell: GridCellData, half: Half, { levels }: Pick<CorrelationSettings, 'levels'>): string {
  switch (half) {
    case 'coefficient':
      return `${formatCoefficient(cell.coefficient)}${'*'.repeat(countMarks(decisiveP(cell), levels))}`;
    case 'second':
      return `${formatCoefficient(cell.second)}${'*'.repeat(countMarks(decisiveP({ p: cell.secondP, adjustedP: cell.secondAdjustedP }), levels))}`;
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
