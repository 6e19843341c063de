import { Term } from './term';
import { termIn } from './term-in';
import { TERMS } from './terms';

/** A small sign that explains the term of a name which does something else when it is pressed. */
export function TermMark({ text }: { text: string }) {
  const place = termIn(text);
  if (!place) return null;
  // Without a width of its own, so that it moves no number of the column and breaks no line.
  return (
    <span className="inline-block w-0 align-bottom whitespace-nowrap">
      <Term of={place.term} label={`What ${TERMS[place.term].entry} means`}>
        <span aria-hidden="true" className="pr-1 pl-0.5 text-[11px]">
          ?
        </span>
      </Term>
    </span>
  );
}
