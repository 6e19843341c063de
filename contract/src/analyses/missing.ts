import { z } from 'zod';
import { variableIdSchema } from './schemas';

/** Which values are missing, and which together. */
export const missingRequestSchema = z.object({ kind: z.literal('missing') });

export const missingResultSchema = z.object({
  kind: z.literal('missing'),
  /** Variables with missing values, most first. */
  variables: z.array(z.object({ id: variableIdSchema, missing: z.number().int() })),
  completeRows: z.number().int(),
  rows: z.number().int(),
  /** Sets of variables that are missing together, with the number of rows where exactly these are; most first. */
  patterns: z.array(z.object({ missing: z.array(variableIdSchema), rows: z.number().int() })),
  /** How many further patterns there are. */
  morePatterns: z.number().int(),
  /** Rows complete for each pair of the variables listed, row-major. */
  pairs: z.array(z.number().int()),
});
export type MissingResult = z.infer<typeof missingResultSchema>;
