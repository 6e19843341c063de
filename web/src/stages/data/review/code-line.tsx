import type { Change, Study, Suspicion } from '@ivlen/contract';
import { useReadOnly } from '../../../study/read-only';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';
import { ValueTableView } from '../../../tables/value-table-view';
import { effectTable } from './effect-table';

interface CodeLineProps {
  readonly study: Study;
  readonly suspicion: Extract<Suspicion, { type: 'missing-code' }>;
  readonly onShowRow: (row: number) => void;
}

/** A number that may stand for "no value": what it does to the results, and what it means. */
export function CodeLine({ study, suspicion, onShowRow }: CodeLineProps) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const { variables } = study.state;
  const variable = variables.find(({ id }) => id === suspicion.variable);
  if (!variable) return null;
  const { value, count, rows, also, effect } = suspicion;
  const [name, code] = [displayName(variable), String(value).replace('-', '−')];
  const others = variables.filter(({ id }) => also.includes(id));
  const [first = 1] = rows;
  const answer = (to: Change) => change.mutate({ change: to });
  const means = (ids: string[]): Change => ({ type: 'mean-missing', code: String(value), variables: ids });
  return (
    <li className="py-3" aria-label={`${name}, ${code} in ${count === 1 ? 'one row' : `${count} rows`}`}>
      <p>
        <strong>
          {name} {code}
        </strong>{' '}
        in{' '}
        <button type="button" className="button-quiet" onClick={() => onShowRow(first)}>
          row {first.toLocaleString('en-GB')}
        </button>
        {count > 1 ? ` and ${(count - 1).toLocaleString('en-GB')} more` : ''} stands apart from all other values. Such a number often means
        “missing”.
      </p>
      <div className="w-fit">
        <ValueTableView table={effectTable(study, variable, effect, `${name} with and without ${code}`)} className="mt-1.5 text-[13px]" />
      </div>
      {!readOnly && (
        <div className="mt-2 flex flex-wrap items-center gap-2">
          <button type="button" className="button py-0.5" disabled={change.isPending} onClick={() => answer(means([variable.id]))}>
            {code} means missing
          </button>
          {others.length > 0 && (
            <button
              type="button"
              className="button py-0.5"
              disabled={change.isPending}
              onClick={() => answer(means([variable.id, ...others.map(({ id }) => id)]))}
            >
              In {others.map(displayName).join(', ')} too
            </button>
          )}
          <button
            type="button"
            className="button py-0.5"
            disabled={change.isPending}
            onClick={() => answer({ type: 'accept-value', variable: variable.id, row: first, value })}
          >
            {count === 1 ? 'It is right' : 'They are right'}
          </button>
        </div>
      )}
    </li>
  );
}
