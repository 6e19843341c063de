import { z } from 'zod';

/** Of how a backup is written; not of what its tables look like, which its migrations say. */
export const FORMAT = 1;

const nameSchema = z.string().regex(/^[a-z_]{1,60}$/);

/** What a backup says of itself. */
export const backupHeadSchema = z.object({
  'ivlen-backup': z.literal(true),
  version: z.number().int().min(1),
  /** The version of the program that wrote it. */
  program: z.string().max(40),
  /** The migrations that its tables have been through, in order. */
  migrations: z.array(z.string().max(80)).max(500),
  /** Its tables, each before those that refer to it. */
  tables: z.array(z.object({ name: nameSchema, columns: z.array(nameSchema).min(1).max(60) })).max(50),
});
export type BackupHead = z.infer<typeof backupHeadSchema>;

/**
 * What is kept, each before what refers to it. Results can be computed again, and files that wait to be brought in are on the
 * disk of the machine that they were sent to.
 */
export const KEPT_TABLES = [
  'study',
  'revision',
  'column_chunk',
  'column_dictionary',
  'stage_setting',
  'pin',
  'report_block',
  'installation',
];
