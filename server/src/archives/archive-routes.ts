import { createRoute, z } from '@hono/zod-openapi';
import { LARGEST_FILE, studySchema } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { createApi, jobResponses } from '../http/api';
import { sentBody, toldLength } from '../http/sent-body';
import { tooLarge } from '../imports/spool';
import { answerOrJob } from '../jobs/answer-or-job';
import type { Jobs } from '../jobs/jobs';
import { getStudy } from '../studies/study-repository';
import type { ArchiveService } from './archive-service';

const restore = createRoute({
  method: 'post',
  path: '/archives',
  summary: 'Bring a study archive back as a study',
  request: {
    query: z.object({ name: z.string().min(1).max(255) }),
    body: { required: true, content: { 'application/octet-stream': { schema: z.any().openapi({ type: 'string', format: 'binary' }) } } },
  },
  responses: jobResponses(studySchema, 'The study'),
});

export function archiveRoutes(database: Database, archives: ArchiveService, jobs: Jobs) {
  return createApi().openapi(restore, async (c) => {
    const told = toldLength(c);
    if (told > LARGEST_FILE) throw tooLarge();
    const received = await archives.receive(c.req.valid('query').name, told, sentBody(c), c.req.raw.signal);
    return answerOrJob(c, jobs, async (tools) => getStudy(database, await archives.restore(received, tools)));
  });
}
