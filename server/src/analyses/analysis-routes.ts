import { createRoute, z } from '@hono/zod-openapi';
import { analysisRequestSchema, analysisResultSchema, studyIdSchema } from '@ivlen/contract';
import type { Context } from 'hono';
import { createApi, jobResponses, jsonBody } from '../http/api';
import { answerOrJob } from '../jobs/answer-or-job';
import type { Jobs } from '../jobs/jobs';
import type { AnalysisService } from './analysis-service';

const params = z.object({ id: studyIdSchema });
const ONE_YEAR = 'private, max-age=31536000, immutable';

const run = createRoute({
  method: 'post',
  path: '/studies/{id}/analyses',
  summary: 'Compute something from a revision of a study',
  request: { params, body: jsonBody(analysisRequestSchema) },
  responses: jobResponses(analysisResultSchema, 'The result'),
});
const values = createRoute({
  method: 'get',
  path: '/studies/{id}/revisions/{revision}/variables/{variable}/values',
  summary: 'The values of a variable as little-endian float64; NaN is missing',
  request: { params: params.extend({ revision: z.coerce.number().int(), variable: z.string() }) },
  responses: {
    200: {
      description: 'Eight bytes for each row',
      content: { 'application/octet-stream': { schema: z.any().openapi({ type: 'string', format: 'binary' }) } },
    },
  },
});

const inUse = createRoute({
  method: 'get',
  path: '/studies/{id}/revisions/{revision}/rows-in-use',
  summary: 'Numbers, from 0, of the rows that are computed with, as little-endian float64',
  request: { params: params.extend({ revision: z.coerce.number().int() }) },
  responses: {
    200: {
      description: 'Eight bytes for each row',
      content: { 'application/octet-stream': { schema: z.any().openapi({ type: 'string', format: 'binary' }) } },
    },
  },
});

export function analysisRoutes(analyses: AnalysisService, jobs: Jobs) {
  return createApi()
    .openapi(run, async (c) => {
      const { revision, analysis } = c.req.valid('json');
      return answerOrJob(c, jobs, (tools) => analyses.run(c.req.valid('param').id, revision, analysis, tools));
    })
    .openapi(values, async (c) => {
      const { id, revision, variable } = c.req.valid('param');
      return numbers(c, `${id}-${revision}-${variable}`, () => analyses.values(id, revision, variable));
    })
    .openapi(inUse, async (c) => {
      const { id, revision } = c.req.valid('param');
      return numbers(c, `${id}-${revision}-rows`, () => analyses.rowsInUse(id, revision));
    });
}

/** A column as raw bytes; what a revision holds never changes. */
async function numbers(c: Context, tag: string, read: () => Promise<Float64Array>): Promise<Response> {
  const headers = { ETag: `"${tag}"`, 'Cache-Control': ONE_YEAR };
  if (c.req.header('if-none-match') === headers.ETag) return c.body(null, 304, headers);
  const column = await read();
  const bytes = new Uint8Array(column.buffer, column.byteOffset, column.byteLength).slice();
  return c.body(bytes, 200, { ...headers, 'Content-Type': 'application/octet-stream' });
}
