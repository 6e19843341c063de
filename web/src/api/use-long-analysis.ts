import type { AnalysisInput, Study } from '@ivlen/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { analysisQuery, progressQuery } from './queries';

/** An analysis at the study's head that may take long: what it gave or how far it is, and the way to stop it and to take it up again. */
export function useLongAnalysis<A extends AnalysisInput>(study: Study, analysis: A, { enabled = true }: { enabled?: boolean } = {}) {
  const client = useQueryClient();
  const query = analysisQuery(study.id, study.head, analysis);
  const { data, error, fetchStatus, refetch } = useQuery({ ...query, enabled });
  const { data: progress } = useQuery(progressQuery(query.queryKey));
  const isFetching = fetchStatus === 'fetching';
  return {
    data,
    error,
    isFetching,
    /** null while it does not tell yet. */
    progress: isFetching ? (progress ?? null) : null,
    /** Whether it was stopped before it had anything. */
    stopped: enabled && !error && fetchStatus === 'idle' && data === undefined,
    stop: () => void client.cancelQueries({ queryKey: query.queryKey }),
    resume: () => void refetch(),
  };
}
