import { randomUUID } from 'node:crypto';
import { type ImportPreview, type ImportSettings, type ImportSettingsPatch, importSettingsSchema } from '@ivlen/contract';
import type { Database } from '../database/connect';
import type { Disk } from '../disk/disk';
import { DomainError } from '../errors/domain-error';
import type { SentBody } from '../http/sent-body';
import type { JobTools } from '../jobs/jobs';
import { createStudy } from '../studies/create-study';
import type { Workers } from '../workers/workers';
import { openBlocksFile } from './column-blocks';
import type { Converter } from './conversion/converter';
import { detectFormat } from './formats/detect-format';
import { deleteImport, insertImport, selectImport, updateImport, type WaitingImport } from './import-repository';
import type { FilePreview } from './read-file';
import type { Spool } from './spool';
import { studyFromTable, type TableValues } from './study-from-table';

/** Bringing files in: read, preview, correct, and only then make a study. */
export class ImportService {
  constructor(
    private readonly database: Database,
    private readonly workers: Workers,
    private readonly spool: Spool,
    private readonly converter: Converter,
    private readonly disk: Disk,
  ) {}

  /**
   * Stores a file that is sent, to be read next.
   * @param told its bytes, as far as they are known before
   * @returns what `read` takes
   */
  async receive(name: string, told: number, body: SentBody, signal: AbortSignal): Promise<{ id: string; name: string; bytes: number }> {
    // Once as it is, and once as it was read.
    this.disk.requireRoom(2 * told);
    const id = randomUUID();
    try {
      return { id, name, bytes: await this.spool.receive(id, body, signal) };
    } catch (error) {
      await this.spool.remove(id);
      throw error;
    }
  }

  /** Reads a new file with guessed settings; a file that is no table is refused and not kept. */
  async read({ id, name, bytes }: { id: string; name: string; bytes: number }, tools: JobTools): Promise<ImportPreview> {
    try {
      const reading = randomUUID();
      const preview = {
        id,
        fileName: name,
        bytes,
        ...(await this.#read({ id, reading, name, settings: null, sheet: null, sheets: null }, tools)),
      };
      await insertImport(this.database, { id, reading, preview });
      return preview;
    } catch (error) {
      await this.spool.remove(id);
      throw error;
    }
  }

  async preview(id: string): Promise<ImportPreview> {
    return (await selectImport(this.database, id)).preview;
  }

  /** Reads the file again under corrected settings, and keeps them. */
  async correct(id: string, patch: ImportSettingsPatch, tools: JobTools): Promise<ImportPreview> {
    const before = await selectImport(this.database, id);
    const reading = randomUUID();
    const sheet = patch.sheet ?? before.preview.settings.sheet;
    // Another sheet is another table: what was guessed and corrected for the one before says nothing about it.
    const sameTable = sheet === before.preview.settings.sheet;
    const settings = sameTable ? correctedSettings(before.preview.settings, patch) : null;
    const sheets = sameTable ? before.preview.sheets : null;
    try {
      const read = await this.#read({ id, reading, name: before.preview.fileName, settings, sheet, sheets }, tools);
      const preview = { ...before.preview, ...read };
      await updateImport(this.database, { id, reading, preview });
      await this.spool.remove(id, before.reading);
      return preview;
    } catch (error) {
      await this.spool.remove(id, reading);
      throw error;
    }
  }

  /** Makes the study; all of it is stored or nothing, and the waiting file goes with it. */
  async createStudy(id: string, name: string, { signal, tell }: JobTools): Promise<string> {
    const created = await this.withTable(id, async ({ preview, ...values }) => {
      this.disk.requireRoom(preview.rows * preview.columns.length * Float64Array.BYTES_PER_ELEMENT);
      const study = studyFromTable(name, preview, values);
      let stored = 0;
      tell(() => ({ what: 'values', done: stored, total: preview.rows * study.columns.length }));
      return createStudy(this.database, study, {
        onStored: (rows) => {
          signal.throwIfAborted();
          stored += rows;
        },
        alongside: (db) => deleteImport(db, id),
      });
    });
    await this.spool.remove(id);
    return created;
  }

  /** Opens a waiting file of which nothing stops that it is used. @throws {DomainError} 'import-stopped', 'no-such-import' */
  async withTable<T>(id: string, use: (table: WaitingTable) => Promise<T>): Promise<T> {
    const { reading, preview } = await this.#ready(id);
    const paths = this.spool.paths(id, reading);
    const blocks = openBlocksFile(paths.blocks, preview.columns.length, 'r');
    try {
      return await use({ preview, blocks, dictionaries: await this.spool.dictionaries(paths), limits: await this.spool.limits(paths) });
    } finally {
      blocks.close();
    }
  }

  async giveUp(id: string): Promise<void> {
    await deleteImport(this.database, id);
    await this.spool.remove(id);
  }

  async #ready(id: string): Promise<WaitingImport> {
    const waiting = await selectImport(this.database, id);
    const stopping = waiting.preview.problems.find((problem) => problem.severity === 'stops');
    if (stopping) {
      throw new DomainError('import-stopped', stopping.message, stopping.hint === undefined ? {} : { hint: stopping.hint });
    }
    return waiting;
  }

  async #read({ id, reading, name, settings, sheet, sheets }: Reading, { signal, tell }: JobTools): Promise<FilePreview> {
    const paths = this.spool.paths(id, reading);
    const progress = new Float64Array(new SharedArrayBuffer(2 * Float64Array.BYTES_PER_ELEMENT));
    const onProgress = (done: number, total: number) => {
      progress[0] = done;
      progress[1] = total;
    };
    tell(() => ({ what: 'bytes read', done: progress[0] ?? 0, total: progress[1] ?? 0 }));
    const format = settings?.format ?? detectFormat(await this.spool.firstBytes(paths), name);
    const told =
      format === 'text' || sheets
        ? { sheets: sheets ?? [], sheet: format === 'text' ? null : sheet }
        : await this.converter.convert({ format, source: paths.source, text: paths.text, sheet }, signal, onProgress);
    const request = { paths, settings, format, told, guessedSheet: sheet === null, progress };
    return this.workers.run({ task: 'read-file', request }, signal);
  }
}

/** A waiting file with its values. */
export interface WaitingTable extends TableValues {
  readonly preview: ImportPreview;
}

interface Reading {
  readonly id: string;
  readonly reading: string;
  readonly name: string;
  readonly settings: ImportSettings | null;
  readonly sheet: string | null;
  readonly sheets: string[] | null;
}

/** Corrections of single columns add up, field by field; cells that are cut otherwise make them meaningless. */
function correctedSettings(settings: ImportSettings, patch: ImportSettingsPatch): ImportSettings {
  const cutAnew = (['separator', 'quotes'] as const).some((part) => patch[part] !== undefined && patch[part] !== settings[part]);
  const columns = cutAnew ? {} : { ...settings.columns };
  for (const [column, correction] of Object.entries(patch.columns ?? {})) {
    columns[column] = { ...columns[column], ...correction };
  }
  return importSettingsSchema.parse({ ...settings, ...patch, columns });
}
