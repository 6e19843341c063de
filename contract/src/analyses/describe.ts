import { z } from 'zod';
import { MOST_TICKED } from '../most-ticked';
import { numberOrNullSchema, variableIdSchema } from './schemas';

export const describeRequestSchema = z.object({ kind: z.literal('describe'), variables: z.array(variableIdSchema).max(MOST_TICKED) });

export const describeResultSchema = z.object({
  kind: z.literal('describe'),
  variables: z.array(
    z.object({
      id: variableIdSchema,
      n: z.number().int(),
      missing: z.number().int(),
      mean: numberOrNullSchema,
      sd: numberOrNullSchema,
      se: numberOrNullSchema,
      variance: numberOrNullSchema,
      median: numberOrNullSchema,
      min: numberOrNullSchema,
      max: numberOrNullSchema,
      range: numberOrNullSchema,
      q1: numberOrNullSchema,
      q3: numberOrNullSchema,
      skewness: numberOrNullSchema,
      skewnessSe: numberOrNullSchema,
      excessKurtosis: numberOrNullSchema,
      excessKurtosisSe: numberOrNullSchema,
      bins: z.array(z.number().int()),
    }),
  ),
});
export type VariableDescription = z.infer<typeof describeResultSchema>['variables'][number];
