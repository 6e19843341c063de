import { asyncBufferFromFile, parquetMetadataAsync, parquetRead, parquetSchema } from 'hyparquet';
import { compressors } from 'hyparquet-compressors';
import { DomainError } from '../../errors/domain-error';
import { PARQUET_COLUMNS, PARQUET_METADATA_BYTES } from '../budgets';
import { cellOf, TextTableFile } from './text-table-file';

const ROWS_AT_A_TIME = 16_384;

/**
 * Writes the table of a Parquet file as text, a stretch of rows at a time.
 * @throws {DomainError} 'damaged-parquet'
 */
export async function parquetToText(path: string, textPath: string, onRows: (done: number, total: number) => void): Promise<void> {
  const file = await asyncBufferFromFile(path);
  const text = new TextTableFile(textPath);
  try {
    assertMetadata(await metadataBytes(file), file.byteLength);
    const metadata = await parquetMetadataAsync(file);
    const names = parquetSchema(metadata).children.map(({ element }) => element.name);
    if (names.length > PARQUET_COLUMNS) throw new Error(`${names.length} columns`);
    const total = metadata.row_groups.reduce((sum, group) => sum + Number(group.num_rows), 0);
    if (total !== Number(metadata.num_rows)) throw new Error(`it says ${metadata.num_rows} rows, and its parts say ${total}`);
    text.row(names);
    for (let start = 0; start < total; start += ROWS_AT_A_TIME) {
      const rowEnd = Math.min(total, start + ROWS_AT_A_TIME);
      let found = 0;
      await parquetRead({
        file,
        metadata,
        compressors,
        rowStart: start,
        rowEnd,
        rowFormat: 'array',
        onComplete: (rows: unknown[][]) => {
          found += rows.length;
          for (const row of rows) text.row(Array.from(row, cellOf));
        },
      });
      // A file can say that it has more rows than there are, and reading would go on for ever.
      if (found !== rowEnd - start) throw new Error(`rows ${start + 1} to ${rowEnd} are not there`);
      onRows(rowEnd, total);
    }
  } catch (error) {
    if (error instanceof DomainError) throw error;
    throw new DomainError('damaged-parquet', 'The Parquet file cannot be read to its end.', {
      ...(error instanceof Error ? { where: error.message.slice(0, 200) } : {}),
      hint: 'Write it anew from where it came, or bring the table in as CSV.',
    });
  } finally {
    text.close();
  }
}

const FOOTER_BYTES = 8;

/** How long the description at the end says it is. */
async function metadataBytes(file: Awaited<ReturnType<typeof asyncBufferFromFile>>): Promise<number> {
  if (file.byteLength < FOOTER_BYTES) return Number.POSITIVE_INFINITY;
  const footer = await file.slice(file.byteLength - FOOTER_BYTES, file.byteLength);
  return new DataView(footer).getUint32(0, true);
}

function assertMetadata(bytes: number, fileBytes: number): void {
  if (bytes > Math.min(PARQUET_METADATA_BYTES, fileBytes)) throw new Error('its description is longer than can be');
}
