import { z } from 'zod';
import { numberOrNullSchema, variableIdSchema } from './schemas';

export const suspiciousRequestSchema = z.object({ kind: z.literal('suspicious') });

const effectSchema = z.object({
  mean: numberOrNullSchema,
  sd: numberOrNullSchema,
  meanWithout: numberOrNullSchema,
  sdWithout: numberOrNullSchema,
  correlations: z.array(z.object({ with: variableIdSchema, r: numberOrNullSchema, rWithout: numberOrNullSchema })),
});
/** Something in the table that should be looked at. */
export const suspicionSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('value'),
    reason: z.enum(['below-range', 'above-range', 'decimal-slip', 'far-out']),
    variable: variableIdSchema,
    /** Row number from 1. */
    row: z.number().int(),
    value: z.number(),
    suggestion: z.number().nullable(),
    effect: effectSchema,
  }),
  /** A number that stands apart and often means "missing". */
  z.object({
    type: z.literal('missing-code'),
    variable: variableIdSchema,
    value: z.number(),
    count: z.number().int(),
    /** The first of the rows that hold it, from 1. */
    rows: z.array(z.number().int()),
    /** Other variables that hold it too, apart from their other values. */
    also: z.array(variableIdSchema),
    effect: effectSchema,
  }),
  z.object({ type: z.literal('duplicated-rows'), rows: z.array(z.number().int()) }),
  z.object({ type: z.literal('constant'), variable: variableIdSchema, value: numberOrNullSchema }),
  z.object({ type: z.literal('repeated-identifier'), variable: variableIdSchema, values: z.number().int(), rows: z.number().int() }),
]);
export type Suspicion = z.infer<typeof suspicionSchema>;
export const suspiciousResultSchema = z.object({
  kind: z.literal('suspicious'),
  suspicions: z.array(suspicionSchema),
  /** Values that were found beyond those listed. */
  more: z.number().int(),
});
export type SuspiciousResult = z.infer<typeof suspiciousResultSchema>;
