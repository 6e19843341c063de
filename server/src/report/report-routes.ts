import { createRoute, z } from '@hono/zod-openapi';
import { addBlocksSchema, changeBlockSchema, changedBlockSchema, orderBlocksSchema, reportSchema, studyIdSchema } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { createApi, jsonBody, jsonResponses } from '../http/api';
import { getStudy } from '../studies/study-repository';
import { deleteBlock, insertBlocks, orderBlocks, selectReport, updateBlock } from './report-repository';

const params = z.object({ id: studyIdSchema });
const blockParams = params.extend({ block: z.uuid() });
const answer = jsonResponses(reportSchema, 'The report');

const read = createRoute({
  method: 'get',
  path: '/studies/{id}/report',
  summary: 'The report of a study: its blocks in their order',
  request: { params },
  responses: answer,
});
const add = createRoute({
  method: 'post',
  path: '/studies/{id}/report/blocks',
  summary: 'Add blocks to the report: something pinned, a paragraph',
  request: { params, body: jsonBody(addBlocksSchema) },
  responses: answer,
});
const change = createRoute({
  method: 'patch',
  path: '/studies/{id}/report/blocks/{block}',
  summary: 'Change a block of the report; a text that was made from an older version is kept below the newer one',
  request: { params: blockParams, body: jsonBody(changeBlockSchema) },
  responses: jsonResponses(changedBlockSchema, 'The report'),
});
const remove = createRoute({
  method: 'delete',
  path: '/studies/{id}/report/blocks/{block}',
  summary: 'Take a block out of the report',
  request: { params: blockParams },
  responses: answer,
});
const order = createRoute({
  method: 'put',
  path: '/studies/{id}/report/order',
  summary: 'Put the blocks of the report into an order',
  request: { params, body: jsonBody(orderBlocksSchema) },
  responses: answer,
});

export function reportRoutes(database: Database) {
  const report = async (study: string) => ({ blocks: await selectReport(database, study) });
  return createApi()
    .openapi(read, async (c) => {
      const { id } = c.req.valid('param');
      await getStudy(database, id);
      return c.json(await report(id), 200);
    })
    .openapi(add, async (c) => {
      const { id } = c.req.valid('param');
      const { blocks, ...place } = c.req.valid('json');
      await getStudy(database, id);
      await database.transaction((db) => insertBlocks(db, id, blocks, place));
      return c.json(await report(id), 200);
    })
    .openapi(change, async (c) => {
      const { id, block } = c.req.valid('param');
      const both = await database.transaction((db) => updateBlock(db, id, block, c.req.valid('json')));
      return c.json({ ...(await report(id)), both }, 200);
    })
    .openapi(remove, async (c) => {
      const { id, block } = c.req.valid('param');
      await database.transaction((db) => deleteBlock(db, id, block));
      return c.json(await report(id), 200);
    })
    .openapi(order, async (c) => {
      const { id } = c.req.valid('param');
      await getStudy(database, id);
      await database.transaction((db) => orderBlocks(db, id, c.req.valid('json').ids));
      return c.json(await report(id), 200);
    });
}
