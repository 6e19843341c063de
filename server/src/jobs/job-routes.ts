import { createRoute, z } from '@hono/zod-openapi';
import type { JobEvent } from '@ivlen/contract';
import { streamSSE } from 'hono/streaming';
import type { Disk } from '../disk/disk';
import { errorBody } from '../errors/error-handler';
import { createApi, jsonResponses } from '../http/api';
import type { Jobs } from './jobs';

const params = z.object({ id: z.uuid() });
const TOLD_EVERY_MS = 200;

const events = createRoute({
  method: 'get',
  path: '/jobs/{id}/events',
  summary: 'How far a job has come, then its result, as server-sent events',
  request: { params },
  responses: { 200: { description: 'Events', content: { 'text/event-stream': { schema: z.string() } } } },
});
const stop = createRoute({
  method: 'delete',
  path: '/jobs/{id}',
  summary: 'Stop a job; nothing of it is stored',
  request: { params },
  responses: jsonResponses(z.object({ done: z.literal(true) }), 'It is stopped'),
});

export function jobRoutes(jobs: Jobs, disk: Disk) {
  return createApi()
    .openapi(events, (c) => {
      const job = jobs.get(c.req.valid('param').id);
      return streamSSE(c, async (stream) => {
        const send = (event: JobEvent) => stream.writeSSE({ data: JSON.stringify(event) });
        let ended: JobEvent | null = null;
        const end = job.result.then(
          (result): JobEvent => ({ type: 'done', result }),
          (error): JobEvent => ({ type: 'failed', error: errorBody(error, disk) }),
        );
        while (!ended && !stream.aborted) {
          await send({ type: 'progress', ...job.progress() });
          ended = await Promise.race([end, new Promise<null>((resolve) => setTimeout(resolve, TOLD_EVERY_MS, null))]);
        }
        if (ended) await send(ended);
      });
    })
    .openapi(stop, (c) => {
      jobs.get(c.req.valid('param').id).stop();
      return c.json({ done: true } as const, 200);
    });
}
