import { z } from 'zod';
import { variableIdSchema } from './schemas';

/** More groups than this are not told apart, by eye or by colour and shape. */
export const MOST_COMPARED = 30;

/** Which groups of a variable are compared. */
export const groupsOfSchema = z.object({
  by: variableIdSchema,
  /** Stored values of the groups that take part; null for all. */
  only: z.array(z.number()).max(MOST_COMPARED).nullable().default(null),
  /** Whether the rows without a value of it are a group of their own; else they are left out. */
  withoutOne: z.boolean().default(false),
  /** One group, compared with all others that take part as one; null where each stands for itself. */
  against: z.number().nullable().default(null),
});
export type GroupsOf = z.infer<typeof groupsOfSchema>;

/** A group that takes part: one of the variable, the rows without one, or all others together. */
export const comparedGroupSchema = z.object({
  is: z.enum(['group', 'without', 'rest']),
  /** Stored value of a group; null of the others. */
  value: z.number().nullable(),
  rows: z.number().int(),
});
export type ComparedGroup = z.infer<typeof comparedGroupSchema>;
