import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { DomainError } from '../errors/domain-error';
import { perform, type Task, type TaskResult } from './tasks';
import { isOutcome } from './worker-outcome';

/** Where tasks are run. */
export interface Workers {
  /** Which build of the computing code runs them: its results are those of no other. */
  readonly version: string;
  /** Aborting ends the task, also in mid-computation. */
  run<T extends Task>(task: T, signal: AbortSignal): Promise<TaskResult<T>>;
  close(): Promise<void>;
}

/** A pool of worker threads. */
export function createWorkerPool(workerFile: string): Workers {
  const pool = new Piscina({
    filename: workerFile,
    // One is always warm; two at least, so that a large file being read does not keep a matrix waiting.
    minThreads: 1,
    maxThreads: Math.max(2, availableParallelism() - 1),
    idleTimeout: 60_000,
  });
  return {
    version: createHash('sha256').update(readFileSync(workerFile)).digest('hex'),
    async run(task, signal) {
      const outcome: unknown = await pool.run(task, { signal });
      if (!isOutcome(outcome)) throw new Error('a worker answered with something else than an outcome');
      if ('refused' in outcome) {
        const { code, message, where, hint } = outcome.refused;
        throw new DomainError(code, message, { ...(where ? { where } : {}), ...(hint ? { hint } : {}) });
      }
      return outcome.result as TaskResult<typeof task>;
    },
    close: () => pool.destroy(),
  };
}

/** The same tasks in this thread, for tests of what surrounds them. */
export function createInlineWorkers(): Workers {
  return {
    version: 'inline',
    run: async (task) => (await perform(task)) as TaskResult<typeof task>,
    close: async () => {},
  };
}
