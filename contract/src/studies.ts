import { z } from 'zod';
import { changeSchema } from './changes';
import { studyStateSchema } from './codebook';

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

/** Rows that are neither set aside nor outside the subset. */
export function rowsInUse({ rows, state }: Pick<Study, 'rows' | 'state'>): number {
  return state.inUse?.rows ?? rows;
}

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
  /** Made before the study was archived and brought back: kept for the record, its number is of then. */
  earlier: z.boolean().default(false),
});
export type Decision = z.infer<typeof decisionSchema>;

/** The decisions of a study, newest first, and what undo and redo would do. */
export const trailSchema = z.object({ decisions: z.array(decisionSchema), undo: z.string().nullable(), redo: z.string().nullable() });
export type Trail = z.infer<typeof trailSchema>;

export const reasonRequestSchema = z.object({ reason: reasonSchema });

/** How several rows of one identifier become one. */
export const joinRowsBySchema = z.enum(['mean', 'max', 'min', 'first', 'last']);
export type JoinRowsBy = z.infer<typeof joinRowsBySchema>;

/** A new study with one row for each value of an identifier, of the rows in use. */
export const oneRowPerSchema = z.object({ revision: z.number().int().min(1), variable: z.string().min(1).max(40), by: joinRowsBySchema });
export type OneRowPer = z.infer<typeof oneRowPerSchema>;
