import { type ImportSettings, importSettingsSchema } from '@ivlen/contract';
import type { Connection } from '../database/connect';
import { DomainError } from '../errors/domain-error';

const PART_BYTES = 4 * 1024 * 1024;

export interface ImportFile {
  readonly id: string;
  readonly name: string;
  readonly bytes: number;
  /** null until they were guessed. */
  readonly settings: ImportSettings | null;
}

/** Stores a file on its way in, in parts. */
export async function insertImport(db: Connection, file: ImportFile, bytes: Uint8Array): Promise<void> {
  await db('import_file').insert({ id: file.id, name: file.name, bytes: file.bytes, settings: serialized(file.settings) });
  for (let part = 0; part * PART_BYTES < bytes.length; part++) {
    const data = Buffer.from(bytes.subarray(part * PART_BYTES, (part + 1) * PART_BYTES));
    await db('import_part').insert({ import_id: file.id, part, data });
  }
}

/** @throws {DomainError} 'no-such-import' */
export async function selectImport(db: Connection, id: string): Promise<ImportFile> {
  const row = await db('import_file')
    .where({ id })
    .first<(Omit<ImportFile, 'settings'> & { settings: unknown }) | undefined>('id', 'name', 'bytes', 'settings');
  if (!row) {
    throw new DomainError('no-such-import', 'This file is no longer waiting to be brought in.', {
      hint: 'It was made a study, given up, or is more than a day old. Choose the file again.',
    });
  }
  return { ...row, settings: row.settings === null ? null : importSettingsSchema.parse(row.settings) };
}

export async function selectImportBytes(db: Connection, id: string): Promise<Uint8Array> {
  const parts = await db('import_part').where({ import_id: id }).orderBy('part').select<{ data: Buffer }[]>('data');
  return Buffer.concat(parts.map(({ data }) => data));
}

export async function updateImportSettings(db: Connection, id: string, settings: ImportSettings): Promise<void> {
  await db('import_file')
    .where({ id })
    .update({ settings: serialized(settings) });
}

export async function deleteImport(db: Connection, id: string): Promise<void> {
  await db('import_file').where({ id }).delete();
}

/** Forgets files that were never made a study. */
export async function purgeImports(db: Connection): Promise<void> {
  await db('import_file').where('created', '<', db.raw(`now() - interval '1 day'`)).delete();
}

function serialized(settings: ImportSettings | null): string | null {
  return settings === null ? null : JSON.stringify(settings);
}
