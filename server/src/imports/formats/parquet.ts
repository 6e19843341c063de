import { asyncBufferFromFile, parquetMetadataAsync, parquetRead, parquetSchema } from 'hyparquet';
import { compressors } from 'hyparquet-compressors';
import { DomainError } from '../../errors/domain-error';
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
    const metadata = await parquetMetadataAsync(file);
    const names = parquetSchema(metadata).children.map(({ element }) => element.name);
    const total = Number(metadata.num_rows);
    text.row(names);
    for (let start = 0; start < total; start += ROWS_AT_A_TIME) {
      const rowEnd = Math.min(total, start + ROWS_AT_A_TIME);
      await parquetRead({
        file,
        metadata,
        compressors,
        rowStart: start,
        rowEnd,
        rowFormat: 'array',
        onComplete: (rows: unknown[][]) => {
          for (const row of rows) text.row(Array.from(row, cellOf));
        },
      });
      onRows(rowEnd, total);
    }
  } catch (error) {
    throw new DomainError('damaged-parquet', 'The Parquet file cannot be read to its end.', {
      ...(error instanceof Error ? { where: error.message.slice(0, 200) } : {}),
      hint: 'Write it anew from where it came, or bring the table in as CSV.',
    });
  } finally {
    text.close();
  }
}
