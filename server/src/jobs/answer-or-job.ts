import type { Context, TypedResponse } from 'hono';
import type { Jobs, JobTools } from './jobs';

const PATIENCE_MS = 1000;

type Answer<T> = (Response & TypedResponse<T, 200, 'json'>) | (Response & TypedResponse<{ job: string }, 202, 'json'>);

/**
 * Answers with the result if it is there within a second, else with the job that goes on (202). Whoever goes away
 * within that second stops the work.
 */
export async function answerOrJob<T extends object>(c: Context, jobs: Jobs, work: (tools: JobTools) => Promise<T>): Promise<Answer<T>> {
  const job = jobs.start(work);
  const { signal } = c.req.raw;
  signal.addEventListener('abort', job.stop);
  const patience = new Promise<'late'>((resolve) => setTimeout(resolve, PATIENCE_MS, 'late').unref());
  try {
    const first = await Promise.race([job.result.then((result) => ({ result })), patience]);
    if (first === 'late') return c.json({ job: job.id }, 202);
    // What goes through JSON comes out the same here, which the types of the framework cannot know.
    return c.json(first.result, 200) as unknown as Response & TypedResponse<T, 200, 'json'>;
  } finally {
    signal.removeEventListener('abort', job.stop);
  }
}
