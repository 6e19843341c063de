import type { Study, Suspicion } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../../../api/queries';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { SuspicionLine } from './suspicion-line';

/** Everything in the table that deserves a second look, each with what it does to the results and what can be answered. */
export function SuspiciousList({ study, onShowRow }: { study: Study; onShowRow: (row: number) => void }) {
  const { data, error } = useQuery(analysisQuery(study.id, study.head, { kind: 'suspicious' }));
  if (error && !data) return <FailureNotice error={error} />;
  if (!data) return <Skeleton label="Looking through the table" className="h-64" />;
  if (data.suspicions.length === 0) {
    return (
      <p className="font-serif text-[17px]">
        Nothing stands out: no value outside its stated range or far from the others, no row twice, no identifier repeated, no constant
        column.
      </p>
    );
  }
  return (
    <>
      <p className="mb-3 max-w-3xl font-serif text-[17px]">
        What may be wrong, the likeliest first. A value that is far out may be right all the same; the numbers show how much hangs on it.
      </p>
      <ul className="divide-y divide-rule border-y border-rule">
        {data.suspicions.map((suspicion) => (
          <SuspicionLine key={keyOf(suspicion)} study={study} suspicion={suspicion} onShowRow={onShowRow} />
        ))}
      </ul>
      {data.more > 0 && (
        <p className="mt-2 text-muted">
          {data.more.toLocaleString('en-GB')} more values lie far out; they are listed when these are answered. In a large table some always
          do.
        </p>
      )}
    </>
  );
}

function keyOf(suspicion: Suspicion): string {
  if (suspicion.type === 'value') return `${suspicion.variable} ${suspicion.row}`;
  if (suspicion.type === 'missing-code') return `${suspicion.variable} code ${suspicion.value}`;
  return suspicion.type === 'duplicated-rows' ? suspicion.rows.join(' ') : `${suspicion.type} ${suspicion.variable}`;
}
