import { type ImportPreview, importPreviewSchema } from '@ivlen/contract';
import type { Connection } from '../database/connect';
import { DomainError } from '../errors/domain-error';
import type { FilePreview } from './read-file';

/** A file that waits to be made a study, as it was last read. */
export interface WaitingImport {
  readonly id: string;
  /** Which reading of the file the preview and the stored columns are of. */
  readonly reading: string;
  readonly preview: ImportPreview;
}

export async function insertImport(db: Connection, { id, reading, preview }: WaitingImport): Promise<void> {
  const { fileName, bytes, ...rest } = preview;
  await db('import_file').insert({ id, name: fileName, bytes, reading, preview: serialized(rest) });
}

/** @throws {DomainError} 'no-such-import' */
export async function selectImport(db: Connection, id: string): Promise<WaitingImport> {
  const row = await db('import_file')
    .where({ id })
    .first<{ name: string; bytes: string; reading: string; preview: object } | undefined>('name', 'bytes', 'reading', 'preview');
  const read = importPreviewSchema.safeParse({ ...row?.preview, id, fileName: row?.name, bytes: Number(row?.bytes) });
  // What an older program left waiting may no longer be read: it is chosen again.
  if (!row || !read.success) {
    throw new DomainError('no-such-import', 'This file is no longer waiting to be brought in.', {
      hint: 'It was made a study, given up, or is more than a day old. Choose the file again.',
    });
  }
  return { id, reading: row.reading, preview: read.data };
}

export async function updateImport(db: Connection, { id, reading, preview }: WaitingImport): Promise<void> {
  const { fileName: _, bytes: __, ...rest } = preview;
  await db('import_file')
    .where({ id })
    .update({ reading, preview: serialized(rest) });
}

export async function deleteImport(db: Connection, id: string): Promise<void> {
  await db('import_file').where({ id }).delete();
}

/** Forgets files that were never made a study. @returns which */
export async function purgeImports(db: Connection): Promise<string[]> {
  const forgotten = await db('import_file').where('created', '<', db.raw(`now() - interval '1 day'`)).delete<{ id: string }[]>('id');
  return forgotten.map(({ id }) => id);
}

/** The files that still wait. */
export async function selectWaiting(db: Connection): Promise<ReadonlySet<string>> {
  return new Set(await db('import_file').pluck<string[]>('id'));
}

/** A zero character, which a cell may hold, is none that the database takes. */
function serialized(preview: FilePreview | object): string {
  return JSON.stringify(preview).replaceAll('\\u0000', '\\ufffd');
}
