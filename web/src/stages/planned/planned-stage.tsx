import type { ReactNode } from 'react';
import { Link } from 'react-router';

/** A stage that is not built yet: one sentence on what will be there. */
export function PlannedStage({ name, sentence, children }: { name: string; sentence: string; children?: ReactNode }) {
  return (
    <div className="mx-auto max-w-xl px-8 py-24">
      <h1 className="mb-3 font-serif text-2xl">{name}</h1>
      <p className="mb-6 font-serif text-lg text-muted">{sentence}</p>
      {children}
      <p className="text-muted">
        This stage is not built yet.{' '}
        <Link to="../correlations" relative="path" className="text-accent underline">
          Go to Correlations
        </Link>
      </p>
    </div>
  );
}
