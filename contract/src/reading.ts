import { z } from 'zod';
import { importSettingsSchema, limitReadingSchema } from './imports';

/** How numbers are read out of the texts of a variable. */
export const readingSchema = z.object({
  decimal: importSettingsSchema.shape.decimal,
  thousands: importSettingsSchema.shape.thousands,
  /** How a text that tells a limit only, such as "<0.5", is taken. */
  limits: limitReadingSchema,
});
export type Reading = z.infer<typeof readingSchema>;

export const readingPreviewRequestSchema = z.object({
  revision: z.number().int(),
  variable: z.string().max(40),
  /** Left out for the one by which most texts are numbers. */
  reading: readingSchema.optional(),
});

/** What reading the texts of a variable as numbers would give. */
export const readingPreviewSchema = z.object({
  reading: readingSchema,
  /** Cells with a text, and how many of them hold a number. */
  cells: z.number().int(),
  read: z.number().int(),
  /** Texts that are no number, with the rows they stand in, from 1, and in how many cells. */
  resisting: z.array(z.object({ text: z.string(), rows: z.array(z.number().int()), count: z.number().int() })),
  /** Cells that tell a limit only. */
  limits: z.number().int(),
  /** What stands beside the numbers alike: a unit or a currency; empty for nothing. */
  unit: z.string(),
  /** Some texts and what is made of them; null is missing. */
  examples: z.array(z.object({ text: z.string(), value: z.number().nullable() })),
});
export type ReadingPreview = z.infer<typeof readingPreviewSchema>;
