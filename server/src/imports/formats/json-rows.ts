import { readFileSync } from 'node:fs';
import { DomainError } from '../../errors/domain-error';
import { cellOf, TextTableFile } from './text-table-file';

const LARGEST_JSON = 256 * 1024 * 1024;

/**
 * Writes rows in JSON as text: an array of objects, an object that holds one such array, or one object a line.
 * @throws {DomainError} 'not-json', 'not-rows', 'too-large'
 */
export function jsonToText(path: string, textPath: string): void {
  const content = readFileSync(path);
  if (content.length > LARGEST_JSON) {
    throw new DomainError('too-large', 'A JSON file is read up to 256 MB.', {
      hint: 'Save the table as CSV or Parquet and bring that in.',
    });
  }
  const rows = rowsIn(new TextDecoder().decode(content));
  const names = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  const text = new TextTableFile(textPath);
  text.row(names);
  for (const row of rows) text.row(names.map((name) => cellOf(row[name])));
  text.close();
}

type Row = Readonly<Record<string, unknown>>;

function rowsIn(content: string): Row[] {
  const value = parsed(content);
  const arrays = isRow(value) ? Object.values(value).filter(Array.isArray) : [];
  const rows = Array.isArray(value) ? value : arrays.length === 1 ? arrays[0] : null;
  if (!Array.isArray(rows) || rows.length === 0 || !rows.every(isRow)) {
    throw new DomainError('not-rows', 'The JSON file holds no list of rows.', {
      hint: 'Each row must be an object with the names of the columns: [{"station": "A", "nitrate": 1.2}, …].',
    });
  }
  return rows;
}

function isRow(value: unknown): value is Row {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function parsed(content: string): unknown {
  try {
    return JSON.parse(content);
  } catch (error) {
    const lines = content.split('\n').filter((line) => line.trim() !== '');
    const perLine = lines.length > 1 ? lines.map(parsedLine) : [];
    if (perLine.length > 0 && perLine.every((row) => row !== undefined)) return perLine;
    const where = error instanceof Error ? error.message.slice(0, 200) : undefined;
    throw new DomainError('not-json', 'The file is called JSON but cannot be read as such.', {
      ...(where ? { where } : {}),
      hint: 'Write it anew from where it came, or bring the table in as CSV.',
    });
  }
}

function parsedLine(line: string): Row | undefined {
  try {
    const value: unknown = JSON.parse(line);
    return isRow(value) ? value : undefined;
  } catch {
    return undefined;
  }
}
