import type { Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { analysisQuery } from '../api/queries';
import { CAUTION_WORDS } from '../stages/correlations/caution-words';
import { NO_CAUTIONS_REQUEST, useCautionsRequest } from '../stages/correlations/use-cautions';
import type { PairContext } from './pair-request';
import { ShapeCautions } from './shape-cautions';

/** What a reader should know about this coefficient: first what could change the conclusion. */
export function PairCautions({ context, variables }: { context: PairContext; variables: readonly Variable[] }) {
  const { study, pair, settings, completeFor } = context;
  const both = useMemo(() => [pair.x, pair.y], [pair]);
  const request = useCautionsRequest(study, both, settings);
  const { data } = useQuery({
    ...analysisQuery(study.id, study.head, { ...(request ?? NO_CAUTIONS_REQUEST), completeFor }),
    enabled: request !== undefined && settings.control.length === 0 && variables.length > 0,
  });
  if (settings.control.length > 0)
    return <p className="mt-3 text-[13px] text-muted">Cautions are looked for where nothing is held constant.</p>;
  const cautions = data?.pairs[0]?.cautions ?? [];
  const decisive = cautions.filter(({ level }) => level === 'could-change');
  const notes = cautions.filter(({ level, code }) => level === 'note' && code !== 'shape');
  const shape = cautions.some(({ code }) => code === 'shape');
  if (cautions.length === 0) return data ? <p className="mt-3 text-[13px] text-muted">Nothing to caution against was found.</p> : null;
  return (
    <section aria-label="Cautions" className="mt-3 space-y-2" data-testid="pair-cautions">
      {decisive.map(({ code, figures }) => (
        <p key={code} className="border-l-4 border-caution bg-caution-soft px-3 py-2">
          <span className="sr-only">Could change the conclusion: </span>
          {CAUTION_WORDS[code].sentence(figures)}
        </p>
      ))}
      {shape && <ShapeCautions study={study} pair={pair} />}
      {notes.map(({ code, figures }) => (
        <p key={code} className="border-l-4 border-rule px-3 py-1 text-[13px]">
          {CAUTION_WORDS[code].sentence(figures)}
        </p>
      ))}
      <Link to="/help/cautions" className="text-[13px] text-accent underline">
        When these are raised
      </Link>
    </section>
  );
}
