import { createRoute, z } from '@hono/zod-openapi';
import { newPinSchema, pinSchema, studyIdSchema } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { createApi, jsonBody, jsonResponses } from '../http/api';
import { getStudy } from '../studies/study-repository';
import { deletePin, insertPin, selectPins } from './pin-repository';

const params = z.object({ id: studyIdSchema });

const list = createRoute({
  method: 'get',
  path: '/studies/{id}/pins',
  summary: 'What is pinned for the report, in its order',
  request: { params },
  responses: jsonResponses(z.array(pinSchema), 'The pins'),
});
const add = createRoute({
  method: 'post',
  path: '/studies/{id}/pins',
  summary: 'Pin something for the report',
  request: { params, body: jsonBody(newPinSchema) },
  responses: jsonResponses(pinSchema, 'The pin'),
});
const remove = createRoute({
  method: 'delete',
  path: '/studies/{id}/pins/{pin}',
  summary: 'Take something out of the report',
  request: { params: params.extend({ pin: z.uuid() }) },
  responses: jsonResponses(z.array(pinSchema), 'The pins that are left'),
});

export function pinRoutes(database: Database) {
  return createApi()
    .openapi(list, async (c) => {
      const { id } = c.req.valid('param');
      await getStudy(database, id);
      return c.json(await selectPins(database, id), 200);
    })
    .openapi(add, async (c) => {
      const { id } = c.req.valid('param');
      await getStudy(database, id);
      return c.json(await insertPin(database, id, c.req.valid('json')), 200);
    })
    .openapi(remove, async (c) => {
      const { id, pin } = c.req.valid('param');
      await deletePin(database, id, pin);
      return c.json(await selectPins(database, id), 200);
    });
}
