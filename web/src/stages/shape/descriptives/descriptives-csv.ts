import type { DescriptiveColumn, ShapeResult, ShapeSettings } from '@ivlen/contract';
import { displayName } from '../../../study/variable-name';
import { csvOf } from '../../../tables/csv';
import { verdictOf } from '../strips/shape-columns';
import type { StripSubject } from '../strips/shape-lines';
import { TESTS } from '../test-words';
import { columnName, descriptiveFigure } from './descriptive-columns';

/** The table of descriptives with every digit, for other programs. */
export function descriptivesCsv(
  subjects: readonly StripSubject[],
  shapes: readonly (ShapeResult | undefined)[],
  columns: readonly DescriptiveColumn[],
  settings: ShapeSettings,
): string {
  const grouped = subjects.some(({ group }) => group !== null);
  const { test } = settings;
  const head = columns.flatMap((column) =>
    column === 'test' ? (test ? [TESTS[test].name, `p, ${TESTS[test].name}`] : []) : [columnName(column, settings)],
  );
  const lines = subjects.map(({ variable, group }, i) => {
    const shape = shapes[i];
    const cells = columns.flatMap((column): (string | number | null)[] => {
      if (!shape) return [null];
      if (column === 'verdict') return [verdictOf(shape, settings).words];
      if (column === 'test') return test ? [shape.tests[test].statistic, shape.tests[test].pValue] : [];
      return [descriptiveFigure(shape, column)];
    });
    return [displayName(variable), ...(grouped ? [group?.label ?? ''] : []), variable.unit, ...cells];
  });
  return csvOf([['variable', ...(grouped ? ['group'] : []), 'unit', ...head], ...lines]);
}
