import { z } from 'zod';
import { methodSchema } from '../methods';
import { NO_REMEDIES, remediesSchema } from '../remedies';
import {
  howSchema,
  numberOrNullSchema,
  ownMethodsSchema,
  pMethodSchema,
  rowsField,
  undefinedBecauseSchema,
  variableIdSchema,
} from './schemas';

/** All pairs among some variables. */
export const correlationRequestSchema = howSchema.extend({
  kind: z.literal('correlation'),
  variables: z.array(variableIdSchema).max(200),
  method: methodSchema,
  /** Variables, or pairs, that have a method of their own. */
  byVariable: ownMethodsSchema,
  /** What was decided for pairs, and for all; a coefficient that a remedy does not fit stays as it is. */
  remedies: remediesSchema.default(NO_REMEDIES),
  ...rowsField,
});
export type CorrelationRequest = z.infer<typeof correlationRequestSchema>;

export const correlationResultSchema = z.object({
  kind: z.literal('correlation'),
  variables: z.array(variableIdSchema),
  /** size × size, row-major; the method that each pair was computed by comes first. */
  methods: z.array(methodSchema),
  coefficient: z.array(numberOrNullSchema),
  pValue: z.array(numberOrNullSchema),
  log10P: z.array(numberOrNullSchema),
  n: z.array(z.number().int()),
  low: z.array(numberOrNullSchema),
  high: z.array(numberOrNullSchema),
  pMethod: z.array(pMethodSchema),
  undefinedBecause: z.array(undefinedBecauseSchema.nullable()),
  /** Whether a remedy that was decided on has been carried out. */
  remedied: z.array(z.boolean()).default([]),
});
export type CorrelationResult = z.infer<typeof correlationResultSchema>;
