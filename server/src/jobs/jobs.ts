import { randomUUID } from 'node:crypto';
import { DomainError } from '../errors/domain-error';

/** How far a job has come: what is counted, how much is done, and of how much; a total of 0 is not known. */
export interface Progress {
  readonly what: string;
  readonly done: number;
  readonly total: number;
}

export interface JobTools {
  readonly signal: AbortSignal;
  /** To be called with what tells the progress whenever it is asked. */
  readonly tell: (progress: () => Progress) => void;
}

/** Work that may take longer than a request should. */
export interface Job<T = unknown> {
  readonly id: string;
  readonly result: Promise<T>;
  progress(): Progress;
  stop(): void;
}

/** Results of finished jobs are kept so long for whoever asks late. */
const KEPT_MS = 10 * 60_000;

/** The jobs that run now, and those that have just ended. */
export class Jobs {
  readonly #jobs = new Map<string, Job>();

  start<T>(work: (tools: JobTools) => Promise<T>): Job<T> {
    const abort = new AbortController();
    let progress = (): Progress => ({ what: '', done: 0, total: 0 });
    const result = work({
      signal: abort.signal,
      tell: (next) => {
        progress = next;
      },
    }).catch((error: unknown) => {
      throw abort.signal.aborted ? stopped() : error;
    });
    const job: Job<T> = { id: randomUUID(), result, progress: () => progress(), stop: () => abort.abort() };
    this.#jobs.set(job.id, job);
    // A failure is told to those who ask for the result; here it only ends the time for which the job is kept.
    void result.catch(() => {}).finally(() => setTimeout(() => this.#jobs.delete(job.id), KEPT_MS).unref());
    return job;
  }

  /** @throws {DomainError} 'no-such-job' */
  get(id: string): Job {
    const job = this.#jobs.get(id);
    if (!job)
      throw new DomainError('no-such-job', 'This work is not under way any more.', { hint: 'Reload the page; start it again if need be.' });
    return job;
  }
}

function stopped(): DomainError {
  return new DomainError('stopped', 'It was stopped. Nothing was stored.');
}
