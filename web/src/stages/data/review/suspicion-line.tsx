import type { Change, Study, Suspicion } from '@ivlen/contract';
import { type FormEvent, useState } from 'react';
import { PinButton } from '../../../pins/pin-button';
import { useReadOnly } from '../../../study/read-only';
import { SetAsideMenu } from '../../../study/set-aside-menu';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';
import { ValueTableView } from '../../../tables/value-table-view';
import { CodeLine } from './code-line';
import { effectTable, type ValueSuspicion } from './effect-table';
import { OneRowPer } from './one-row-per';
import { oddityInWords, shownValue } from './suspicion-words';

interface SuspicionLineProps {
  readonly study: Study;
  readonly suspicion: Suspicion;
  readonly onShowRow: (row: number) => void;
}

export function SuspicionLine({ study, suspicion, onShowRow }: SuspicionLineProps) {
  if (suspicion.type === 'missing-code') return <CodeLine study={study} suspicion={suspicion} onShowRow={onShowRow} />;
  if (suspicion.type === 'value') return <ValueLine study={study} suspicion={suspicion} onShowRow={onShowRow} />;
  return (
    <li className="flex items-baseline gap-4 py-3">
      <p className="min-w-0 flex-1">{otherInWords(suspicion, study)}</p>
      {suspicion.type === 'repeated-identifier' && <OneRowPer study={study} identifier={suspicion.variable} />}
      {suspicion.type === 'duplicated-rows' && <DuplicateAnswers study={study} rows={suspicion.rows} onShowRow={onShowRow} />}
    </li>
  );
}

/** A single value: what is odd about it, the values with and without it, and the three answers. */
function ValueLine({ study, suspicion, onShowRow }: SuspicionLineProps & { suspicion: ValueSuspicion }) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const [correcting, setCorrecting] = useState(false);
  const [reason, setReason] = useState('');
  const variable = study.state.variables.find(({ id }) => id === suspicion.variable);
  if (!variable) return null;
  const answer = (to: Change, words = '') => {
    const given = words || reason.trim();
    change.mutate({ change: to, ...(given ? { reason: given } : {}) });
  };
  const { row, value } = suspicion;
  const correct = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const text = String(new FormData(event.currentTarget).get('value') ?? '');
    answer({ type: 'edit-cells', variables: [variable.id], rows: [row], cells: [[text]] });
  };
  return (
    <li className="py-3" aria-label={`${displayName(variable)} in row ${row}`}>
      <p>
        <strong>
          {displayName(variable)} {shownValue(value, variable)}
        </strong>{' '}
        in{' '}
        <button type="button" className="button-quiet" onClick={() => onShowRow(row)}>
          row {row.toLocaleString('en-GB')}
        </button>{' '}
        {oddityInWords(suspicion, variable)}{' '}
        <PinButton
          study={study}
          className="align-text-bottom text-[13px]"
          pinned={{
            stage: 'data',
            thing: 'table',
            title: `${displayName(variable)} ${shownValue(value, variable)} in row ${row}`,
            request: { kind: 'suspicious' },
            settings: { view: 'suspicious', variable: variable.id, row, value },
            revision: study.head,
          }}
        />
      </p>
      <div className="w-fit">
        <ValueTableView
          table={effectTable(study, variable, suspicion.effect, `${displayName(variable)} with and without row ${row}`)}
          className="mt-1.5 text-[13px]"
        />
      </div>
      {!readOnly && (
        <div className="mt-2 flex flex-wrap items-center gap-2">
          <input
            className="field w-64 py-0.5"
            aria-label={`Reason for the answer on row ${row}`}
            placeholder="reason, for the trail"
            value={reason}
            maxLength={1000}
            onChange={(event) => setReason(event.target.value)}
          />
          {correcting ? (
            <form onSubmit={correct} className="flex gap-2">
              <input name="value" className="field w-28 py-0.5" aria-label="Correct value" defaultValue={suspicion.suggestion ?? ''} />
              <button type="submit" className="button-primary py-0.5" disabled={change.isPending}>
                Write it
              </button>
              <button type="button" className="button py-0.5" onClick={() => setCorrecting(false)}>
                Cancel
              </button>
            </form>
          ) : (
            <>
              <button type="button" className="button py-0.5" onClick={() => setCorrecting(true)}>
                Correct{suspicion.suggestion === null ? ' …' : ` to ${suspicion.suggestion} …`}
              </button>
              <button
                type="button"
                className="button py-0.5"
                disabled={change.isPending}
                onClick={() => answer({ type: 'edit-cells', variables: [variable.id], rows: [row], cells: [['']] })}
              >
                Make this cell missing
              </button>
              <SetAsideMenu
                label="Set the row aside …"
                disabled={change.isPending}
                onChoose={(because, words) => answer({ type: 'set-aside', choice: { rows: [[row, row]] }, because }, words)}
              />
              <button
                type="button"
                className="button py-0.5"
                disabled={change.isPending}
                onClick={() => answer({ type: 'accept-value', variable: variable.id, row, value })}
              >
                It is right
              </button>
            </>
          )}
        </div>
      )}
    </li>
  );
}

function DuplicateAnswers({ study, rows, onShowRow }: { study: Study; rows: readonly number[]; onShowRow: (row: number) => void }) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const [first = 1, ...others] = rows;
  return (
    <span className="flex shrink-0 gap-2">
      <button type="button" className="button-quiet" onClick={() => onShowRow(first)}>
        Show row {first}
      </button>
      {!readOnly && (
        <SetAsideMenu
          label="Set aside all but the first …"
          disabled={change.isPending}
          onChoose={(because, words) =>
            change.mutate({
              change: { type: 'set-aside', choice: { rows: others.map((row) => [row, row]) }, because },
              ...(words ? { reason: words } : {}),
            })
          }
        />
      )}
    </span>
  );
}

function otherInWords(suspicion: Exclude<Suspicion, { type: 'value' | 'missing-code' }>, study: Study): string {
  if (suspicion.type === 'duplicated-rows') return `Rows ${suspicion.rows.join(', ')} are the same in every cell.`;
  const variable = study.state.variables.find(({ id }) => id === suspicion.variable);
  const name = variable ? displayName(variable) : '';
  if (suspicion.type === 'constant') return `${name} has the same value in every row, so that it has no correlation with anything.`;
  return `${suspicion.values} values of ${name} stand in more than one row (${suspicion.rows} rows). Such rows are not independent of each other: p-values and intervals count them as separate cases and come out too small.`;
}
