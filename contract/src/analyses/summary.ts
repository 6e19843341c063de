import { z } from 'zod';
import { variableIdSchema } from './schemas';

/** All variables in a few numbers and a sparkline each. */
export const summaryRequestSchema = z.object({ kind: z.literal('summary') });

export const summaryResultSchema = z.object({
  kind: z.literal('summary'),
  /** One for each variable of the study, in its order. */
  variables: z.array(
    z.object({
      id: variableIdSchema,
      n: z.number().int(),
      missing: z.number().int(),
      /** How many different values there are. */
      distinct: z.number().int(),
      /** Counts of an equal-width histogram; empty where the values are not numbers. */
      bins: z.array(z.number().int()),
    }),
  ),
});
export type SummaryResult = z.infer<typeof summaryResultSchema>;
export type VariableSummary = SummaryResult['variables'][number];
