import { z } from 'zod';
import { figureSchema, variableIdSchema } from './schemas';

export const describeRequestSchema = z.object({ kind: z.literal('describe'), variables: z.array(variableIdSchema).max(200) });

export const describeResultSchema = z.object({
  kind: z.literal('describe'),
  variables: z.array(
    z.object({
      id: variableIdSchema,
      n: z.number().int(),
      missing: z.number().int(),
      mean: figureSchema,
      sd: figureSchema,
      se: figureSchema,
      variance: figureSchema,
      median: figureSchema,
      min: figureSchema,
      max: figureSchema,
      range: figureSchema,
      q1: figureSchema,
      q3: figureSchema,
      skewness: figureSchema,
      skewnessSe: figureSchema,
      excessKurtosis: figureSchema,
      excessKurtosisSe: figureSchema,
      bins: z.array(z.number().int()),
    }),
  ),
});
export type VariableDescription = z.infer<typeof describeResultSchema>['variables'][number];
