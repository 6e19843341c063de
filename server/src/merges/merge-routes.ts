import { createRoute, z } from '@hono/zod-openapi';
import { mergeOrderSchema, mergeRequestSchema, mergeSummarySchema, studyIdSchema, studySchema } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { createApi, jobResponses, jsonBody, jsonResponses } from '../http/api';
import { answerOrJob } from '../jobs/answer-or-job';
import type { Jobs } from '../jobs/jobs';
import { getStudy } from '../studies/study-repository';
import type { MergeService } from './merge-service';

const params = z.object({ id: studyIdSchema });

const preview = createRoute({
  method: 'post',
  path: '/studies/{id}/merge-preview',
  summary: 'What a waiting file would add to a study, or change in it',
  request: { params, body: jsonBody(mergeRequestSchema) },
  responses: jsonResponses(mergeSummarySchema, 'What would change'),
});
const merge = createRoute({
  method: 'post',
  path: '/studies/{id}/merges',
  summary: 'Add the rows of a waiting file to a study, or replace its data by them',
  request: { params, body: jsonBody(mergeOrderSchema) },
  responses: jobResponses(studySchema, 'The study at its new head'),
});

export function mergeRoutes(database: Database, merges: MergeService, jobs: Jobs) {
  return createApi()
    .openapi(preview, async (c) => c.json(await merges.preview(c.req.valid('param').id, c.req.valid('json')), 200))
    .openapi(merge, (c) => {
      const { id } = c.req.valid('param');
      const order = c.req.valid('json');
      return answerOrJob(c, jobs, async (tools) => {
        await merges.merge(id, order, tools);
        return getStudy(database, id);
      });
    });
}
