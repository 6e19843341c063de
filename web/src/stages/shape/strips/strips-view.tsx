import type { ShapeSettings } from '@ivlen/contract';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { ProgressLine } from '../../../controls/progress-line';
import { useLatest } from '../../../controls/use-latest';
import { MethodsLine } from '../../../methods-line/methods-line';
import { sentenceOf, withEditors } from '../../../methods-line/methods-parts';
import { PinButton } from '../../../pins/pin-button';
import { useShapeMarks } from '../../../settings/use-shape-marks';
import { rowsInWords } from '../../../study/rows-in-use';
import { TermsLine } from '../../../terms/terms-line';
import { pinnedShape } from '../pinned-shape';
import { sentence } from '../sentence';
import { shapeEditors } from '../shape-editors';
import { type ShapeViewProps, showableGroups } from '../shape-view';
import { TESTS } from '../test-words';
import { NUMBER_COLUMNS, type ShapeColumn, type ShapeOrder, sorted, verdictOf } from './shape-columns';
import { type StripSubject, stripSubjects, subjectKey } from './shape-lines';
import { ShapeStrip, STRIP_COLUMNS } from './shape-strip';
import { useShapes } from './use-shapes';

/** Each variable of the working set as a strip, and where groups are shown apart each of them. */
export function StripsView(props: ShapeViewProps) {
  const { study, workingSet, settings, grouping } = props;
  const [params, setParams] = useSearchParams();
  const order = orderIn(params);
  const { variables } = workingSet;
  const { groups, problem } = showableGroups(props);
  const by = grouping?.by ?? null;
  const { marked, rule, known } = useShapeMarks(study, variables);
  const onlyMarked = params.get('only') === 'marked' && known;
  const shown = useMemo(() => (onlyMarked ? variables.filter(({ id }) => marked.has(id)) : variables), [variables, marked, onlyMarked]);
  const subjects = useMemo(() => stripSubjects(shown, by, groups), [shown, by, groups]);
  const { shapes, computed, slow, stop } = useShapes(study, subjects, order !== null);
  const set = (name: string, value: string | null) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        if (value === null) next.delete(name);
        else next.set(name, value);
        return next;
      },
      { replace: true },
    );
  const toggle = useLatest((subject: StripSubject, open: boolean) => set('open', open ? subjectKey(subject) : null));
  const lines = sorted(
    subjects.map((subject, i) => ({ subject, shape: shapes[i] })),
    order,
    settings.test,
  );
  const said = sentence(settings, { variables: variables.length, rows: rowsInWords(study), grouping });
  const pooled = shapes.flatMap((shape, i) => (shape && !subjects[i]?.group ? [shape] : []));
  return (
    <>
      <MethodsLine parts={withEditors(said, shapeEditors(props))}>
        <PinButton study={study} pinned={pinnedShape(variables, settings, 'each', sentenceOf(said))} />
      </MethodsLine>
      <div className="min-h-0 flex-1 overflow-auto px-5 pb-8">
        {problem && (
          <p role="status" className="mt-3 max-w-3xl text-caution">
            {problem}
          </p>
        )}
        {onlyMarked && (
          <p role="status" className="mt-3">
            {shown.length === 0 ? 'None of the variables' : `Only the ${shown.length} of ${variables.length} variables`} that{' '}
            {shown.length === 1 ? 'is' : 'are'} marked beyond {rule}.{' '}
            <button type="button" className="button-quiet" onClick={() => set('only', null)}>
              Show all
            </button>
          </p>
        )}
        <div role="table" aria-label={`Shape of ${shown.length} variables`} className="min-w-[900px]">
          <Head settings={settings} order={order} onSort={(column) => set('sort', nextOrder(order, column))} />
          {lines.map(({ subject }) => {
            const key = subjectKey(subject);
            return (
              <ShapeStrip
                key={key}
                study={study}
                subject={subject}
                settings={settings}
                open={params.get('open') === key}
                onToggle={toggle}
              />
            );
          })}
        </div>
        <div className="mt-3">
          {slow && computed < subjects.length && (
            <ProgressLine
              label={`Computing ${subjects.length} shapes`}
              progress={{ what: 'done', done: computed, total: subjects.length }}
              onStop={stop}
            />
          )}
          {!onlyMarked && pooled.length === variables.length && pooled.length > 1 && (
            <p className="text-muted" role="status">
              {markedInWords(pooled.filter((shape) => verdictOf(shape, settings).marked).length, pooled.length)}
            </p>
          )}
        </div>
        <Legend test={settings.test ? TESTS[settings.test].name : null} />
      </div>
    </>
  );
}

