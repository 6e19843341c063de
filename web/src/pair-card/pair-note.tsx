import { pairKey } from '@ivlen/contract';
import { type FormEvent, useId, useState } from 'react';
import { PinButton } from '../pins/pin-button';
import { useReadOnly } from '../study/read-only';
import { useStudyChanges } from '../study/use-study-changes';
import { type PairContext, pairWords, pinnedSection } from './pair-request';

/** A note about the pair, kept with the study. */
export function PairNote({ context }: { context: PairContext }) {
  const {
    study,
    pair: { x, y },
  } = context;
  const stored = study.state.pairNotes[pairKey(x.id, y.id)] ?? '';
  const [text, setText] = useState(stored);
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const field = useId();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    change.mutate({ change: { type: 'note-pair', pair: [x.id, y.id], text: text.trim() } });
  };
  if (readOnly) return <p className="whitespace-pre-wrap">{stored || 'No note was written.'}</p>;
  return (
    <form onSubmit={submit}>
      <label htmlFor={field} className="sr-only">
        Note about the pair
      </label>
      <textarea
        id={field}
        className="field w-full"
        rows={3}
        maxLength={4000}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <p className="mt-1 flex items-baseline gap-4">
        <button type="submit" className="button" disabled={change.isPending || text.trim() === stored}>
          Keep the note
        </button>
        {stored !== '' && <PinButton study={study} pinned={pinnedSection(context, 'note', `Note about ${pairWords(context)}`)} />}
      </p>
    </form>
  );
}
