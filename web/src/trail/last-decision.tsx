import type { Study } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import type { FormEvent } from 'react';
import { trailQuery } from '../api/queries';
import { useReadOnly } from '../study/read-only';
import { useStudyChanges } from '../study/use-study-changes';

/** The decision made last since a revision was opened, to be explained or taken back at once. */
export function LastDecision({ study, since }: { study: Study; since: number }) {
  const readOnly = useReadOnly();
  const { data: trail } = useQuery(trailQuery(study.id, study.head));
  const { undo, setReason } = useStudyChanges(study);
  const decision = trail?.decisions[0];
  if (!decision || readOnly || decision.number !== study.head || study.head <= since) {
    return (
      <p className="border-t border-rule px-5 py-1.5 text-[13px] text-muted">
        Double-click or Enter corrects a cell; click row numbers to select rows; a column’s head opens its menu.
      </p>
    );
  }
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const reason = String(new FormData(event.currentTarget).get('why') ?? '').trim();
    if (reason) setReason.mutate({ number: decision.number, reason });
  };
  return (
    <div className="flex items-center gap-3 border-t border-edge px-5 py-1.5" role="region" aria-label="Last decision">
      <p className="min-w-0 truncate" role="status">
        {decision.summary}
      </p>
      {decision.reason ? (
        <p className="min-w-0 truncate font-serif text-[15px] text-muted">{decision.reason}</p>
      ) : (
        <form onSubmit={submit} className="flex shrink-0 items-center gap-2" key={decision.number}>
          <input name="why" className="field w-52 py-0.5" placeholder="Why? (goes into the trail)" aria-label="Why" maxLength={1000} />
          <button type="submit" className="button-quiet" disabled={setReason.isPending}>
            Keep the reason
          </button>
        </form>
      )}
      <button type="button" className="button-quiet ml-auto shrink-0" disabled={undo.isPending} onClick={() => undo.mutate()}>
        Take back
      </button>
    </div>
  );
}
