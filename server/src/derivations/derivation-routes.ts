import { createRoute, z } from '@hono/zod-openapi';
import { derivationPreviewRequestSchema, derivationPreviewSchema, studyIdSchema } from '@ivlen/contract';
import type { Columns } from '../columns/columns';
import type { Database } from '../database/connect';
import { createApi, jsonBody, jsonResponses } from '../http/api';
import { getTable } from '../studies/study-repository';
import { previewDerivation } from './preview-derivation';

const preview = createRoute({
  method: 'post',
  path: '/studies/{id}/derivation-preview',
  summary: 'What a derived variable would be, without storing it',
  request: { params: z.object({ id: studyIdSchema }), body: jsonBody(derivationPreviewRequestSchema) },
  responses: jsonResponses(derivationPreviewSchema, 'The first rows, and what cannot be computed'),
});

export function derivationRoutes(database: Database, columns: Columns) {
  return createApi().openapi(preview, async (c) => {
    const { revision, definition } = c.req.valid('json');
    const table = await getTable(database, c.req.valid('param').id, revision);
    return c.json(await previewDerivation(database, columns, table, definition), 200);
  });
}
