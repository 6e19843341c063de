import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { perform, type Task, type TaskResult } from './tasks';
import { isOutcome, resultOf } from './worker-outcome';

/** Where tasks are run. */
export interface Workers {
  /** Which build of the computing code runs them: its results are those of no other. */
  readonly version: string;
  /** In how many parts heavy work is best cut. */
  readonly threads: number;
  /** Aborting ends the task, also in mid-computation. */
  run<T extends Task>(task: T, signal: AbortSignal): Promise<TaskResult<T>>;
  /** The same for a part of heavy work: in threads of its own, so that what is small does not wait for it. */
  runPart<T extends Task>(task: T, signal: AbortSignal): Promise<TaskResult<T>>;
  close(): Promise<void>;
}

/**
 * Pools of worker threads.
 * @param threads for parts of heavy work; as many as the machine has processors
 */
export function createWorkerPool(workerFile: string, threads = availableParallelism()): Workers {
  // One is always warm; two at least, so that a large file being read does not keep a matrix waiting.
  const pool = createPool(workerFile, 1, Math.max(2, availableParallelism() - 1));
  const parts = createPool(workerFile, 0, threads);
  return {
    version: createHash('sha256').update(readFileSync(workerFile)).digest('hex'),
    threads,
    run: (task, signal) => runIn(pool, task, signal),
    runPart: (task, signal) => runIn(parts, task, signal),
    close: async () => {
      await Promise.all([pool.destroy(), parts.destroy()]);
    },
  };
}

function createPool(filename: string, minThreads: number, maxThreads: number): Piscina {
  return new Piscina({ filename, minThreads, maxThreads, idleTimeout: 60_000 });
}

async function runIn<T extends Task>(pool: Piscina, task: T, signal: AbortSignal): Promise<TaskResult<T>> {
  const outcome: unknown = await pool.run(task, { signal });
  if (!isOutcome(outcome)) throw new Error('a worker answered with something else than an outcome');
  return resultOf(outcome) as TaskResult<T>;
}

/** The same tasks in this thread, for tests of what surrounds them. */
export function createInlineWorkers(threads = 1): Workers {
  const run: Workers['run'] = async (task) => (await perform(task)) as TaskResult<typeof task>;
  return { version: 'inline', threads, run, runPart: run, close: async () => {} };
}
