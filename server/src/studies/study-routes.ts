import { createRoute, z } from '@hono/zod-openapi';
import {
  changeRequestSchema,
  choicesPreviewSchema,
  oneRowPerSchema,
  studyIdSchema,
  studyListItemSchema,
  studyNameSchema,
  studySchema,
} from '@ivlen/contract';
import { changeStudy } from '../changes/change-study';
import { previewChoices } from '../changes/take-over-choices';
import type { Columns } from '../columns/columns';
import type { Database } from '../database/connect';
import { createApi, jsonBody, jsonResponses } from '../http/api';
import { duplicateStudy } from './duplicate-study';
import { oneRowPer } from './one-row-per';
import { getStudy, getStudyAt, listStudies, markDeleted, renameStudy, unmarkDeleted } from './study-repository';

const params = z.object({ id: studyIdSchema });
const nameBody = jsonBody(z.object({ name: studyNameSchema }));
const doneSchema = z.object({ done: z.literal(true) });
const done = { done: true } as const;

const list = createRoute({
  method: 'get',
  path: '/studies',
  summary: 'All studies, the last changed first',
  responses: jsonResponses(z.array(studyListItemSchema), 'The studies'),
});
const get = createRoute({
  method: 'get',
  path: '/studies/{id}',
  summary: 'A study at its head revision',
  request: { params },
  responses: jsonResponses(studySchema, 'The study'),
});
const getAt = createRoute({
  method: 'get',
  path: '/studies/{id}/revisions/{revision}',
  summary: 'A study as it was at a revision',
  request: { params: params.extend({ revision: z.coerce.number().int().min(1) }) },
  responses: jsonResponses(studySchema, 'The study as it was'),
});
const rename = createRoute({
  method: 'patch',
  path: '/studies/{id}',
  summary: 'Rename a study',
  request: { params, body: nameBody },
  responses: jsonResponses(studySchema, 'The study'),
});
const duplicate = createRoute({
  method: 'post',
  path: '/studies/{id}/duplicate',
  summary: 'Make a new study of this one’s data, codebook and settings',
  request: { params },
  responses: jsonResponses(studySchema, 'The new study'),
});
const remove = createRoute({
  method: 'delete',
  path: '/studies/{id}',
  summary: 'Delete a study; it can be restored for 30 days',
  request: { params },
  responses: jsonResponses(doneSchema, 'Deleted'),
});
const restore = createRoute({
  method: 'post',
  path: '/studies/{id}/restore',
  summary: 'Take a deletion back',
  request: { params },
  responses: jsonResponses(studySchema, 'The study'),
});
const choices = createRoute({
  method: 'get',
  path: '/studies/{id}/choices/{from}',
  summary: 'What of another study’s choices would fit this one',
  request: { params: params.extend({ from: studyIdSchema }) },
  responses: jsonResponses(choicesPreviewSchema, 'What fits, and what does not'),
});
const onePer = createRoute({
  method: 'post',
  path: '/studies/{id}/one-row-per',
  summary: 'Make a new study with one row for each value of an identifier',
  request: { params, body: jsonBody(oneRowPerSchema) },
  responses: jsonResponses(studySchema, 'The new study'),
});
const change = createRoute({
  method: 'post',
  path: '/studies/{id}/changes',
  summary: 'Change a study; each change is a new revision',
  request: { params, body: jsonBody(changeRequestSchema) },
  responses: jsonResponses(studySchema, 'The study at its new head'),
});

export function studyRoutes(database: Database, columns: Columns) {
  return createApi()
    .openapi(list, async (c) => c.json(await listStudies(database), 200))
    .openapi(get, async (c) => c.json(await getStudy(database, c.req.valid('param').id), 200))
    .openapi(getAt, async (c) => {
      const { id, revision } = c.req.valid('param');
      return c.json(await getStudyAt(database, id, revision), 200);
    })
    .openapi(rename, async (c) => {
      const { id } = c.req.valid('param');
      await renameStudy(database, id, c.req.valid('json').name);
      return c.json(await getStudy(database, id), 200);
    })
    .openapi(duplicate, async (c) => {
      const copy = await duplicateStudy(database, c.req.valid('param').id);
      return c.json(await getStudy(database, copy), 200);
    })
    .openapi(remove, async (c) => {
      await markDeleted(database, c.req.valid('param').id);
      return c.json(done, 200);
    })
    .openapi(restore, async (c) => {
      const { id } = c.req.valid('param');
      await unmarkDeleted(database, id);
      return c.json(await getStudy(database, id), 200);
    })
    .openapi(choices, async (c) => {
      const { id, from } = c.req.valid('param');
      return c.json(await previewChoices(database, id, from), 200);
    })
    .openapi(onePer, async (c) => {
      const made = await oneRowPer(database, columns, c.req.valid('param').id, c.req.valid('json'));
      return c.json(await getStudy(database, made), 200);
    })
    .openapi(change, async (c) => {
      const { id } = c.req.valid('param');
      await changeStudy(database, columns, id, c.req.valid('json'));
      return c.json(await getStudy(database, id), 200);
    });
}
