import type { Study } from '@ivlen/contract';
import { createContext, useContext } from 'react';
import { Link, useParams } from 'react-router';

/** Whether the study is looked at as it was: nothing can be changed there. */
const ReadOnlyContext = createContext(false);

export const ReadOnly = ReadOnlyContext.Provider;

export function useReadOnly(): boolean {
  return useContext(ReadOnlyContext);
}

/** The address under which the stages of the study on screen are: of today's, or of one of its revisions. */
export function useStudyPath(): string {
  const { id, revision } = useParams();
  return revision === undefined ? `/studies/${id}` : `/studies/${id}/at/${revision}`;
}

/** Says that an earlier state is on screen, and leads back. */
export function EarlierStateBand({ study, summary }: { study: Study; summary: string | undefined }) {
  const { stage } = useParams();
  return (
    <div role="status" className="flex items-baseline gap-4 border-b border-caution bg-caution-soft px-4 py-1.5">
      <p className="min-w-0 flex-1 truncate">
        <strong>The study as it was at revision {study.head}</strong>
        {summary ? `, after: ${summary}.` : '.'} Nothing can be changed here.
      </p>
      <Link to={`/studies/${study.id}/${stage ?? 'data'}`} className="button py-0.5">
        Back to today’s state
      </Link>
    </div>
  );
}
