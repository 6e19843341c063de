import { z } from 'zod';
import { numberOrNullSchema, variableIdSchema } from './schemas';

/** So many predictors are looked at together. */
export const MOST_PREDICTORS = 150;

/** A predictor, and how it enters a model. */
export const predictorSchema = z.object({
  variable: variableIdSchema,
  /** As a quantity: one column. By levels: an indicator variable for each but the reference level. */
  as: z.enum(['quantity', 'levels']),
  /** Stored value of the reference level; null, or one that no row has, for the most frequent. */
  reference: z.number().nullable().default(null),
});
export type Predictor = z.infer<typeof predictorSchema>;
export const predictorsSchema = z.array(predictorSchema).min(1).max(MOST_PREDICTORS);

/** What a predictor has become in the rows used. */
export const termSchema = z.object({
  variable: variableIdSchema,
  as: predictorSchema.shape.as,
  /** Numbers of its columns; none where all rows have the same level. */
  columns: z.array(z.number().int()),
  /** Levels that rows have, ascending, by stored value; empty for a quantity. */
  levels: z.array(z.object({ value: z.number(), rows: z.number().int() })),
  /** Stored value of the level that the others are told apart from. */
  reference: z.number().nullable(),
});
export type Term = z.infer<typeof termSchema>;

/** How many rows a variable costs. */
export const rowCostSchema = z.object({
  variable: variableIdSchema,
  /** Rows in use that lack it. */
  missing: z.number().int(),
  /** Rows complete for all others. */
  without: z.number().int(),
});
export type RowCost = z.infer<typeof rowCostSchema>;

/** One column of a model: a quantity, or the indicator of a level. */
export const modelColumnSchema = z.object({
  /** Place of its term. */
  term: z.number().int(),
  level: z.number().nullable(),
});
export type ModelColumn = z.infer<typeof modelColumnSchema>;

/** A column with what of its values is needed to predict and to judge places. */
export const measuredColumnSchema = z.object({
  mean: z.number(),
  /** √Σ(x − x̄)²; 0 where it does not vary. */
  length: z.number(),
  tolerance: z.number(),
  min: numberOrNullSchema,
  max: numberOrNullSchema,
});
