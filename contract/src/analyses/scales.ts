import { z } from 'zod';
import { methodSchema } from '../methods';
import { numberOrNullSchema, variableIdSchema } from './schemas';
import { shapeResultSchema } from './shape';

/** A variable on other scales beside its own, and what its correlations become. */
export const scalesRequestSchema = z.object({
  kind: z.literal('scales'),
  variable: variableIdSchema,
  /** Variables with which it is correlated on each scale. */
  others: z.array(variableIdSchema).max(60),
});

/** The scales that are compared, the variable's own first. */
export const COMPARED_SCALES = [
  'raw',
  'sqrt',
  'cube-root',
  'log10',
  'reciprocal',
  'square',
  'box-cox',
  'yeo-johnson',
  'rank-normal',
] as const;
export type ComparedScale = (typeof COMPARED_SCALES)[number];

export const scalesResultSchema = z.object({
  kind: z.literal('scales'),
  variable: z.string(),
  scales: z.array(
    z.object({
      scale: z.enum(COMPARED_SCALES),
      /** Why it cannot be taken: how many values stand in its way, and what to add to each so that it can. */
      refused: z
        .object({
          because: z.enum(['values-not-positive', 'negative-values', 'zeros-or-both-signs', 'no-variation']),
          count: z.number().int(),
          shift: numberOrNullSchema,
        })
        .nullable(),
      /** Whether the order is turned round, so that every correlation changes its sign. */
      reversed: z.boolean(),
      shape: shapeResultSchema.nullable(),
      correlations: z.array(z.object({ with: z.string(), coefficients: z.record(methodSchema, numberOrNullSchema) })),
    }),
  ),
});
export type ScalesResult = z.infer<typeof scalesResultSchema>;
