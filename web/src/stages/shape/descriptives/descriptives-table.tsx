import type { DescriptiveColumn, ShapeResult, ShapeSettings } from '@ivlen/contract';
import { displayName } from '../../../study/variable-name';
import type { TableColumn, ValueTable } from '../../../tables/columns';
import type { StripSubject } from '../strips/shape-lines';
import { TESTS } from '../test-words';
import { columnName, descriptiveFigure, descriptiveText } from './descriptive-columns';

export interface DescribedSubject {
  readonly subject: StripSubject;
  /** Undefined while it is computed. */
  readonly shape: ShapeResult | undefined;
}

/** The descriptives of variables, and of their groups, under the settings. */
export function descriptivesTable(
  rows: readonly DescribedSubject[],
  settings: ShapeSettings,
  caption: string,
  note: string,
): ValueTable<DescribedSubject> {
  const grouped = rows.some(({ subject }) => subject.group !== null);
  const groupColumn: TableColumn<DescribedSubject> = { name: 'group', shown: ({ subject }) => subject.group?.label ?? '', only: 'file' };
  return {
    caption,
    columns: [
      {
        name: 'variable',
        shown: ({ subject }) => subjectName(subject),
        exact: ({ subject }) => displayName(subject.variable),
        onScreen: ({ subject }) => <SubjectName {...subject} />,
      },
      ...(grouped ? [groupColumn] : []),
      { name: 'unit', shown: ({ subject }) => subject.variable.unit ?? '', only: 'file' },
      ...settings.columns.flatMap((column) => columnsOf(column, settings)),
    ],
    rows,
    note,
  };
}

function columnsOf(column: DescriptiveColumn, settings: ShapeSettings): TableColumn<DescribedSubject>[] {
  const shown = ({ subject, shape }: DescribedSubject) => (shape ? descriptiveText(shape, column, subject.variable, settings) : '…');
  const name = columnName(column, settings);
  if (column === 'verdict') return [{ name, shown, align: 'left' }];
  if (column !== 'test') return [{ name, shown, exact: ({ shape }) => (shape ? descriptiveFigure(shape, column) : null) }];
  const { test } = settings;
  if (!test) return [{ name, shown, only: 'screen' }];
  return [
    { name, shown, only: 'screen' },
    { name: TESTS[test].name, shown, exact: ({ shape }) => shape?.tests[test].statistic ?? null, only: 'file' },
    { name: `p, ${TESTS[test].name}`, shown, exact: ({ shape }) => shape?.tests[test].pValue ?? null, only: 'file' },
  ];
}

function subjectName({ variable, group }: StripSubject): string {
  return group ? `${displayName(variable)}, ${group.label}` : `${displayName(variable)}${variable.unit ? `, ${variable.unit}` : ''}`;
}

function SubjectName({ variable, group }: StripSubject) {
  if (group) return <span className="pl-4 whitespace-nowrap">{group.label}</span>;
  return (
    <span className="font-semibold whitespace-nowrap">
      {displayName(variable)} <span className="text-[13px] font-normal text-muted">{variable.unit}</span>
    </span>
  );
}
