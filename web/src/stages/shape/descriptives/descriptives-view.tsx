import { type DescriptiveColumn, descriptiveColumnSchema, type ShapeSettings } from '@ivlen/contract';
import { Columns3, Download } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useMemo } from 'react';
import { ProgressLine } from '../../../controls/progress-line';
import { saveText } from '../../../controls/save-text';
import { MethodsLine } from '../../../methods-line/methods-line';
import { methodsSentence } from '../../../methods-line/methods-parts';
import { PinButton } from '../../../pins/pin-button';
import { rowsInWords } from '../../../study/rows-in-use';
import { displayName } from '../../../study/variable-name';
import { CopyTableButton, type TextTable } from '../../../tables/table-copy';
import { pinnedShape } from '../pinned-shape';
import { shapeMethods } from '../shape-methods';
import { type ShapeViewProps, showableGroups } from '../shape-view';
import { type StripSubject, stripSubjects, subjectKey } from '../strips/shape-lines';
import { useShapes } from '../strips/use-shapes';
import { columnName, descriptiveText } from './descriptive-columns';
import { descriptivesCsv } from './descriptives-csv';

/** The descriptives of the working set as a table whose columns are chosen, to be copied or exported. */
export function DescriptivesView(props: ShapeViewProps) {
  const { study, workingSet, settings, grouping, patch } = props;
  const { groups, problem } = showableGroups(props);
  const { variables } = workingSet;
  const by = grouping?.by ?? null;
  const subjects = useMemo(() => stripSubjects(variables, by, groups), [variables, by, groups]);
  const { shapes, computed, slow, stop } = useShapes(study, subjects, true);
  const parts = shapeMethods(settings, { variables: workingSet.variables.length, rows: rowsInWords(study), grouping }, patch);
  const columns = descriptiveColumnSchema.options.filter((column) => settings.columns.includes(column));
  const complete = computed === subjects.length;
  const table: TextTable = {
    caption: `Descriptives of ${workingSet.variables.length} variables`,
    head: ['variable', ...columns.map((column) => columnName(column, settings))],
    rows: subjects.map((subject, i) => [
      subjectName(subject),
      ...columns.map((column) => {
        const shape = shapes[i];
        return shape ? descriptiveText(shape, column, subject.variable, settings) : '…';
      }),
    ]),
    note: methodsSentence(parts),
  };
  return (
    <>
      <MethodsLine parts={parts}>
        <PinButton study={study} pinned={pinnedShape(workingSet.variables, settings, 'table', methodsSentence(parts))} />
      </MethodsLine>
      <div className="min-h-0 flex-1 overflow-auto px-5 pb-8">
        {problem && (
          <p role="status" className="mt-3 max-w-3xl text-caution">
            {problem}
          </p>
        )}
        <div className="flex items-center gap-5 py-3">
          <ColumnChooser settings={settings} onChoose={(chosen) => patch({ columns: chosen })} />
          {complete && (
            <>
              <CopyTableButton table={table} />
              <button
                type="button"
                className="button-quiet text-[13px]"
                onClick={() => saveText(`${study.name} descriptives.csv`, 'text/csv', descriptivesCsv(subjects, shapes, columns, settings))}
              >
                <Download size={14} aria-hidden="true" /> Export as CSV
              </button>
            </>
          )}
          {!complete && slow && (
            <ProgressLine
              label={`Describing ${subjects.length} columns`}
              progress={{ what: 'done', done: computed, total: subjects.length }}
              onStop={stop}
            />
          )}
        </div>
        <table className="figures" aria-label={table.caption}>
          <thead className="sticky top-0 bg-paper">
            <tr className="border-b border-edge text-[13px] text-muted">
              {table.head.map((name, i) => (
                <th
                  key={name}
                  scope="col"
                  className={`py-1.5 align-bottom font-normal ${i === 0 ? 'pr-6 text-left' : 'max-w-28 px-3 text-right'}`}
                >
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {subjects.map((subject, i) => (
              <tr key={subjectKey(subject)} className="border-b border-rule hover:bg-sunken">
                <th
                  scope="row"
                  className={`py-1.5 pr-6 text-left whitespace-nowrap ${subject.group ? 'pl-4 font-normal' : 'font-semibold'}`}
                >
                  {subject.group ? subject.group.label : displayName(subject.variable)}{' '}
                  {!subject.group && <span className="text-[13px] font-normal text-muted">{subject.variable.unit}</span>}
                </th>
                {table.rows[i]?.slice(1).map((text, k) => (
                  <td
                    key={columns[k]}
                    className={`px-3 ${columns[k] === 'verdict' ? 'min-w-52 text-left text-[13px]' : 'text-right whitespace-nowrap'}`}
                  >
                    {text}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-3 max-w-3xl text-[13px] text-muted">
          SD and variance with divisor n − 1; quartiles by linear interpolation; skewness G₁ and excess kurtosis G₂, adjusted for n.
        </p>
      </div>
    </>
  );
}

function subjectName({ variable, group }: StripSubject): string {
  return group ? `${displayName(variable)}, ${group.label}` : `${displayName(variable)}${variable.unit ? `, ${variable.unit}` : ''}`;
}

interface ColumnChooserProps {
  readonly settings: ShapeSettings;
  readonly onChoose: (columns: DescriptiveColumn[]) => void;
}

function ColumnChooser({ settings, onChoose }: ColumnChooserProps) {
  const { columns } = settings;
  return (
    <Popover.Root>
      <Popover.Trigger className="button-quiet text-[13px]">
        <Columns3 size={14} aria-hidden="true" /> Columns
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content aria-label="Columns of the table" className="popover w-64" align="start" sideOffset={6} collisionPadding={12}>
          <ul>
            {descriptiveColumnSchema.options.map((column) => (
              <li key={column}>
                <label className="flex items-center gap-2 rounded px-2 py-0.5 hover:bg-accent-soft">
                  <input
                    type="checkbox"
                    className="accent-accent"
                    checked={columns.includes(column)}
                    onChange={(event) => onChoose(event.target.checked ? [...columns, column] : columns.filter((item) => item !== column))}
                  />
                  {columnName(column, settings)}
                </label>
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
