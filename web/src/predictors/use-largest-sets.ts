import type { LargestSets } from '@ivlen/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { proxy, wrap } from 'comlink';
import { useState } from 'react';
import type { Progress } from '../api/client';
import type { ModelTerm, PredictorModel } from './predictor-model';
import type { SetsComputing } from './sets-computing';

/** The largest sets of predictors within a limit, sought in a worker of their own that stopping ends. */
export function useLargestSets(
  of: readonly unknown[],
  { triangle }: PredictorModel,
  terms: readonly ModelTerm[],
  limit: number,
  enabled: boolean,
) {
  const client = useQueryClient();
  const [progress, setProgress] = useState<Progress | null>(null);
  const columns = terms.map((term) => term.columns);
  const queryKey = ['predictors', 'sets', of, columns, limit];
  const { data, error, fetchStatus, refetch } = useQuery({
    queryKey,
    queryFn: async ({ signal }): Promise<{ terms: readonly ModelTerm[]; found: LargestSets }> => {
      setProgress(null);
      const worker = new Worker(new URL('./sets.worker.ts', import.meta.url), { type: 'module' });
      const ended = new Promise<never>((_, reject) => {
        signal.addEventListener('abort', () => reject(new DOMException('stopped', 'AbortError')));
      });
      try {
        const tell = proxy((done: number, total: number) => setProgress({ what: 'sets', done, total }));
        return { terms, found: await Promise.race([wrap<SetsComputing>(worker).largest(triangle, columns, limit, tell), ended]) };
      } finally {
        worker.terminate();
      }
    },
    enabled,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return {
    data,
    error,
    progress,
    stopped: enabled && !error && fetchStatus === 'idle' && data === undefined,
    stop: () => void client.cancelQueries({ queryKey }),
    resume: () => void refetch(),
  };
}
