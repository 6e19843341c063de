import { createRoute, z } from '@hono/zod-openapi';
import {
  blockQuerySchema,
  categoriesSchema,
  findQuerySchema,
  foundCellsSchema,
  locatedSchema,
  locateQuerySchema,
  rowBlockSchema,
  studyIdSchema,
  subsetCountRequestSchema,
  subsetCountSchema,
} from '@ivlen/contract';
import type { Columns } from '../columns/columns';
import type { Database } from '../database/connect';
import { createApi, jsonBody, jsonResponses } from '../http/api';
import { getTable } from '../studies/study-repository';
import { categoriesOf } from './categories';
import { findCells } from './find-cells';
import { readBlock } from './row-block';
import { orderOfRows, positionIn } from './row-order';

const params = z.object({ id: studyIdSchema, revision: z.coerce.number().int() });

const block = createRoute({
  method: 'get',
  path: '/studies/{id}/revisions/{revision}/rows',
  summary: 'A block of rows as they are shown',
  request: { params, query: blockQuerySchema },
  responses: jsonResponses(rowBlockSchema, 'The rows'),
});
const find = createRoute({
  method: 'get',
  path: '/studies/{id}/revisions/{revision}/find',
  summary: 'Cells that hold a text',
  request: { params, query: findQuerySchema },
  responses: jsonResponses(foundCellsSchema, 'The cells'),
});
const locate = createRoute({
  method: 'get',
  path: '/studies/{id}/revisions/{revision}/position',
  summary: 'Where a row stands in an order',
  request: { params, query: locateQuerySchema },
  responses: jsonResponses(locatedSchema, 'Its position, from 0'),
});
const categories = createRoute({
  method: 'get',
  path: '/studies/{id}/revisions/{revision}/variables/{variable}/categories',
  summary: 'The different values of a variable',
  request: { params: params.extend({ variable: z.string() }) },
  responses: jsonResponses(categoriesSchema, 'Values and numbers of rows'),
});
const count = createRoute({
  method: 'post',
  path: '/studies/{id}/subset-count',
  summary: 'How many rows fulfil the rules of a subset',
  request: { params: params.pick({ id: true }), body: jsonBody(subsetCountRequestSchema) },
  responses: jsonResponses(subsetCountSchema, 'The numbers'),
});

export function rowRoutes(database: Database, columns: Columns) {
  return createApi()
    .openapi(block, async (c) => {
      const { id, revision } = c.req.valid('param');
      const table = await getTable(database, id, revision);
      return c.json({ rows: await readBlock(database, columns, table, revision, c.req.valid('query')) }, 200);
    })
    .openapi(find, async (c) => {
      const { id, revision } = c.req.valid('param');
      const { text, ...order } = c.req.valid('query');
      return c.json(await findCells(database, columns, await getTable(database, id, revision), text, order), 200);
    })
    .openapi(locate, async (c) => {
      const { id, revision } = c.req.valid('param');
      const { row, ...order } = c.req.valid('query');
      const sorted = await orderOfRows(database, columns, await getTable(database, id, revision), order);
      return c.json({ position: positionIn(sorted, row - 1) }, 200);
    })
    .openapi(categories, async (c) => {
      const { id, revision, variable } = c.req.valid('param');
      return c.json(await categoriesOf(database, columns, await getTable(database, id, revision), variable), 200);
    })
    .openapi(count, async (c) => {
      const { revision, subset } = c.req.valid('json');
      const table = await getTable(database, c.req.valid('param').id, revision);
      const mask = await columns.inSubset(database, table, subset);
      const codes = await columns.reasonCodes(database, table);
      const rows = mask.reduce((sum, value) => sum + value, 0);
      const inUse = mask.reduce((sum, value, row) => sum + (value && (codes?.[row] ?? 0) === 0 ? 1 : 0), 0);
      return c.json({ rows, inUse }, 200);
    });
}
