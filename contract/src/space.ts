import { z } from 'zod';

/** A deleted study can be restored for so long. */
export const DELETED_KEPT_DAYS = 30;

const bytesSchema = z.number().int().min(0);

/** How much studies take on the disk. */
export const spaceSchema = z.object({
  studies: z.number().int().min(0),
  bytes: bytesSchema,
  /** Those that were deleted and wait to be removed for good; null for none. */
  deleted: z
    .object({
      studies: z.number().int().min(1),
      bytes: bytesSchema,
      /** When the first and the last of them go. */
      firstGoes: z.iso.datetime(),
      lastGoes: z.iso.datetime(),
    })
    .nullable(),
});
export type Space = z.infer<typeof spaceSchema>;

/** What was removed for good, and what the disk has back of it. */
export const emptiedSchema = z.object({ studies: z.number().int().min(0), bytes: bytesSchema });
export type Emptied = z.infer<typeof emptiedSchema>;
