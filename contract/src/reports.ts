import { z } from 'zod';
import { pinnedSchema } from './pins';
import { richTextSchema } from './rich-text';

/** As many blocks as a report may have. */
export const MOST_BLOCKS = 300;

/** Paragraphs that are written from the study itself, and those that are the researcher's own. */
export const paragraphSchema = z.enum(['data', 'methods', 'results', 'checks', 'limits', 'references', 'own']);
export type ReportParagraph = z.infer<typeof paragraphSchema>;

/** What of a pinned thing is shown. */
export const reportPartSchema = z.enum(['text', 'tables', 'figures']);
export type ReportPart = z.infer<typeof reportPartSchema>;

const contentSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('pin'), pin: pinnedSchema }),
  z.object({ kind: z.literal('paragraph'), of: paragraphSchema }),
]);
export type BlockContent = z.infer<typeof contentSchema>;

const fields = {
  content: contentSchema,
  /** A heading or caption of one's own; null for the one that follows from the content, '' for none. */
  title: z.string().trim().max(300).nullable(),
  /** A text of one's own; null for the one that is written from the data. */
  text: richTextSchema.nullable(),
  /** Which parts are shown; null for all. */
  shows: z.array(reportPartSchema).nullable(),
} as const;

export const newBlockSchema = z.object({
  content: fields.content,
  title: fields.title.default(null),
  text: fields.text.default(null),
  shows: fields.shows.default(null),
});
export type NewBlock = z.infer<typeof newBlockSchema>;
export type NewBlockInput = z.input<typeof newBlockSchema>;

/** One block of a report, which changes by itself. */
export const reportBlockSchema = z.object({
  id: z.uuid(),
  /** Counts its changes: a change names the version it was made from. */
  version: z.number().int(),
  ...fields,
  /** The block whose text was changed in two windows at once: this is the other text. */
  beside: z.uuid().nullable(),
});
export type ReportBlock = z.infer<typeof reportBlockSchema>;
export type PinBlock = ReportBlock & { content: { kind: 'pin' } };

/** The blocks of a report in their order. */
export const reportSchema = z.object({ blocks: z.array(reportBlockSchema) });
export type Report = z.infer<typeof reportSchema>;

export const addBlocksSchema = z.object({
  /** The block after which they stand; null for the end. */
  after: z.uuid().nullable(),
  /** Whether they stand before all others instead. */
  first: z.boolean().default(false),
  blocks: z.array(newBlockSchema).min(1).max(MOST_BLOCKS),
});

/** What changes of a block; what is left out stays. */
export const changeBlockSchema = z.object({
  version: z.number().int(),
  title: fields.title.optional(),
  text: fields.text.optional(),
  shows: fields.shows.optional(),
  pin: pinnedSchema.optional(),
});
export type ChangeBlock = z.infer<typeof changeBlockSchema>;

export const changedBlockSchema = reportSchema.extend({
  /** Whether the block had been changed elsewhere meanwhile, so that both texts stand, one under the other. */
  both: z.boolean(),
});

export const orderBlocksSchema = z.object({ ids: z.array(z.uuid()).max(MOST_BLOCKS) });

/** How the report is written and printed. */
export const reportSettingsSchema = z.object({
  /** Its title; null for the name of the study. */
  title: z.string().max(300).nullable().default(null),
  /** Whether r, p and their like have a zero before the point. */
  leadingZero: z.boolean().default(false),
  /** What stands with a coefficient of a table: asterisks, or its p. */
  significance: z.enum(['marks', 'p']).default('marks'),
  /** Whether intervals stand under the coefficients of a table. */
  intervals: z.boolean().default(false),
  /** Whether tables too wide for the page are cut into several. */
  split: z.boolean().default(true),
  paper: z.enum(['portrait', 'landscape']).default('portrait'),
});
export type ReportSettings = z.infer<typeof reportSettingsSchema>;
