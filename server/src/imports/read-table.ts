import {
  type Encoding,
  type ImportColumn,
  type ImportPreview,
  type ImportProblem,
  type ImportSettings,
  isQuantity,
  type Kind,
  kindsFor,
} from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';
import type { ColumnBuilder } from './column-builder';
import { columnProblems } from './column-problems';
import { detectDateReader } from './date-reader';
import { decodeText, detectEncoding } from './decode-text';
import { guessSettings } from './guess-settings';
import { columnFigures, inferKind } from './infer-kind';
import { nameColumns } from './name-columns';
import { groupedPattern } from './number-reader';
import { scanTable } from './scan-table';
import { tableProblems } from './table-problems';

const DATES_PROBED = 1000;

/** A table as read: what the preview shows, and the typed columns behind it. */
export interface ReadTable {
  readonly preview: Omit<ImportPreview, 'id' | 'fileName' | 'bytes'>;
  /** One for each column, in order. */
  readonly columns: readonly { values: Float64Array; dictionary: string[] }[];
}

/**
 * Reads the bytes of a text file as a table.
 * @param settings null to guess them
 * @throws {DomainError} the file is empty or is not text; everything else is told in `problems`.
 */
export function readTable(bytes: Uint8Array, settings: ImportSettings | null): ReadTable {
  const text = readText(bytes, settings?.encoding);
  const resolved = settings ?? guessSettings(text.content, text.encoding);
  const table = scanTable(text.content, resolved);
  const { names, problems: nameProblems } = nameColumns(table.names, resolved);
  const columns = table.columns.map((builder, i) => describeColumn(builder, table.rows, names[i] ?? '', table.names[i] ?? '', i, resolved));
  const problems = [
    ...tableProblems(table, resolved),
    ...(table.rows > 0 ? wholeTableChecks(columns, table.head, settings, resolved) : []),
    ...nameProblems.filter(({ column }) => column === undefined || !columns[column]?.leftOut),
    ...table.columns.flatMap((builder, i) => (columns[i] ? columnProblems(builder, columns[i], i, resolved) : [])),
  ];
  return {
    preview: { settings: resolved, rows: table.rows, columns, head: table.head, problems: bySeverity(problems) },
    columns: table.columns.map((builder) => ({ values: builder.values(table.rows), dictionary: builder.dictionary() })),
  };
}

function readText(bytes: Uint8Array, chosen: Encoding | undefined): { content: string; encoding: Encoding } {
  if (bytes.length === 0)
    throw new DomainError('empty-file', 'The file is empty.', {
      hint: 'Choose a file with a table in it: names in the first row, one case in each row below.',
    });
  const encoding = chosen ?? detectEncoding(bytes);
  if (!encoding) {
    throw new DomainError('not-text', 'The file is not text: it holds bytes that no table of text has.', {
      hint: 'Save the table as CSV (comma-separated values) from the program it was made with, and bring that file in.',
    });
  }
  const content = decodeText(bytes, encoding);
  if (content.trim() === '')
    throw new DomainError('empty-file', 'The file holds nothing but white space.', { hint: 'Choose a file with a table in it.' });
  return { content, encoding };
}

function describeColumn(
  builder: ColumnBuilder,
  rows: number,
  name: string,
  headerText: string,
  index: number,
  settings: ImportSettings,
): ImportColumn {
  const { storage } = builder.reading;
  const figures = columnFigures(name, storage, builder.values(rows));
  const correction = settings.columns[index];
  const kinds = kindsToChoose(builder);
  const unnamedAndEmpty = builder.present === 0 && headerText === '' && settings.header;
  return {
    name,
    kind: correction?.kind && kinds.includes(correction.kind) ? correction.kind : inferKind(figures),
    storage,
    kinds,
    leftOut: correction?.leaveOut ?? unnamedAndEmpty,
    present: figures.present,
    missing: rows - figures.present,
    distinct: figures.distinct,
  };
}

/** Kinds that the column could be read as: text also as numbers or dates, dates also as text. */
function kindsToChoose(builder: ColumnBuilder): Kind[] {
  const { storage } = builder.reading;
  const kinds = new Set(kindsFor(storage));
  if (storage === 'day') for (const kind of kindsFor('code')) kinds.add(kind);
  if (storage === 'code' && builder.present > 0) {
    for (const kind of kindsFor('number')) kinds.add(kind);
    if (detectDateReader(builder.dictionary().slice(0, DATES_PROBED))) kinds.add('date');
  }
  return [...kinds];
}

function wholeTableChecks(
  columns: readonly ImportColumn[],
  head: readonly (readonly string[])[],
  chosen: ImportSettings | null,
  settings: ImportSettings,
): ImportProblem[] {
  const problems: ImportProblem[] = [];
  const kept = columns.filter((column) => !column.leftOut);
  if (kept.length === 0) {
    problems.push({
      severity: 'stops',
      code: 'nothing-kept',
      message: 'Every column is left out.',
      hint: 'Take at least one back in.',
      mends: [],
    });
  } else if (!kept.some(isQuantity) && !kept.some((column) => column.kind === 'ordinal')) {
    problems.push({
      severity: 'check',
      code: 'no-quantity',
      message: 'No column holds quantities, so that nothing can be correlated.',
      hint: 'Check the separator and the decimal mark; or change the kind of a column that does hold quantities.',
      mends: [],
    });
  }
  const { thousands, decimal } = settings;
  if (chosen === null && thousands !== 'none') {
    const pattern = groupedPattern(thousands, decimal);
    const example = head
      .flat()
      .map((cell) => cell.trim())
      .find((cell) => pattern.test(cell));
    const other = thousands === ',' || thousands === '.' ? thousands : null;
    problems.push({
      severity: 'check',
      code: 'thousands',
      message: `“${thousands}” is read as the thousands separator${example ? `: “${example}” is ${example.split(thousands).join('')}` : ''}.`,
      hint: other ? 'If it is the decimal mark, say so.' : 'If it is not, choose “none” on the left.',
      mends: other ? [{ label: `The decimal mark is “${other}”`, patch: { decimal: other, thousands: 'none' } }] : [],
    });
  }
  return problems;
}

const SEVERITIES: readonly ImportProblem['severity'][] = ['stops', 'check', 'note'];

function bySeverity(problems: readonly ImportProblem[]): ImportProblem[] {
  return SEVERITIES.flatMap((severity) => problems.filter((problem) => problem.severity === severity));
}
