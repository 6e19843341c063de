import { z } from 'zod';
import { measuredColumnSchema, modelColumnSchema, predictorsSchema, rowCostSchema, termSchema } from './predictors';
import { rowsField, variableIdSchema } from './schemas';

/** All that follows from predictors, and an outcome if there is one, without their rows; complete for all of them. */
export const collinearityRequestSchema = z.object({
  kind: z.literal('collinearity'),
  predictors: predictorsSchema,
  outcome: variableIdSchema.nullable().default(null),
  ...rowsField,
});

export const collinearityResultSchema = z.object({
  kind: z.literal('collinearity'),
  /** Rows complete for all. */
  n: z.number().int(),
  rowsInUse: z.number().int(),
  terms: z.array(termSchema),
  /** Of predictors in their order, then the outcome. */
  costs: z.array(rowCostSchema),
  /** Of predictors. */
  columns: z.array(modelColumnSchema),
  /** Of the columns in their order, then the outcome. */
  measured: z.array(measuredColumnSchema),
  /** How many different values the outcome has, three standing for more; null without one. */
  outcomeValues: z.number().int().nullable(),
  /** R of the centred columns of unit length, the outcome last: its upper triangle, row by row. */
  triangle: z.array(z.number()),
});
export type CollinearityResult = z.infer<typeof collinearityResultSchema>;

/** How many rows are complete for some sets of variables. */
export const completeRowsRequestSchema = z.object({
  kind: z.literal('complete-rows'),
  sets: z.array(z.array(variableIdSchema).max(200)).min(1).max(200),
  ...rowsField,
});
export const completeRowsResultSchema = z.object({ kind: z.literal('complete-rows'), counts: z.array(z.number().int()) });
