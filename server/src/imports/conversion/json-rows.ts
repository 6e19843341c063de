import { readFileSync } from 'node:fs';
import { DomainError } from '../../errors/domain-error';
import { JSON_BYTES, JSON_KEYS } from '../budgets';
import { cellOf, TextTableFile } from './text-table-file';

/**
 * Writes rows in JSON as text: an array of objects, an object that holds such arrays, or one object a line.
 * @param list which of several arrays; null for the longest
 * @returns the names of the arrays where there are several, and the one that was taken
 * @throws {DomainError} 'not-json', 'not-rows', 'too-large'
 */
export function jsonToText(path: string, textPath: string, list: string | null = null): { sheets: string[]; sheet: string | null } {
  const content = readFileSync(path);
  if (content.length > JSON_BYTES) {
    throw new DomainError('too-large', 'A JSON file is read up to 256 MB.', {
      hint: 'Save the table as CSV or Parquet and bring that in.',
    });
  }
  const { rows, lists, taken } = rowsIn(new TextDecoder().decode(content), list);
  const names = keysOf(rows);
  const text = new TextTableFile(textPath);
  text.row(names);
  for (const row of rows) text.row(names.map((name) => (Object.hasOwn(row, name) ? cellOf(row[name]) : '')));
  text.close();
  return lists.length > 1 ? { sheets: lists, sheet: taken } : { sheets: [], sheet: null };
}

/** The keys of all rows in the order in which they come. Rows with keys of their own each would make a table of nearly nothing. */
function keysOf(rows: readonly Row[]): string[] {
  const names = new Set<string>();
  for (const [i, row] of rows.entries()) {
    for (const name of Object.keys(row)) names.add(name);
    if (names.size > JSON_KEYS) {
      throw new DomainError('too-many-keys', `The rows have more than ${JSON_KEYS.toLocaleString('en-GB')} different keys between them.`, {
        where: `row ${i + 1}`,
        hint: 'Each row must have the same keys, the names of the columns. If keys hold values, write them as a column instead.',
      });
    }
  }
  return [...names];
}

type Row = Readonly<Record<string, unknown>>;

interface FoundRows {
  readonly rows: readonly Row[];
  /** The names of the lists of rows in an object. */
  readonly lists: string[];
  readonly taken: string | null;
}

function rowsIn(content: string, list: string | null): FoundRows {
  const value = parsed(content);
  if (Array.isArray(value) && areRows(value)) return { rows: value, lists: [], taken: null };
  const lists = isRow(value) ? Object.entries(value).filter((entry): entry is [string, Row[]] => areRows(entry[1])) : [];
  const longest = lists.toSorted(([, a], [, b]) => b.length - a.length)[0];
  const found = lists.find(([name]) => name === list) ?? longest;
  if (!found) {
    throw new DomainError('not-rows', 'The JSON file holds no list of rows.', {
      hint: 'Each row must be an object with the names of the columns: [{"station": "A", "nitrate": 1.2}, …].',
    });
  }
  return { rows: found[1], lists: lists.map(([name]) => name), taken: found[0] };
}

function areRows(value: unknown): value is Row[] {
  return Array.isArray(value) && value.length > 0 && value.every(isRow);
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
