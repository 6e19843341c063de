import { z } from 'zod';
import { kindSchema, studyStateSchema } from './codebook';

export const studyIdSchema = z.uuid();

export const studyNameSchema = z.string().trim().min(1, 'A study needs a name.').max(120, 'A name may have up to 120 characters.');

/** A study as the home page lists it. */
export const studyListItemSchema = z.object({
  id: studyIdSchema,
  name: z.string(),
  rows: z.number().int(),
  variables: z.number().int(),
  head: z.number().int(),
  changed: z.string(),
});
export type StudyListItem = z.infer<typeof studyListItemSchema>;

/** A study at its head revision. */
export const studySchema = z.object({
  id: studyIdSchema,
  name: z.string(),
  /** The number of the revision that the study stands at. */
  head: z.number().int(),
  rows: z.number().int(),
  changed: z.string(),
  state: studyStateSchema,
});
export type Study = z.infer<typeof studySchema>;

/** One change of a study; each becomes a revision. */
export const changeSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('set-kind'), variable: z.string(), kind: kindSchema }),
]);
export type Change = z.infer<typeof changeSchema>;

export const changeRequestSchema = z.object({
  /** The revision the change was made at; a newer head is answered with 409. */
  expectedHead: z.number().int(),
  change: changeSchema,
});
export type ChangeRequest = z.infer<typeof changeRequestSchema>;
