import { z } from 'zod';

/** What a further file is to a study: more rows of the same, or its data corrected. */
export const mergeModeSchema = z.enum(['add', 'replace']);
export type MergeMode = z.infer<typeof mergeModeSchema>;

export const mergeRequestSchema = z.object({ importId: z.uuid(), mode: mergeModeSchema });
export type MergeRequest = z.infer<typeof mergeRequestSchema>;

/** The head that the merge was looked at with; a newer one is answered with 409. */
export const mergeOrderSchema = mergeRequestSchema.extend({ expectedHead: z.number().int() });

const cellChangeSchema = z.object({ row: z.number().int(), before: z.string().nullable(), after: z.string().nullable() });

/** What a merge would do, or has done. */
export const mergeSummarySchema = z.object({
  mode: mergeModeSchema,
  /** The variable by which rows are matched; null if by their place. */
  matchedBy: z.string().nullable(),
  /** Variables of the study that the file has no column for. */
  notInFile: z.array(z.string()),
  /** Columns of the file that the study has no variable for; they are left out. */
  notInStudy: z.array(z.string()),
  rowsBefore: z.number().int(),
  rowsAdded: z.number().int(),
  /** Rows of the study that the file has no longer; they are set aside. */
  rowsGone: z.number().int(),
  /** Identifiers of added rows that are in the study already, or repeat in the file. */
  repeated: z.number().int(),
  cellsChanged: z.number().int(),
  /** Variables with changed or unreadable cells. */
  variables: z.array(
    z.object({
      id: z.string(),
      changed: z.number().int(),
      /** Cells that cannot be read as what the variable holds; they become missing. */
      unreadable: z.number().int(),
      examples: z.array(cellChangeSchema),
    }),
  ),
});
export type MergeSummary = z.infer<typeof mergeSummarySchema>;
