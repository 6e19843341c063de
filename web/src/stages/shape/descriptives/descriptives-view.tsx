import { type DescriptiveColumn, descriptiveColumnSchema, type ShapeSettings } from '@ivlen/contract';
import { Columns3 } from 'lucide-react';
import { useMemo } from 'react';
import { PopoverEditor } from '../../../controls/popover-editor';
import { ProgressLine } from '../../../controls/progress-line';
import { MethodsLine } from '../../../methods-line/methods-line';
import { sentenceOf, withEditors } from '../../../methods-line/methods-parts';
import { PinButton } from '../../../pins/pin-button';
import { rowsInWords } from '../../../study/rows-in-use';
import { TableTools } from '../../../tables/table-tools';
import { ValueTableView } from '../../../tables/value-table-view';
import { pinnedShape } from '../pinned-shape';
import { sentence } from '../sentence';
import { shapeEditors } from '../shape-editors';
import { type ShapeViewProps, showableGroups } from '../shape-view';
import { stripSubjects } from '../strips/shape-lines';
import { useShapes } from '../strips/use-shapes';
import { columnName } from './descriptive-columns';
import { descriptivesTable } from './descriptives-table';

/** The descriptives of the working set as a table whose columns are chosen, to be copied or exported. */
export function DescriptivesView(props: ShapeViewProps) {
  const { study, workingSet, settings, grouping, patch } = props;
  const { groups, problem } = showableGroups(props);
  const { variables } = workingSet;
  const by = grouping?.by ?? null;
  const subjects = useMemo(() => stripSubjects(variables, by, groups), [variables, by, groups]);
  const { shapes, computed, slow, stop } = useShapes(study, subjects, true);
  const parts = sentence(settings, { variables: workingSet.variables.length, rows: rowsInWords(study), grouping });
  const columns = descriptiveColumnSchema.options.filter((column) => settings.columns.includes(column));
  const complete = computed === subjects.length;
  const table = descriptivesTable(
    subjects.map((subject, i) => ({ subject, shape: shapes[i] })),
    { ...settings, columns },
    `Descriptives of ${workingSet.variables.length} variables`,
    sentenceOf(parts),
  );
  return (
    <>
      <MethodsLine parts={withEditors(parts, shapeEditors(props))}>
        <PinButton study={study} pinned={pinnedShape(workingSet.variables, settings, 'table', sentenceOf(parts))} />
      </MethodsLine>
      <div className="min-h-0 flex-1 overflow-auto px-5 pb-8">
        {problem && (
          <p role="status" className="mt-3 max-w-3xl text-caution">
            {problem}
          </p>
        )}
        <div className="flex items-center gap-5 py-3">
          <ColumnChooser settings={settings} onChoose={(chosen) => patch({ columns: chosen })} />
          {complete && <TableTools table={table} fileName={`${study.name} descriptives`} />}
          {!complete && slow && (
            <ProgressLine
              label={`Describing ${subjects.length} columns`}
              progress={{ what: 'done', done: computed, total: subjects.length }}
              onStop={stop}
            />
          )}
        </div>
        <ValueTableView table={table} tools={false} stickyHead className="" />
        <p className="mt-3 max-w-3xl text-[13px] text-muted">
          SD and variance with divisor n − 1; quartiles by linear interpolation; skewness G₁ and excess kurtosis G₂, adjusted for n.
        </p>
      </div>
    </>
  );
}

interface ColumnChooserProps {
  readonly settings: ShapeSettings;
  readonly onChoose: (columns: DescriptiveColumn[]) => void;
}

function ColumnChooser({ settings, onChoose }: ColumnChooserProps) {
  const { columns } = settings;
  return (
    <PopoverEditor
      label="Columns of the table"
      trigger={
        <>
          <Columns3 size={14} aria-hidden="true" /> Columns
        </>
      }
      width="w-64"
    >
      {() => (
        <>
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
        </>
      )}
    </PopoverEditor>
  );
}
