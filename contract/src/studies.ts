import { z } from 'zod';
import { studyStateSchema, variableSchema } from './codebook';

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

/** What of a codebook entry can be corrected after the data are in. */
export const variablePatchSchema = variableSchema
  .pick({
    name: true,
    label: true,
    unit: true,
    kind: true,
    decimals: true,
    role: true,
    highMeans: true,
    valueLabels: true,
    validRange: true,
    note: true,
  })
  .partial();
export type VariablePatch = z.infer<typeof variablePatchSchema>;

/** What of the study's own entry can be corrected. */
export const studyEntryPatchSchema = studyStateSchema.pick({ rowMeaning: true, source: true, citation: true, exclusions: true }).partial();
export type StudyEntryPatch = z.infer<typeof studyEntryPatchSchema>;

/** One change of a study; each becomes a revision. */
export const changeSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('edit-variable'), variable: z.string(), patch: variablePatchSchema }),
  z.object({ type: z.literal('edit-study'), patch: studyEntryPatchSchema }),
]);
export type Change = z.infer<typeof changeSchema>;

const reasonSchema = z.string().trim().max(1000, 'A reason may have up to 1,000 characters.');

export const changeRequestSchema = z.object({
  /** The revision the change was made at; a newer head is answered with 409. */
  expectedHead: z.number().int(),
  change: changeSchema,
  reason: reasonSchema.optional(),
});
export type ChangeRequest = z.infer<typeof changeRequestSchema>;

/** Undo and redo name the head that they were asked at, too. */
export const headRequestSchema = changeRequestSchema.pick({ expectedHead: true });

/** One line of the trail: a decision that led to the study as it stands. */
export const decisionSchema = z.object({
  number: z.number().int(),
  kind: z.string(),
  summary: z.string(),
  reason: z.string().nullable(),
  created: z.string(),
});
export type Decision = z.infer<typeof decisionSchema>;

/** The decisions of a study, newest first, and what undo and redo would do. */
export const trailSchema = z.object({ decisions: z.array(decisionSchema), undo: z.string().nullable(), redo: z.string().nullable() });
export type Trail = z.infer<typeof trailSchema>;

export const reasonRequestSchema = z.object({ reason: reasonSchema });
