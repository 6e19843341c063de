import { Readable } from 'node:stream';
import { createRoute, z } from '@hono/zod-openapi';
import { checksumSchema, exportReadySchema, exportRequestSchema, studyIdSchema } from '@ivlen/contract';
import { createApi, jobResponses, jsonBody } from '../http/api';
import { answerOrJob } from '../jobs/answer-or-job';
import type { Jobs } from '../jobs/jobs';
import type { ExportService } from './export-service';

const write = createRoute({
  method: 'post',
  path: '/studies/{id}/exports',
  summary: 'Write the table of a study into a file: CSV, Parquet, or the study archive',
  request: { params: z.object({ id: studyIdSchema }), body: jsonBody(exportRequestSchema) },
  responses: jobResponses(exportReadySchema, 'The file that waits to be fetched'),
});
const checksum = createRoute({
  method: 'get',
  path: '/studies/{id}/revisions/{revision}/checksum',
  summary: 'SHA-256 of the data of a revision, as the study archive holds them in data.csv',
  request: { params: z.object({ id: studyIdSchema, revision: z.coerce.number().int().min(1) }) },
  responses: jobResponses(checksumSchema, 'The checksum, in hexadecimal digits'),
});
const fetchFile = createRoute({
  method: 'get',
  path: '/exports/{id}',
  summary: 'Fetch a written file; it is removed afterwards',
  request: { params: z.object({ id: z.uuid() }) },
  responses: {
    200: {
      description: 'The file',
      content: { 'application/octet-stream': { schema: z.any().openapi({ type: 'string', format: 'binary' }) } },
    },
  },
});

export function exportRoutes(exports: ExportService, jobs: Jobs) {
  return createApi()
    .openapi(write, (c) => {
      const { id } = c.req.valid('param');
      const request = c.req.valid('json');
      return answerOrJob(c, jobs, (tools) => exports.write(id, request, tools));
    })
    .openapi(checksum, (c) => {
      const { id, revision } = c.req.valid('param');
      return answerOrJob(c, jobs, async (tools) => ({ sha256: await exports.checksum(id, revision, tools) }));
    })
    .openapi(fetchFile, async (c) => {
      const { fileName, bytes, stream } = await exports.take(c.req.valid('param').id);
      return c.body(Readable.toWeb(stream) as ReadableStream, 200, {
        'Content-Type': 'application/octet-stream',
        'Content-Length': String(bytes),
        'Content-Disposition': `attachment; filename="${fileName}"`,
      });
    });
}
