import { z } from 'zod';
import { kindSchema, storageSchema } from './codebook';

/** Bytes that one file may have. */
export const LARGEST_FILE = 1024 * 1024 * 1024;
/** Columns that one table may have. */
export const MOST_COLUMNS = 1000;

/** What a file is: text cut into cells, a workbook, a Parquet file, or rows in JSON. */
export const formatSchema = z.enum(['text', 'workbook', 'parquet', 'json']);
export type Format = z.infer<typeof formatSchema>;

export const encodingSchema = z.enum(['utf-8', 'utf-16le', 'utf-16be', 'windows-1252']);
export type Encoding = z.infer<typeof encodingSchema>;

/** How a cell that tells a limit only, such as "<0.5", is taken: as the limit, half of it, or missing. */
export const limitReadingSchema = z.enum(['limit', 'half', 'missing']);
export type LimitReading = z.infer<typeof limitReadingSchema>;

export const separatorSchema = z.enum([',', ';', '\t', '|', ' ']);
export type Separator = z.infer<typeof separatorSchema>;

/** How the text of a file is read. Guessed first, then corrected in the preview. */
export const importSettingsSchema = z.object({
  format: formatSchema,
  /** The sheet of a workbook, or the list of rows in JSON that has several. */
  sheet: z.string().max(200).nullable(),
  encoding: encodingSchema,
  separator: separatorSchema,
  /** Whether " encloses cells that hold a separator. */
  quotes: z.boolean(),
  decimal: z.enum(['.', ',']),
  /** The thousands separator in numbers; "none" takes 1,234 for text. */
  thousands: z.enum(['none', ',', '.', ' ', "'"]),
  /** Rows above the names, such as a title or notes, that are left out. */
  top: z.number().int().min(0).max(50),
  header: z.boolean(),
  /** In how many rows the names stand, where there are any: a row of groups above one of names makes names of both. */
  nameRows: z.number().int().min(1).max(3),
  /** Whether the row below the names, or the first row where there are none, holds units. */
  unitsRow: z.boolean(),
  /** Rows at the foot, such as totals or means, that are left out. */
  foot: z.number().int().min(0).max(20),
  /** Whether rows between the data that are no cases are left out: names once more, subtotals and means, empty rows. */
  between: z.boolean().default(false),
  /** Texts that stand for a missing value; an empty cell always does. */
  missingCodes: z.array(z.string().max(60)).max(50),
  /** Corrections by column number from 0. */
  columns: z.record(
    z.string().regex(/^\d{1,4}$/),
    z.object({
      name: z.string().trim().min(1, 'A variable needs a name.').max(200).optional(),
      kind: kindSchema.optional(),
      leaveOut: z.boolean().optional(),
      unit: z.string().trim().max(60).optional(),
      /** Numbers are read out of what stands around them: currency, unit, per cent, marks of footnotes, brackets. */
      loose: z.boolean().optional(),
      /** What "<0.5" is read as; the limit itself if nothing is said. */
      limits: limitReadingSchema.optional(),
    }),
  ),
});
export type ImportSettings = z.infer<typeof importSettingsSchema>;
export const importSettingsPatchSchema = importSettingsSchema.partial();
export type ImportSettingsPatch = z.infer<typeof importSettingsPatchSchema>;

/** Something found in a file. "stops": no study can be made of it as it stands; "check": look at it; "note": done already. */
export const importProblemSchema = z.object({
  severity: z.enum(['stops', 'check', 'note']),
  code: z.string(),
  /** A sentence: what and where. */
  message: z.string(),
  /** What to do. */
  hint: z.string().optional(),
  /** Column number from 0. */
  column: z.number().int().optional(),
  /** One-click mends: settings that would put it right. */
  mends: z.array(z.object({ label: z.string(), patch: importSettingsPatchSchema })),
});
export type ImportProblem = z.infer<typeof importProblemSchema>;

export const importColumnSchema = z.object({
  name: z.string(),
  kind: kindSchema,
  storage: storageSchema,
  /** Kinds to choose from. */
  kinds: z.array(kindSchema),
  leftOut: z.boolean(),
  present: z.number().int(),
  missing: z.number().int(),
  /** null where it was not counted. */
  distinct: z.number().int().nullable(),
  /** From the row of units, the name, or the cells. */
  unit: z.string().nullable(),
  /** What the codebook is to say of how its cells were read. */
  note: z.string().nullable(),
});
export type ImportColumn = z.infer<typeof importColumnSchema>;

/** A file on its way in: how it would be read, and what was found. Nothing of it is a study yet. */
export const importPreviewSchema = z.object({
  id: z.uuid(),
  fileName: z.string(),
  bytes: z.number().int(),
  settings: importSettingsSchema,
  /** The sheets of a workbook, or the lists of rows in JSON where there are several; empty for everything else. */
  sheets: z.array(z.string()),
  /** Rows of data, without names, units and foot. */
  rows: z.number().int(),
  columns: z.array(importColumnSchema),
  /** The first rows as text, cell by cell. */
  head: z.array(z.array(z.string())),
  problems: z.array(importProblemSchema),
});
export type ImportPreview = z.infer<typeof importPreviewSchema>;

export const createStudySchema = z.object({ importId: z.uuid(), name: z.string().trim().min(1).max(120) });
