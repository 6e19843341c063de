import { randomUUID } from 'node:crypto';
import { type ImportPreview, type ImportSettings, type ImportSettingsPatch, importSettingsSchema } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { DomainError } from '../errors/domain-error';
import { createStudy } from '../studies/create-study';
import type { Workers } from '../workers/workers';
import { deleteImport, type ImportFile, insertImport, selectImport, selectImportBytes, updateImportSettings } from './import-repository';
import type { ReadTable } from './read-table';
import { studyFromTable } from './study-from-table';

/** Bringing files in: read, preview, correct, and only then make a study. */
export class ImportService {
  constructor(
    private readonly database: Database,
    private readonly workers: Workers,
  ) {}

  /** Reads a new file with guessed settings; a file that is no text is refused and not kept. */
  async start(name: string, bytes: Uint8Array, signal: AbortSignal): Promise<ImportPreview> {
    const { preview } = await this.#read(bytes, null, signal);
    const file: ImportFile = { id: randomUUID(), name, bytes: bytes.length, settings: preview.settings };
    await this.database.transaction((db) => insertImport(db, file, bytes));
    return { ...preview, ...identity(file) };
  }

  async preview(id: string, signal: AbortSignal): Promise<ImportPreview> {
    const file = await selectImport(this.database, id);
    const { preview } = await this.#readStored(file, file.settings, signal);
    return { ...preview, ...identity(file) };
  }

  /** Reads the file again under corrected settings, and keeps them. */
  async correct(id: string, patch: ImportSettingsPatch, signal: AbortSignal): Promise<ImportPreview> {
    const file = await selectImport(this.database, id);
    if (!file.settings) throw new Error('an import without settings was stored');
    const settings = importSettingsSchema.parse({ ...file.settings, ...patch, columns: mergedColumns(file.settings, patch) });
    const { preview } = await this.#readStored(file, settings, signal);
    await updateImportSettings(this.database, id, settings);
    return { ...preview, ...identity(file) };
  }

  /** Makes the study; all of it is stored or nothing, and the waiting file goes with it. */
  async createStudy(id: string, name: string, signal: AbortSignal): Promise<string> {
    const file = await selectImport(this.database, id);
    const table = await this.#readStored(file, file.settings, signal);
    const stopping = table.preview.problems.find((problem) => problem.severity === 'stops');
    if (stopping) {
      throw new DomainError('import-stopped', stopping.message, stopping.hint === undefined ? {} : { hint: stopping.hint });
    }
    return createStudy(this.database, studyFromTable(name, file.name, table), (db) => deleteImport(db, id));
  }

  async giveUp(id: string): Promise<void> {
    await deleteImport(this.database, id);
  }

  async #readStored(file: ImportFile, settings: ImportSettings | null, signal: AbortSignal): Promise<ReadTable> {
    return this.#read(await selectImportBytes(this.database, file.id), settings, signal);
  }

  #read(bytes: Uint8Array, settings: ImportSettings | null, signal: AbortSignal): Promise<ReadTable> {
    return this.workers.run({ task: 'read-table', bytes, settings }, signal);
  }
}

function identity({ id, name, bytes }: ImportFile): Pick<ImportPreview, 'id' | 'fileName' | 'bytes'> {
  return { id, fileName: name, bytes };
}

/** Corrections of single columns add up, field by field; a changed separator or header makes them meaningless. */
function mergedColumns(settings: ImportSettings, patch: ImportSettingsPatch): ImportSettings['columns'] {
  const cutAnew =
    (patch.separator !== undefined && patch.separator !== settings.separator) ||
    (patch.quotes !== undefined && patch.quotes !== settings.quotes);
  const columns = cutAnew ? {} : { ...settings.columns };
  for (const [column, correction] of Object.entries(patch.columns ?? {})) {
    columns[column] = { ...columns[column], ...correction };
  }
  return columns;
}
