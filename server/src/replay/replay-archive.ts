import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { Readable } from 'node:stream';
import { type AnalysisRecord, analysisRecordSchema, RECORD_VERSION } from '@ivlen/contract';
import { strFromU8, Unzip, UnzipInflate } from 'fflate';
import { AnalysisService } from '../analyses/analysis-service';
import { ArchiveService } from '../archives/archive-service';
import { Columns } from '../columns/columns';
import type { Database } from '../database/connect';
import { Disk } from '../disk/disk';
import { DomainError } from '../errors/domain-error';
import type { Spool } from '../imports/spool';
import { FIRST_REVISION } from '../studies/first-revision';
import type { Workers } from '../workers/workers';
import { type Difference, differencesOf } from './differences';

/** What computing a record again found. */
export interface Replayed {
  readonly study: string;
  readonly analyses: number;
  readonly differences: readonly (Difference & { readonly item: string; readonly kind: string })[];
  /** The checksum of the data as they are, where it is not the recorded one. */
  readonly otherData: string | null;
  /** What could not be computed again, each with the reason. */
  readonly unchecked: readonly string[];
}

/**
 * Brings an archive's study back in a database, computes everything that its record holds, and compares.
 * @throws {DomainError} 'no-record', 'newer-archive', and what bringing it back throws
 */
export async function replayArchive(path: string, database: Database, workers: Workers, spool: Spool): Promise<Replayed> {
  const bytes = readFileSync(path);
  const { record, dataSha256 } = readRecord(bytes);
  const archives = new ArchiveService(database, workers, spool, new Disk([spool.folder]));
  const signal = new AbortController().signal;
  const tools = { signal, tell: () => {} };
  const received = await archives.receive('replay', bytes.length, Readable.from([bytes]), signal);
  const study = await archives.restore(received, tools, false);
  const analyses = new AnalysisService(database, new Columns(workers), workers);
  const differences: Replayed['differences'][number][] = [];
  const unchecked: string[] = [];
  let count = 0;
  for (const { title, revision, analyses: recorded } of record.items) {
    if (revision !== record.revision) {
      unchecked.push(`${title}: computed with the data of decision ${revision}, which the archive does not hold.`);
      continue;
    }
    for (const { request, result } of recorded) {
      count++;
      // As it would be written: what cannot be computed is null, what is left out is left out.
      const computed: unknown = JSON.parse(JSON.stringify(await analyses.run(study, FIRST_REVISION, request, tools)));
      for (const difference of differencesOf(result, computed)) differences.push({ ...difference, item: title, kind: request.kind });
    }
  }
  return {
    study: record.study,
    analyses: count,
    differences,
    otherData: dataSha256 === record.dataSha256 ? null : dataSha256,
    unchecked,
  };
}

/** The record of an archive, and the checksum of its data as they are. */
function readRecord(bytes: Uint8Array): { record: AnalysisRecord; dataSha256: string } {
  const hash = createHash('sha256');
  const json: Uint8Array[] = [];
  const zip = new Unzip((file) => {
    if (file.name !== 'analysis.json' && file.name !== 'data.csv') return;
    file.ondata = (error, chunk) => {
      if (error) throw new DomainError('damaged-archive', 'The archive is damaged and cannot be read.', { where: file.name });
      if (file.name === 'data.csv') hash.update(chunk);
      else json.push(chunk.slice());
    };
    file.start();
  });
  zip.register(UnzipInflate);
  zip.push(bytes, true);
  if (json.length === 0) {
    throw new DomainError('no-record', 'This archive holds no record: it was not exported from a report.', {
      hint: 'Export it under Report, “Take it out”, as a study archive with its record.',
    });
  }
  const content: unknown = JSON.parse(strFromU8(Buffer.concat(json)));
  const parsed = analysisRecordSchema.safeParse(content);
  if (!parsed.success || parsed.data.version > RECORD_VERSION) {
    throw new DomainError('newer-archive', 'The record was written by another version of Ivlen, or is damaged.', {
      where: parsed.success
        ? `version ${parsed.data.version}; up to ${RECORD_VERSION} is read`
        : `analysis.json: ${parsed.error.issues[0]?.path.join('.')}`,
    });
  }
  return { record: parsed.data, dataSha256: hash.digest('hex') };
}
