import { randomUUID } from 'node:crypto';
import type { ReadStream } from 'node:fs';
import { mkdir, open, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import {
  type AnalysisRecord,
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  type ExportReady,
  type ExportRequest,
  IVLEN_VERSION,
  RECORD_FORMAT,
  RECORD_VERSION,
  type RecordRequest,
  type Study,
  type StudyArchive,
} from '@ivlen/contract';
import type { AnalysisService } from '../analyses/analysis-service';
import { selectColumn } from '../columns/column-repository';
import type { Columns, Table } from '../columns/columns';
import type { Database } from '../database/connect';
import type { Disk } from '../disk/disk';
import { DomainError } from '../errors/domain-error';
import type { JobTools } from '../jobs/jobs';
import { selectReport } from '../report/report-repository';
import { selectAllSettings } from '../settings/settings-repository';
import { getStudyAt } from '../studies/study-repository';
import { selectDecisions } from '../trail/trail-repository';
import type { Workers } from '../workers/workers';
import { slug } from './data-package';
import type { ExportTable } from './export-table';

const EXTENSIONS = { csv: 'csv', parquet: 'parquet', archive: 'zip' } as const;
/** About what a written value takes. */
const BYTES_A_CELL = 8;
/** A file that nobody fetches is removed after so long. */
const KEPT_MS = 60 * 60_000;

interface WrittenFile extends ExportReady {
  readonly path: string;
}

/** Takes studies out as files. */
export class ExportService {
  readonly #ready = new Map<string, WrittenFile>();

  constructor(
    private readonly database: Database,
    private readonly columns: Columns,
    private readonly workers: Workers,
    private readonly analyses: AnalysisService,
    private readonly folder: string,
    private readonly disk: Disk,
  ) {}

  async write(id: string, request: ExportRequest, tools: JobTools): Promise<ExportReady> {
    const { signal, tell } = tools;
    const study = await getStudyAt(this.database, id, request.revision);
    const whole = request.format === 'archive';
    this.disk.requireRoom(study.rows * study.state.variables.length * BYTES_A_CELL);
    const [table, archive] = [await this.#table(study, request), whole ? await this.#archive(study) : null];
    const record = whole && request.record ? await this.#record(study, request.record, tools) : null;
    await mkdir(this.folder, { recursive: true });
    const file = randomUUID();
    const path = join(this.folder, `${file}.export`);
    const progress = new Float64Array(new SharedArrayBuffer(Float64Array.BYTES_PER_ELEMENT));
    tell(() => ({ what: 'rows', done: progress[0] ?? 0, total: table.rows?.length ?? study.rows }));
    try {
      const labels = request.labels && !whole;
      const { format, faithful } = request;
      await this.workers.run(
        { task: 'write-export', request: { path, format, table, labels, faithful, archive, record, progress } },
        signal,
      );
    } catch (error) {
      await rm(path, { force: true });
      throw error;
    }
    const ready = { id: file, fileName: `${slug(study.name)}.${EXTENSIONS[request.format]}`, bytes: (await stat(path)).size };
    this.#ready.set(file, { ...ready, path });
    setTimeout(() => void this.#forget(file), KEPT_MS).unref();
    return ready;
  }

  /** SHA-256 of the data of a revision, as an archive holds them. */
  async checksum(id: string, revision: number, { signal }: JobTools): Promise<string> {
    const study = await getStudyAt(this.database, id, revision);
    const table = await this.#table(study, { format: 'archive', rows: 'all' });
    return this.workers.run({ task: 'checksum', table }, signal);
  }

  /** Opens a written file and removes it from the folder. @throws {DomainError} 'no-such-export' */
  async take(id: string): Promise<{ fileName: string; bytes: number; stream: ReadStream }> {
    const file = this.#ready.get(id);
    if (!file)
      throw new DomainError('no-such-export', 'This file was fetched already, or is no longer there.', { hint: 'Export it again.' });
    const handle = await open(file.path);
    // What is open can be read to its end.
    await this.#forget(id);
    return { fileName: file.fileName, bytes: file.bytes, stream: handle.createReadStream() };
  }

  async #forget(id: string): Promise<void> {
    const file = this.#ready.get(id);
    this.#ready.delete(id);
    if (file) await rm(file.path, { force: true });
  }

  async #table(study: Study, { format, rows }: Pick<ExportRequest, 'format' | 'rows'>): Promise<ExportTable> {
    const table: Table = { study: study.id, rows: study.rows, state: study.state };
    const { variables } = study.state;
    const columns: Float64Array[] = [];
    const dictionaries: (readonly string[])[] = [];
    for (const variable of variables) {
      // An archive keeps the codes for missing values, which can be corrected later.
      const asStored = format === 'archive' && variable.derivation === null;
      const place = { study: study.id, revision: variable.version };
      columns.push(
        asStored
          ? await selectColumn(this.database, place, variable.id, study.rows)
          : await this.columns.values(this.database, table, variable.id),
      );
      dictionaries.push(await this.columns.dictionary(this.database, table, variable.id));
    }
    const inUse = format !== 'archive' && rows === 'in-use' ? await this.columns.rowsInUse(this.database, table) : null;
    return { variables, columns, dictionaries, rows: inUse };
  }

  async #archive(study: Study): Promise<StudyArchive> {
    const { name, rows, state } = study;
    const codes = await this.columns.reasonCodes(this.database, { study: study.id, rows, state });
    return {
      format: ARCHIVE_FORMAT,
      version: ARCHIVE_VERSION,
      name,
      rows,
      state,
      settings: await selectAllSettings(this.database, study.id),
      setAside: codes ? runsOf(codes) : [],
      trail: await selectDecisions(this.database, study.id, study.head),
      report: await selectReport(this.database, study.id),
    };
  }

  /** Everything that a report rests on, computed or taken from what was kept. */
  async #record(study: Study, { items }: RecordRequest, { signal, tell }: JobTools): Promise<Omit<AnalysisRecord, 'dataSha256'>> {
    const total = items.reduce((sum, { requests }) => sum + requests.length, 0);
    let done = 0;
    const recorded: AnalysisRecord['items'] = [];
    for (const { requests, ...item } of items) {
      const analyses: AnalysisRecord['items'][number]['analyses'] = [];
      for (const request of requests) {
        signal.throwIfAborted();
        tell(() => ({ what: 'analyses', done, total }));
        // How far each of them has come is not told: most are there already.
        const result = await this.analyses.run(study.id, item.revision, request, { signal, tell: () => {} });
        analyses.push({ request, result });
        done++;
      }
      recorded.push({ ...item, analyses });
    }
    return {
      format: RECORD_FORMAT,
      version: RECORD_VERSION,
      program: IVLEN_VERSION,
      study: study.name,
      made: new Date().toISOString(),
      revision: study.head,
      items: recorded,
    };
  }
}

/** Stretches of rows with the same code, those of code 0 left out. */
function runsOf(codes: Float64Array): [number, number, number][] {
  const runs: [number, number, number][] = [];
  for (const [row, code] of codes.entries()) {
    const last = runs.at(-1);
    if (code === 0) continue;
    if (last && last[1] === row && last[2] === code) last[1] = row + 1;
    else runs.push([row + 1, row + 1, code]);
  }
  return runs;
}
