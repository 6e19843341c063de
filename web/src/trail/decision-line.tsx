import type { Decision, Study } from '@ivlen/contract';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { useStudyChanges } from '../study/use-study-changes';

const WHEN = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' });

interface DecisionLineProps {
  readonly study: Study;
  readonly decision: Decision;
  /** The last decision can be taken back; earlier ones after the later ones. */
  readonly isLast: boolean;
  /** Whether it is the state on screen anyway. */
  readonly isShown: boolean;
}

/** One decision: what, when, why; the reason can be written or corrected later. */
export function DecisionLine({ study, decision, isLast, isShown }: DecisionLineProps) {
  const { undo, setReason } = useStudyChanges(study);
  const [editing, setEditing] = useState(false);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const reason = String(new FormData(event.currentTarget).get('reason') ?? '');
    setReason.mutate({ number: decision.number, reason }, { onSuccess: () => setEditing(false) });
  };
  return (
    <li className="px-5 py-3">
      <p>{decision.summary}</p>
      <p className="numerals text-[13px] text-muted">
        {WHEN.format(new Date(decision.created))} · {decision.earlier ? 'before it was archived' : `revision ${decision.number}`}
      </p>
      {editing ? (
        <form onSubmit={submit} className="mt-2 flex gap-2">
          <input name="reason" className="field min-w-0 flex-1" aria-label="Reason" defaultValue={decision.reason ?? ''} maxLength={1000} />
          <button type="submit" className="button py-1" disabled={setReason.isPending}>
            Save
          </button>
          <button type="button" className="button py-1" onClick={() => setEditing(false)}>
            Cancel
          </button>
        </form>
      ) : (
        <p className="mt-1 flex gap-3 text-[13px]">
          {decision.reason && <span className="min-w-0 flex-1 font-serif text-[15px]">{decision.reason}</span>}
          {!decision.earlier && (
            <button type="button" className="button-quiet" onClick={() => setEditing(true)}>
              {decision.reason ? 'Edit the reason' : 'Add a reason'}
            </button>
          )}
          {!isShown && !decision.earlier && (
            <Link to={`/studies/${study.id}/at/${decision.number}/data`} className="button-quiet">
              See the study as it was
            </Link>
          )}
          {isLast && (
            <button type="button" className="button-quiet" disabled={undo.isPending} onClick={() => undo.mutate()}>
              Take back
            </button>
          )}
        </p>
      )}
    </li>
  );
}