interface HeadProps {
  readonly settings: ShapeSettings;
  readonly order: ShapeOrder | null;
  readonly onSort: (column: ShapeColumn) => void;
}

function Head({ settings, order, onSort }: HeadProps) {
  const button = (column: ShapeColumn, name: string, align: string) => {
    const direction = order?.column !== column ? 'none' : order.descending ? 'descending' : 'ascending';
    return (
      <div key={column} role="columnheader" aria-sort={direction} className={align}>
        <button type="button" className="inline-flex items-center gap-0.5 hover:text-accent" onClick={() => onSort(column)}>
          {name}
          {direction === 'ascending' && <ArrowUp size={12} aria-hidden="true" />}
          {direction === 'descending' && <ArrowDown size={12} aria-hidden="true" />}
        </button>
      </div>
    );
  };
  return (
    <div role="rowgroup" className="sticky top-0 z-10 border-b border-edge bg-paper pt-3 pb-1 text-[13px] text-muted">
      <div role="row" className="grid items-end gap-x-2" style={{ gridTemplateColumns: STRIP_COLUMNS }}>
        {button('name', 'variable', 'pl-5')}
        <div role="columnheader">distribution</div>
        <div role="columnheader">quantiles</div>
        {NUMBER_COLUMNS.map(({ id, name }) => button(id, id === 'test' && settings.test ? TESTS[settings.test].name : name, 'text-right'))}
        <div role="columnheader">in words</div>
      </div>
    </div>
  );
}

function Legend({ test }: { test: string | null }) {
  const names = ['quantiles', ...NUMBER_COLUMNS.map(({ name }) => name), 'SE', 'whiskers'];
  return (
    <div className="mt-4 max-w-4xl space-y-1.5">
      <TermsLine names={names.map((name) => (name === 'test' ? (test ?? '') : name))} />
      <p className="text-[13px] text-muted">
        Bars with the kernel density (line) and the normal curve of the same mean and SD (dashed); below them quartiles, median and
        whiskers, and the values outside the fences as ticks. The quantile plot’s band holds all points of 95 in 100 normal samples of the
        same size; squares lie outside it.
      </p>
    </div>
  );
}

function markedInWords(marked: number, all: number): string {
  if (marked === 0) return `None of the ${all} variables is marked by the rule.`;
  return `${marked} of the ${all} variables ${marked === 1 ? 'is' : 'are'} marked by the rule.`;
}

/** The order that the address says: "-skewness" is the largest first. */
function orderIn(params: URLSearchParams): ShapeOrder | null {
  const wanted = params.get('sort') ?? '';
  const column = (['name', ...NUMBER_COLUMNS.map(({ id }) => id)] as const).find((id) => id === wanted.replace(/^-/, ''));
  return column ? { column, descending: wanted.startsWith('-') } : null;
}

/** Largest first, then smallest first, then as listed; names the other way about. */
function nextOrder(order: ShapeOrder | null, column: ShapeColumn): string | null {
  const first = column !== 'name' && column !== 'test';
  if (order?.column !== column) return first ? `-${column}` : column;
  return order.descending === first ? (first ? column : `-${column}`) : null;
}
