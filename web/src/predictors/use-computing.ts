import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Remote, wrap } from 'comlink';
import type { PredictorComputing } from './computing';

let computing: Remote<PredictorComputing> | null = null;

/** Made when it is first needed, and kept. */
function worker(): Remote<PredictorComputing> {
  computing ??= wrap<PredictorComputing>(new Worker(new URL('./predictors.worker.ts', import.meta.url), { type: 'module' }));
  return computing;
}

type Task = keyof PredictorComputing;

/** A result with what it was computed for, so that numbers never stand beside names that came later. */
export interface Computed<Facts, Found> {
  readonly facts: Facts;
  readonly found: Found;
}

/**
 * Something computed from the triangle beside the page; the former stays until the new one is there.
 * @param of what the triangle is of, by which the result is kept
 * @param args null while they are not there yet
 * @param facts handed back with the result
 */
export function useComputing<T extends Task, Facts>(
  task: T,
  of: readonly unknown[],
  args: Parameters<PredictorComputing[T]> | null,
  facts: Facts,
) {
  return useQuery({
    queryKey: ['predictors', task, of, args?.slice(1) ?? null],
    queryFn: async (): Promise<Computed<Facts, ReturnType<PredictorComputing[T]>>> => {
      if (!args) throw new Error('there is nothing to compute from yet');
      const run = worker()[task] as unknown as (...given: readonly unknown[]) => Promise<ReturnType<PredictorComputing[T]>>;
      return { facts, found: await run(...args) };
    },
    enabled: args !== null,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
  });
}
