import { z } from 'zod';
import { definitionSchema } from './changes';
import { subsetSchema } from './subsets';

/** Rows that one block of the table has; blocks start at multiples of it. */
export const BLOCK_ROWS = 256;

const orderFields = {
  /** The variable to sort by, for looking only; row order without it. */
  sort: z.string().max(40).optional(),
  descending: z.enum(['0', '1']).default('0'),
};
export const rowOrderSchema = z.object(orderFields);
export type RowOrder = z.input<typeof rowOrderSchema>;

export const blockQuerySchema = z.object({ block: z.coerce.number().int().min(0), ...orderFields });
export const findQuerySchema = z.object({ text: z.string().min(1).max(200), ...orderFields });
export const locateQuerySchema = z.object({ row: z.coerce.number().int().min(1), ...orderFields });

/** A cell as it is shown: a number, a text or a date as 2023-05-31; null is missing. */
export const cellSchema = z.union([z.number(), z.string(), z.null()]);
export type Cell = z.infer<typeof cellSchema>;

export const rowSchema = z.object({
  /** From 1; stays with the row for ever. */
  number: z.number().int(),
  /** The place of the reason in the study's list from 1; 0 for a row that is not set aside. */
  setAside: z.number().int(),
  inSubset: z.boolean(),
  /** In the order of the codebook. */
  cells: z.array(cellSchema),
});
export type Row = z.infer<typeof rowSchema>;
export const rowBlockSchema = z.object({ rows: z.array(rowSchema) });

/** Cells that hold a text, in the order in which the rows are shown; `position` counts the shown rows from 0. */
export const foundCellsSchema = z.object({
  total: z.number().int(),
  cells: z.array(z.object({ row: z.number().int(), position: z.number().int(), variable: z.string() })),
});
export type FoundCells = z.infer<typeof foundCellsSchema>;
export const locatedSchema = z.object({ position: z.number().int() });

/** The different values of a variable with the number of rows that have each; null where there are too many to list. */
export const categoriesSchema = z.object({
  /** `value` is as it is stored. */
  categories: z.array(z.object({ text: z.string(), value: z.number(), rows: z.number().int() })).nullable(),
});
export type Categories = z.infer<typeof categoriesSchema>;

export const subsetCountRequestSchema = z.object({ revision: z.number().int(), subset: subsetSchema });
/** Rows that fulfil the rules, and how many of them are not set aside. */
export const subsetCountSchema = z.object({ rows: z.number().int(), inUse: z.number().int() });

export const derivationPreviewRequestSchema = z.object({ revision: z.number().int(), definition: definitionSchema });
const shapeSchema = z.object({ name: z.string(), n: z.number().int(), skewness: z.number().nullable(), bins: z.array(z.number().int()) });
export const derivationPreviewSchema = z.object({
  /** The first rows that have a result or could have one: the sources' values and the result. */
  sources: z.array(z.string()),
  rows: z.array(z.object({ number: z.number().int(), sources: z.array(cellSchema), result: cellSchema })),
  computed: z.number().int(),
  /** Rows that lack a value. */
  missing: z.number().int(),
  /** Rows without a result though they have all values, and the first of them. */
  undefinedCount: z.number().int(),
  undefinedRows: z.array(z.number().int()),
  /** Shapes of the sources that are quantities, and of the result; null where it is none. */
  before: z.array(shapeSchema),
  after: shapeSchema.nullable(),
});
export type DerivationPreview = z.infer<typeof derivationPreviewSchema>;
