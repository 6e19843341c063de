import { createRoute, z } from '@hono/zod-openapi';
import { headRequestSchema, reasonRequestSchema, studyIdSchema, studySchema, trailSchema } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { createApi, jsonBody, jsonResponses } from '../http/api';
import { getStudy } from '../studies/study-repository';
import { redo, selectTrail, setReason, undo } from './trail-repository';

const params = z.object({ id: studyIdSchema });

const get = createRoute({
  method: 'get',
  path: '/studies/{id}/trail',
  summary: 'The decisions that led to the study as it stands, newest first',
  request: { params },
  responses: jsonResponses(trailSchema, 'The trail'),
});
const back = createRoute({
  method: 'post',
  path: '/studies/{id}/undo',
  summary: 'Take the last decision back',
  request: { params, body: jsonBody(headRequestSchema) },
  responses: jsonResponses(studySchema, 'The study at its new head'),
});
const forward = createRoute({
  method: 'post',
  path: '/studies/{id}/redo',
  summary: 'Make the decision that was taken back last again',
  request: { params, body: jsonBody(headRequestSchema) },
  responses: jsonResponses(studySchema, 'The study at its new head'),
});
const reason = createRoute({
  method: 'patch',
  path: '/studies/{id}/revisions/{revision}',
  summary: 'Write or correct the reason of a decision',
  request: { params: params.extend({ revision: z.coerce.number().int() }), body: jsonBody(reasonRequestSchema) },
  responses: jsonResponses(trailSchema, 'The trail'),
});

export function trailRoutes(database: Database) {
  return createApi()
    .openapi(get, async (c) => c.json(await selectTrail(database, c.req.valid('param').id), 200))
    .openapi(back, async (c) => {
      const { id } = c.req.valid('param');
      await undo(database, id, c.req.valid('json').expectedHead);
      return c.json(await getStudy(database, id), 200);
    })
    .openapi(forward, async (c) => {
      const { id } = c.req.valid('param');
      await redo(database, id, c.req.valid('json').expectedHead);
      return c.json(await getStudy(database, id), 200);
    })
    .openapi(reason, async (c) => {
      const { id, revision } = c.req.valid('param');
      await setReason(database, id, revision, c.req.valid('json').reason);
      return c.json(await selectTrail(database, id), 200);
    });
}
