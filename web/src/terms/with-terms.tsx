import { Term } from './term';
import { termIn } from './term-in';

/** A short text whose first term explains itself; without one, the text as it is. */
export function WithTerms({ text }: { text: string }) {
  const place = termIn(text);
  if (!place) return text;
  const { term, before, word, after } = place;
  return (
    <>
      {before}
      <Term of={term}>{word}</Term>
      {after}
    </>
  );
}
