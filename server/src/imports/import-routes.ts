import { createRoute, z } from '@hono/zod-openapi';
import { createStudySchema, importPreviewSchema, importSettingsPatchSchema, LARGEST_FILE, studySchema } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { createApi, jobResponses, jsonBody, jsonResponses } from '../http/api';
import { sentBody, toldLength } from '../http/sent-body';
import { answerOrJob } from '../jobs/answer-or-job';
import type { Jobs } from '../jobs/jobs';
import { getStudy } from '../studies/study-repository';
import type { ImportService } from './import-service';
import { tooLarge } from './spool';

const params = z.object({ id: z.uuid() });
/** Without characters that no name has, and that cannot be stored. */
const fileNameSchema = z
  .string()
  .min(1)
  .max(255)
  .transform((name) => name.replaceAll('\u0000', '') || 'file');

const start = createRoute({
  method: 'post',
  path: '/imports',
  summary: 'Read a file (text, workbook, Parquet, JSON) and tell how it would be brought in',
  request: {
    query: z.object({ name: fileNameSchema }),
    body: { required: true, content: { 'application/octet-stream': { schema: z.any().openapi({ type: 'string', format: 'binary' }) } } },
  },
  responses: jobResponses(importPreviewSchema, 'The preview'),
});
const get = createRoute({
  method: 'get',
  path: '/imports/{id}',
  summary: 'The preview of a file that waits',
  request: { params },
  responses: jsonResponses(importPreviewSchema, 'The preview'),
});
const correct = createRoute({
  method: 'patch',
  path: '/imports/{id}',
  summary: 'Read the file again under corrected settings',
  request: { params, body: jsonBody(importSettingsPatchSchema) },
  responses: jobResponses(importPreviewSchema, 'The new preview'),
});
const giveUp = createRoute({
  method: 'delete',
  path: '/imports/{id}',
  summary: 'Give a waiting file up',
  request: { params },
  responses: jsonResponses(z.object({ done: z.literal(true) }), 'Forgotten'),
});
const create = createRoute({
  method: 'post',
  path: '/studies',
  summary: 'Make a study of a waiting file',
  request: { body: jsonBody(createStudySchema) },
  responses: jobResponses(studySchema, 'The study'),
});

export function importRoutes(database: Database, imports: ImportService, jobs: Jobs) {
  return createApi()
    .openapi(start, async (c) => {
      const told = toldLength(c);
      if (told > LARGEST_FILE) throw tooLarge();
      const file = await imports.receive(c.req.valid('query').name, told, sentBody(c), c.req.raw.signal);
      return answerOrJob(c, jobs, (tools) => imports.read(file, tools));
    })
    .openapi(get, async (c) => c.json(await imports.preview(c.req.valid('param').id), 200))
    .openapi(correct, (c) => {
      const { id } = c.req.valid('param');
      const patch = c.req.valid('json');
      return answerOrJob(c, jobs, (tools) => imports.correct(id, patch, tools));
    })
    .openapi(giveUp, async (c) => {
      await imports.giveUp(c.req.valid('param').id);
      return c.json({ done: true } as const, 200);
    })
    .openapi(create, (c) => {
      const { importId, name } = c.req.valid('json');
      return answerOrJob(c, jobs, async (tools) => getStudy(database, await imports.createStudy(importId, name, tools)));
    });
}
