import { createRoute, z } from '@hono/zod-openapi';
import { createStudySchema, importPreviewSchema, importSettingsPatchSchema, LARGEST_FILE, studySchema } from '@ivlen/contract';
import { bodyLimit } from 'hono/body-limit';
import type { Database } from '../database/connect';
import { DomainError } from '../errors/domain-error';
import { createApi, jsonBody, jsonResponses } from '../http/api';
import { getStudy } from '../studies/study-repository';
import type { ImportService } from './import-service';

const params = z.object({ id: z.uuid() });
const MEBIBYTE = 1024 * 1024;

const start = createRoute({
  method: 'post',
  path: '/imports',
  summary: 'Read a CSV or TSV file and tell how it would be brought in',
  request: {
    query: z.object({ name: z.string().min(1).max(255) }),
    body: { required: true, content: { 'application/octet-stream': { schema: z.any().openapi({ type: 'string', format: 'binary' }) } } },
  },
  responses: jsonResponses(importPreviewSchema, 'The preview'),
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
  responses: jsonResponses(importPreviewSchema, 'The new preview'),
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
  responses: jsonResponses(studySchema, 'The study'),
});

export function importRoutes(database: Database, imports: ImportService) {
  const api = createApi();
  api.use(
    '/imports',
    bodyLimit({
      maxSize: LARGEST_FILE,
      onError: () => {
        throw new DomainError('too-large', `The file is larger than ${LARGEST_FILE / MEBIBYTE} MB.`, {
          hint: 'Keep only the columns you need, or split the file.',
        });
      },
    }),
  );
  return api
    .openapi(start, async (c) => {
      const bytes = new Uint8Array(await c.req.arrayBuffer());
      return c.json(await imports.start(c.req.valid('query').name, bytes, c.req.raw.signal), 200);
    })
    .openapi(get, async (c) => c.json(await imports.preview(c.req.valid('param').id, c.req.raw.signal), 200))
    .openapi(correct, async (c) => c.json(await imports.correct(c.req.valid('param').id, c.req.valid('json'), c.req.raw.signal), 200))
    .openapi(giveUp, async (c) => {
      await imports.giveUp(c.req.valid('param').id);
      return c.json({ done: true } as const, 200);
    })
    .openapi(create, async (c) => {
      const { importId, name } = c.req.valid('json');
      const id = await imports.createStudy(importId, name, c.req.raw.signal);
      return c.json(await getStudy(database, id), 200);
    });
}
