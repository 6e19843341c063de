import { createRoute } from '@hono/zod-openapi';
import { emptiedSchema, spaceSchema } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { createApi, jobResponses, jsonResponses } from '../http/api';
import { answerOrJob } from '../jobs/answer-or-job';
import type { Jobs } from '../jobs/jobs';
import { emptyDeleted } from './empty-deleted';
import { selectSpace } from './space-repository';

const space = createRoute({
  method: 'get',
  path: '/space',
  summary: 'How much the studies take on the disk, and those that were deleted',
  responses: jsonResponses(spaceSchema, 'Studies and bytes'),
});
const empty = createRoute({
  method: 'delete',
  path: '/deleted-studies',
  summary: 'Remove for good all studies that were deleted; none of them can be restored afterwards',
  responses: jobResponses(emptiedSchema, 'What was removed, and the bytes that the disk has back'),
});

/** @param patient a connection whose statements may take their time */
export function spaceRoutes(database: Database, patient: Database, jobs: Jobs) {
  return createApi()
    .openapi(space, async (c) => c.json(await selectSpace(database), 200))
    .openapi(empty, (c) => answerOrJob(c, jobs, (tools) => emptyDeleted(patient, 0, tools)));
}
