import { z } from 'zod';
import { groupsOfSchema } from './groups';
import { numberOrNullSchema, rowsField, variableIdSchema } from './schemas';

/** Whether whole matrices of Pearson's r are equal across groups, over the rows complete for all variables. */
export const equalMatricesRequestSchema = z.object({
  kind: z.literal('equal-matrices'),
  variables: z.array(variableIdSchema).min(2).max(200),
  groups: groupsOfSchema,
  ...rowsField,
});
export const equalMatricesResultSchema = z.object({
  kind: z.literal('equal-matrices'),
  /** Complete rows of each group. */
  n: z.array(z.number().int()),
  statistic: numberOrNullSchema,
  df: z.number(),
  pValue: numberOrNullSchema,
  /** Some group is too small for the level to hold. */
  rejectsTooOften: z.boolean(),
  because: z.enum(['too-few-groups', 'too-few-cases', 'singular', 'not-a-correlation-matrix', 'constant']).nullable(),
});
export type EqualMatricesResult = z.infer<typeof equalMatricesResultSchema>;
