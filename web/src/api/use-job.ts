import { useRef, useState } from 'react';
import type { Progress } from './client';

/** Progress of a job that can be stopped; `run` hands over what `requestJob` takes. */
export function useJob() {
  const [progress, setProgress] = useState<Progress | null>(null);
  const abort = useRef<AbortController | null>(null);
  const run = <T>(work: (options: { signal: AbortSignal; onProgress: (progress: Progress) => void }) => Promise<T>): Promise<T> => {
    abort.current = new AbortController();
    setProgress(null);
    return work({ signal: abort.current.signal, onProgress: setProgress });
  };
  return { run, progress, stop: () => abort.current?.abort() };
}

/** Whether an error only says that the person stopped the work. */
export function wasStopped(error: unknown): boolean {
  return error instanceof DOMException && error.name === 'AbortError';
}
