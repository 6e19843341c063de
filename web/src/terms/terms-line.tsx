import { Fragment } from 'react';
import { Term } from './term';
import { termIn } from './term-in';

/** Terms of names that do something else when they are pressed, such as sorting, each with its words. */
export function TermsLine({ names }: { names: readonly string[] }) {
  const places = names.map(termIn).filter((place) => place !== null);
  const terms = places.filter(({ term }, i) => places.findIndex((other) => other.term === term) === i);
  return (
    <p className="text-[13px] text-muted">
      What the columns say:{' '}
      {terms.map(({ term, word }, i) => (
        <Fragment key={term}>
          {i > 0 && ', '}
          <Term of={term} label={`What ${word} means`}>
            {word}
          </Term>
        </Fragment>
      ))}
      .
    </p>
  );
}
