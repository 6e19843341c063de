import { randomUUID } from 'node:crypto';
import { type ReportBlock, readAllSettings, reportBlockSchema, type StudyArchive } from '@ivlen/contract';
import { CHUNK_ROWS, inChunks } from '../columns/chunk-codec';
import type { NewColumn } from '../columns/column-repository';
import { SET_ASIDE } from '../columns/columns';
import type { Database } from '../database/connect';
import type { Disk } from '../disk/disk';
import type { SentBody } from '../http/sent-body';
import { openBlocksFile, stretches } from '../imports/column-blocks';
import type { Spool } from '../imports/spool';
import type { JobTools } from '../jobs/jobs';
import { writeReport } from '../report/report-repository';
import { createStudy, type NewStudy } from '../studies/create-study';
import { atFirstRevision } from '../studies/first-revision';
import type { Workers } from '../workers/workers';
import type { ReadArchive } from './read-archive';

interface ReceivedArchive {
  readonly id: string;
  readonly name: string;
}

/** Brings study archives back. */
export class ArchiveService {
  constructor(
    private readonly database: Database,
    private readonly workers: Workers,
    private readonly spool: Spool,
    private readonly disk: Disk,
  ) {}

  async receive(name: string, told: number, body: SentBody, signal: AbortSignal): Promise<ReceivedArchive> {
    // It is packed: what is read of it is a few times as large.
    this.disk.requireRoom(4 * told);
    const id = randomUUID();
    try {
      await this.spool.receive(id, body, signal);
      return { id, name };
    } catch (error) {
      await this.spool.remove(id);
      throw error;
    }
  }

  /**
   * Makes a study of an archive, with everything as it was.
   * @param verifies whether data that were changed are refused
   * @returns its id
   */
  async restore({ id, name }: ReceivedArchive, { signal, tell }: JobTools, verifies = true): Promise<string> {
    const paths = this.spool.paths(id, 'archive');
    const progress = new Float64Array(new SharedArrayBuffer(2 * Float64Array.BYTES_PER_ELEMENT));
    tell(() => ({ what: 'bytes read', done: progress[0] ?? 0, total: progress[1] ?? 0 }));
    try {
      const read = await this.workers.run({ task: 'read-archive', request: { paths, progress, verifies } }, signal);
      const blocks = openBlocksFile(paths.blocks, read.archive.state.variables.length + 1, 'r');
      try {
        const study = studyFromArchive(name, read, (column) => stretches(blocks, column, read.archive.rows, CHUNK_ROWS));
        let stored = 0;
        tell(() => ({ what: 'values', done: stored, total: read.archive.rows * study.columns.length }));
        return await createStudy(this.database, study, {
          alongside: (db, restored) => writeReport(db, restored, reportOf(read.archive)),
          onStored: (rows) => {
            signal.throwIfAborted();
            stored += rows;
          },
        });
      } finally {
        blocks.close();
      }
    } finally {
      await this.spool.remove(id);
    }
  }
}

/** The blocks that this version understands. */
function reportOf({ report }: StudyArchive): ReportBlock[] {
  return report.flatMap((block) => {
    const parsed = reportBlockSchema.safeParse(block);
    return parsed.success ? [parsed.data] : [];
  });
}

function studyFromArchive(
  fileName: string,
  { archive, dictionaries }: ReadArchive,
  chunksOf: (column: number) => Iterable<Float64Array>,
): NewStudy {
  const state = atFirstRevision(archive.state);
  const measured = state.variables.flatMap(({ id, storage, derivation }, i): NewColumn[] => {
    if (derivation) return [];
    return [{ variable: id, dictionary: storage === 'code' ? (dictionaries[i] ?? []) : null, chunks: () => chunksOf(i + 1) }];
  });
  const aside: NewColumn[] = state.setAside ? [{ variable: SET_ASIDE, dictionary: null, chunks: () => setAsideChunks(archive) }] : [];
  return {
    name: archive.name,
    rowCount: archive.rows,
    kind: 'restored',
    summary: `Brought back from the archive “${fileName}”`,
    state,
    columns: [...measured, ...aside],
    settings: readAllSettings(archive.settings),
    earlier: archive.trail,
  };
}

/** The code of each row's reason, as it is stored. */
function setAsideChunks({ rows, setAside }: StudyArchive): Iterable<Float64Array> {
  const codes = new Float64Array(rows);
  for (const [from, to, code] of setAside) codes.fill(code, from - 1, to);
  return inChunks(codes);
}
