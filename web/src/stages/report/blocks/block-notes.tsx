import { useReadOnly } from '../../../study/read-only';
import { type ChangedValue, lookedAt } from '../written-report';
import type { BlockProps } from './block-props';
import { useDifferentSettings } from './use-different-settings';

const MOST_LISTED = 6;

/** What a reader of the draft has to know of a block: numbers that changed under a text, other settings, another state, another window. */
export function BlockNotes({ study, written, report, actions }: BlockProps) {
  const { block, changed, state } = written;
  const readOnly = useReadOnly();
  const different = useDifferentSettings(study, block);
  const { content } = block;
  const pin = state?.pin;
  const notes = [
    content.kind === 'pin' && content.pin.revision !== null
      ? `As of decision ${content.pin.revision}${pin?.undone ? ', which was taken back since' : ''}.`
      : null,
    pin?.gone ? `Something of this is no longer in the study: it stands as it was at decision ${pin.at}.` : null,
    block.beside !== null ? 'This text was written in another window at the same time as the one above. Keep one of them.' : null,
  ].filter((note) => note !== null);
  return (
    <div className="font-sans print:hidden">
      {notes.map((note) => (
        <p key={note} className="my-1 border-l-4 border-rule px-3 py-0.5 text-[13px] text-muted">
          {note}
        </p>
      ))}
      {different && !readOnly && (
        <p className="my-1 border-l-4 border-rule px-3 py-0.5 text-[13px] text-muted" data-testid="other-settings">
          Pinned with other settings than its stage has now: {different.words}.{' '}
          <button type="button" className="button-quiet" onClick={() => actions.change.mutate({ id: block.id, pin: different.brought })}>
            Use today’s settings
          </button>
        </p>
      )}
      {changed.length > 0 && block.text && (
        <p className="my-1 border-l-4 border-caution bg-caution-soft px-3 py-1 text-[13px]" data-testid="changed-values">
          Under this text {changed.length === 1 ? 'a number has' : `${changed.length} numbers have`} changed:{' '}
          {changed.slice(0, MOST_LISTED).map(changedInWords).join('; ')}
          {changed.length > MOST_LISTED ? `; and ${changed.length - MOST_LISTED} more` : ''}.{' '}
          {!readOnly && (
            <button
              type="button"
              className="button-quiet"
              onClick={() => block.text && actions.change.mutate({ id: block.id, text: lookedAt(block.text, report.values, study.head) })}
            >
              Looked at
            </button>
          )}
        </p>
      )}
    </div>
  );
}

/** "r was −.42 at decision 14, is −.39 now". */
export function changedInWords({ name, was, is, at }: ChangedValue): string {
  const plain = (text: string) => text.replace(/^= /, '');
  if (is === null) return `${plain(was)}, of decision ${at}, is no longer told, since its sentence is built otherwise now`;
  return `${name || 'a number'} was ${plain(was)} at decision ${at}, is ${plain(is)} now`;
}
