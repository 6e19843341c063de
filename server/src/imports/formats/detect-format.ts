import type { Format } from '@ivlen/contract';
import { DomainError } from '../../errors/domain-error';

const startsWith = (bytes: Uint8Array, text: string) => [...text].every((letter, i) => bytes[i] === letter.charCodeAt(0));

/**
 * What a file is, by its first bytes; its name only tells JSON from other text.
 * @throws {DomainError} 'old-workbook' for a workbook of the binary kind of before 2007
 */
export function detectFormat(first: Uint8Array, name: string): Format {
  if (startsWith(first, 'PK\x03\x04')) return 'workbook';
  if (startsWith(first, 'PAR1')) return 'parquet';
  if (startsWith(first, '\xd0\xcf\x11\xe0')) {
    throw new DomainError('old-workbook', 'This is a workbook in the binary form of before 2007 (.xls), which is not read here.', {
      hint: 'Open it in the spreadsheet it came from, save it as .xlsx or as CSV, and bring that in.',
    });
  }
  return /\.(json|ndjson|jsonl)$/i.test(name) ? 'json' : 'text';
}
