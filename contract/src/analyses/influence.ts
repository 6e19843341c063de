import { z } from 'zod';
import { methodSchema } from '../methods';
import { alternativeSchema, levelSchema, numberOrNullSchema, pairOfSchema } from './schemas';

/** Which rows matter most for a coefficient. */
export const influenceRequestSchema = pairOfSchema.extend({
  kind: z.literal('influence'),
  method: methodSchema,
  /** Of the tests by which a flipped sign counts, and their level. */
  alternative: alternativeSchema.default('two-sided'),
  alpha: levelSchema.default(0.05),
});
export const influenceResultSchema = z.object({
  kind: z.literal('influence'),
  coefficient: numberOrNullSchema,
  n: z.number().int(),
  /** Number, from 1, of the row that carries the coefficient; null for none. */
  carrying: z.number().int().nullable(),
  /** Those that change it most, most first; rows are numbered from 1. */
  points: z.array(
    z.object({
      row: z.number().int(),
      name: z.string().nullable().default(null),
      x: z.number(),
      y: z.number(),
      without: numberOrNullSchema,
    }),
  ),
});
export type InfluenceResult = z.infer<typeof influenceResultSchema>;
