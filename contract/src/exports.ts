import { z } from 'zod';
import { studyStateSchema } from './codebook';
import { recordRequestSchema } from './records';
import { settingsScopeSchema } from './settings';
import { decisionSchema } from './studies';

/** The form in which a study's table leaves: text, Parquet, or the archive that can be brought back whole. */
export const exportFormatSchema = z.enum(['csv', 'parquet', 'archive']);
export type ExportFormat = z.infer<typeof exportFormatSchema>;

export const exportRequestSchema = z.object({
  revision: z.number().int().min(1),
  format: exportFormatSchema,
  /** All rows, or those that are computed with; an archive always holds all. */
  rows: z.enum(['all', 'in-use']),
  /** Whether cells show labels where values have some; an archive always holds the values. */
  labels: z.boolean(),
  /** Whether texts of a CSV stand exactly as they are, also those that a spreadsheet would run as a formula; an archive's always do. */
  faithful: z.boolean().default(false),
  /** What of the report is recorded in an archive; null for none of it. */
  record: recordRequestSchema.nullable().default(null),
});
export type ExportRequest = z.infer<typeof exportRequestSchema>;
export type ExportRequestInput = z.input<typeof exportRequestSchema>;

/** A written file that waits to be fetched, once. */
export const exportReadySchema = z.object({ id: z.uuid(), fileName: z.string(), bytes: z.number().int() });
export type ExportReady = z.infer<typeof exportReadySchema>;

/** SHA-256 of the data, in hexadecimal digits. */
export const checksumSchema = z.object({ sha256: z.string() });

export const ARCHIVE_FORMAT = 'ivlen study';
/** The version of archives that is written; newer ones are refused. */
export const ARCHIVE_VERSION = 1;

/** What is read first: whether it is an archive at all, and of which version. */
export const archiveHeadSchema = z.object({ format: z.literal(ARCHIVE_FORMAT), version: z.number().int().min(1) });

/** study.json: all of a study but its measured values. */
export const studyArchiveSchema = archiveHeadSchema.extend({
  name: z.string().min(1).max(120),
  rows: z.number().int().min(0),
  state: studyStateSchema,
  settings: z.partialRecord(settingsScopeSchema, z.unknown()),
  /** Rows set aside: first and last row from 1, and the place of the reason from 1. */
  setAside: z.array(z.tuple([z.number().int().min(1), z.number().int().min(1), z.number().int().min(1)])),
  /** The decisions that led to it, newest first. */
  trail: z.array(decisionSchema),
  /** The blocks of the report, in their order. */
  report: z.array(z.unknown()).default([]),
});
export type StudyArchive = z.infer<typeof studyArchiveSchema>;
