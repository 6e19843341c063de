import { createRoute, z } from '@hono/zod-openapi';
import { readingPreviewRequestSchema, readingPreviewSchema, studyIdSchema } from '@ivlen/contract';
import type { Columns } from '../columns/columns';
import type { Database } from '../database/connect';
import { createApi, jsonBody, jsonResponses } from '../http/api';
import { getTable } from '../studies/study-repository';
import { likeliestReading, previewReading } from './read-texts';
import { textsOf } from './read-variable';

const preview = createRoute({
  method: 'post',
  path: '/studies/{id}/reading-preview',
  summary: 'What the texts of a variable would be as numbers, without storing it',
  request: { params: z.object({ id: studyIdSchema }), body: jsonBody(readingPreviewRequestSchema) },
  responses: jsonResponses(readingPreviewSchema, 'How many cells hold a number, and which do not'),
});

export function readingRoutes(database: Database, columns: Columns) {
  return createApi().openapi(preview, async (c) => {
    const { revision, variable, reading } = c.req.valid('json');
    const table = await getTable(database, c.req.valid('param').id, revision);
    const { texts, codes } = await textsOf(database, columns, table, variable);
    return c.json(previewReading(texts, codes, reading ?? likeliestReading(texts)), 200);
  });
}
