import { z } from 'zod';
import { methodSchema } from '../methods';
import { intervalSchema, levelSchema, numberOrNullSchema, rowsField, variableIdSchema } from './schemas';

/** Whether a is tied more closely to b than to c, over the rows complete for all three. */
export const dependentRequestSchema = z.object({
  kind: z.literal('dependent'),
  a: variableIdSchema,
  b: variableIdSchema,
  c: variableIdSchema,
  method: methodSchema,
  level: levelSchema,
  ...rowsField,
});
export const dependentResultSchema = z.object({
  kind: z.literal('dependent'),
  n: z.number().int(),
  ab: numberOrNullSchema,
  ac: numberOrNullSchema,
  bc: numberOrNullSchema,
  /** Of the difference of the coefficients, by a test for dependent ones; ranks have the interval alone. */
  williams: z.object({ t: numberOrNullSchema, df: z.number(), pValue: numberOrNullSchema }).nullable(),
  meng: z.object({ z: numberOrNullSchema, pValue: numberOrNullSchema }).nullable(),
  interval: intervalSchema.nullable(),
});
export type DependentResult = z.infer<typeof dependentResultSchema>;
