import {
  type ImportColumn,
  type ImportPreview,
  type ImportProblem,
  type ImportSettings,
  isQuantity,
  type Kind,
  kindsFor,
} from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';
import type { ToldLimits } from '../limits/told-limits';
import { countOf } from '../phrases/phrases';
import type { ColumnBuilder } from './column-builder';
import { columnProblems } from './column-problems';
import { detectDateReader } from './date-reader';
import { detectEncoding } from './decode-text';
import { edgeProblems } from './edge-problems';
import { guessSettings } from './guess-settings';
import { countDistinct, inferKind } from './infer-kind';
import { mixedEncodings } from './mixed-encodings';
import { nameColumns } from './name-columns';
import { groupedPattern } from './number-reader';
import { type ScannedTable, type ScanOptions, sampleText, scanTable } from './scan-table';
import { tableProblems } from './table-problems';
import { type TableSource, withoutZeros } from './table-source';
import { limitsNote } from './text-numbers';
import { bareUnit } from './units-row';

const DATES_PROBED = 1000;
const SHOWN_LETTERS = 300;

/** A table as read: what the preview shows; the values are in the blocks that were given. */
export interface ReadTable {
  readonly preview: Omit<ImportPreview, 'id' | 'fileName' | 'bytes' | 'sheets'>;
  /** Texts by code, one list for each column, in order; empty for numbers and dates. */
  readonly dictionaries: readonly (readonly string[])[];
  /** Of each column the cells that told a limit only. */
  readonly limits: readonly ToldLimits[];
}

/**
 * Reads a text as a table.
 * @param settings null to guess them
 * @throws {DomainError} the file is empty or is not text; everything else is told in `problems`.
 */
export async function readTable(source: TableSource, settings: ImportSettings | null, options: ScanOptions): Promise<ReadTable> {
  const resolved = settings ?? guessed(source);
  let zeros = 0;
  const isWide = resolved.encoding.startsWith('utf-16');
  const cleaned = isWide
    ? source
    : withoutZeros(source, (found) => {
        zeros = found;
      });
  const table = await scanTable(cleaned, resolved, options);
  const { names, problems: nameProblems } = nameColumns(table.names, resolved);
  const columns = table.columns.map((builder, i) => describeColumn(builder, names[i] ?? '', table, i, resolved));
  const problems = [
    ...tableProblems(table, resolved),
    ...zerosLeftOut(zeros),
    ...(resolved.encoding === 'windows-1252' ? mixedEncodings(source) : []),
    ...edgeProblems(table, resolved),
    ...(table.rows > 0 ? wholeTableChecks(columns, table.head, settings, resolved) : []),
    ...nameProblems.filter(({ column }) => column === undefined || !columns[column]?.leftOut),
    ...table.columns.flatMap((builder, i) => (columns[i] ? columnProblems(builder, columns[i], i, resolved) : [])),
  ].filter((problem, _, all) => !isOfUnits(problem, table, all));
  return {
    preview: {
      settings: resolved,
      rows: table.rows,
      columns,
      head: table.head.map((cells) => cells.map(cut)),
      problems: bySeverity(problems),
    },
    dictionaries: table.columns.map((builder) => builder.dictionary()),
    limits: table.columns.map(({ toldLimits }) => toldLimits.found),
  };
}

function zerosLeftOut(count: number): ImportProblem[] {
  if (count === 0) return [];
  const message = `${countOf(count, 'character')} that no text has (NUL) ${count === 1 ? 'was' : 'were'} left out.`;
  return [{ severity: 'note', code: 'zeros', message, hint: 'The file may be damaged there: look at the cells that seem odd.', mends: [] }];
}

/** A cell as it is shown in the preview. */
function cut(cell: string): string {
  return cell.length > SHOWN_LETTERS ? `${cell.slice(0, SHOWN_LETTERS)} …` : cell;
}

function guessed(source: TableSource): ImportSettings {
  if (source.bytes === 0)
    throw new DomainError('empty-file', 'The file is empty.', {
      hint: 'Choose a file with a table in it: names in the first row, one case in each row below.',
    });
  const encoding = detectEncoding(source);
  if (!encoding) {
    throw new DomainError(
      'not-text',
      'The file is neither text nor a workbook, Parquet or JSON file: it holds bytes that no table of text has.',
      {
        hint: 'Save the table as CSV (comma-separated values) from the program it was made with, and bring that file in.',
      },
    );
  }
  const text = sampleText(source, encoding);
  if (text.trim() === '')
    throw new DomainError('empty-file', 'The file holds nothing but white space.', { hint: 'Choose a file with a table in it.' });
  return guessSettings(text, encoding);
}

function describeColumn(
  builder: ColumnBuilder,
  name: string,
  { rows, names, units }: ScannedTable,
  index: number,
  settings: ImportSettings,
): ImportColumn {
  const { facts, reading } = builder;
  const { storage } = reading;
  const { present, min, max, integers, running } = facts;
  const distinct = storage === 'code' ? builder.dictionary().length : (facts.distinct ?? (integers ? distinctOf(builder, settings) : null));
  const correction = settings.columns[index];
  const kinds = kindsToChoose(builder);
  const unnamedAndEmpty = present === 0 && names[index] === '' && settings.header;
  return {
    name,
    kind:
      correction?.kind && kinds.includes(correction.kind)
        ? correction.kind
        : inferKind({ name, storage, present, distinct, min, max, integers, running }),
    storage,
    kinds,
    leftOut: correction?.leaveOut ?? unnamedAndEmpty,
    present,
    missing: rows - present,
    distinct,
    unit: correction?.unit || bareUnit(units[index] ?? '') || null,
    note: limitsNote(builder),
  };
}

function distinctOf(builder: ColumnBuilder, { missingCodes }: ImportSettings): number {
  const codes = new Set(missingCodes.map(Number));
  return countDistinct(builder.values().filter((value) => !codes.has(value)));
}

/** Units in the first row are told once, not again as cells of each column that are no numbers. */
function isOfUnits({ code, column }: ImportProblem, { columns }: ScannedTable, all: readonly ImportProblem[]): boolean {
  if (code !== 'not-numbers' || column === undefined || !all.some((other) => other.code === 'units-row')) return false;
  const exceptions = [...(columns[column]?.exceptions.values() ?? [])];
  return exceptions.every(({ count, rows }) => count === 1 && rows[0] === 1);
}

/** Kinds that the column could be read as: text also as numbers or dates, dates also as text. */
function kindsToChoose(builder: ColumnBuilder): Kind[] {
  const { storage } = builder.reading;
  const kinds = new Set(kindsFor(storage));
  if (storage === 'day') for (const kind of kindsFor('code')) kinds.add(kind);
  if (storage === 'code' && builder.facts.present > 0) {
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
  } else if (!kept.some(isQuantity) && !kept.some((column) => column.kind === 'ordinal' || column.kind === 'two-valued')) {
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
