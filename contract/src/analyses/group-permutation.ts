import { z } from 'zod';
import { methodSchema } from '../methods';
import { groupsOfSchema } from './groups';
import { numberOrNullSchema, pairOfSchema } from './schemas';

/** Whether groups differ in a pair, by shuffling rows among them. */
export const groupPermutationRequestSchema = pairOfSchema.extend({
  kind: z.literal('group-permutation'),
  groups: groupsOfSchema,
  method: methodSchema,
  times: z.number().int().min(99).max(1_000_000),
  seed: z.number().int().min(0).max(2_147_483_647),
});
export const groupPermutationResultSchema = z.object({
  kind: z.literal('group-permutation'),
  q: numberOrNullSchema,
  pValue: numberOrNullSchema,
  asExtreme: z.number().int(),
  times: z.number().int(),
  seed: z.number().int(),
  /** How many groups take no part: too small, constant, or exactly linear. */
  untested: z.number().int(),
});
export type GroupPermutationResult = z.infer<typeof groupPermutationResultSchema>;
