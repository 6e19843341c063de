import { z } from 'zod';
import { analysisSchema } from './analyses/index';
import { MOST_BLOCKS } from './reports';

/** As many requests as a record holds, of all its items together. */
export const MOST_RECORDED = 3000;
/** One for each block of a report, and one for the data. */
const MOST_ITEMS = MOST_BLOCKS + 1;

const itemFields = {
  /** What of the report it is behind. */
  title: z.string().max(400),
  /** The decision at which it was computed. */
  revision: z.number().int().min(1),
  /** How, as the methods lines say it. */
  methods: z.array(z.string().max(2000)).max(20),
} as const;

/** What a report rests on, to be recorded: its requests, item by item. */
export const recordRequestSchema = z
  .object({ items: z.array(z.object({ ...itemFields, requests: z.array(analysisSchema) })).max(MOST_ITEMS) })
  .refine(
    ({ items }) => items.reduce((sum, { requests }) => sum + requests.length, 0) <= MOST_RECORDED,
    `A record holds up to ${MOST_RECORDED.toLocaleString('en-GB')} analyses.`,
  );
export type RecordRequest = z.infer<typeof recordRequestSchema>;
export type RecordRequestInput = z.input<typeof recordRequestSchema>;

export const RECORD_FORMAT = 'ivlen record';
export const RECORD_VERSION = 1;

/** analysis.json: everything computed for a report, with what it was computed from, so that anybody can compute it again. */
export const analysisRecordSchema = z.object({
  format: z.literal(RECORD_FORMAT),
  version: z.number().int().min(1),
  /** The version of the program. */
  program: z.string().max(40),
  study: z.string().max(200),
  made: z.string().max(40),
  /** The decision at which the data of the archive stand; what was computed at another one cannot be computed from them again. */
  revision: z.number().int().min(1),
  /** SHA-256 of the archive's data.csv, in hexadecimal digits. */
  dataSha256: z.string().max(64),
  items: z.array(z.object({ ...itemFields, analyses: z.array(z.object({ request: analysisSchema, result: z.unknown() })) })),
});
export type AnalysisRecord = z.infer<typeof analysisRecordSchema>;
