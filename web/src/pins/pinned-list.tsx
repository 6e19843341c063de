import { pinSchema, type Study } from '@ivlen/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { z } from 'zod';
import { request } from '../api/client';
import { FailureNotice } from '../controls/failure-notice';
import { Skeleton } from '../controls/skeleton';
import { useReadOnly } from '../study/read-only';
import { pinsQuery } from './pin-queries';

/** What is pinned for the report, by title, in its order. */
export function PinnedList({ study }: { study: Study }) {
  const client = useQueryClient();
  const readOnly = useReadOnly();
  const query = pinsQuery(study.id);
  const { data, error } = useQuery(query);
  const remove = useMutation({
    mutationFn: (id: string) => request(`/studies/${study.id}/pins/${id}`, z.array(pinSchema), { method: 'DELETE' }),
    onSuccess: (left) => client.setQueryData(query.queryKey, left),
    onError: (failure) => toast.error(`This was not removed. ${failure.message}`),
  });
  if (error && !data) return <FailureNotice error={error} />;
  if (!data) return <Skeleton label="Reading what is pinned" className="mb-6 h-16" />;
  if (data.length === 0) {
    return <p className="mb-6 text-muted">Nothing is pinned yet. “Pin” stands beside each methods line and in the card of a pair.</p>;
  }
  return (
    <ol className="mb-6 divide-y divide-rule border-y border-rule" aria-label="Pinned for the report">
      {data.map(({ id, title, revision }) => (
        <li key={id} className="flex items-baseline gap-3 py-2">
          <span className="min-w-0 flex-1">
            {title}
            {revision !== null && <span className="text-muted"> (as of decision {revision})</span>}
          </span>
          {!readOnly && (
            <button
              type="button"
              className="text-[13px] text-accent hover:underline"
              aria-label={`Remove: ${title}`}
              onClick={() => remove.mutate(id)}
            >
              Remove
            </button>
          )}
        </li>
      ))}
    </ol>
  );
}
