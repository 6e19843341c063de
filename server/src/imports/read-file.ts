import { writeFileSync } from 'node:fs';
import type { Format, ImportPreview, ImportProblem, ImportSettings } from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';
import { type BlocksFile, openBlocksFile } from './column-blocks';
import type { Converted } from './conversion/conversion';
import { guessSettings } from './guess-settings';
import { readTable } from './read-table';
import { sampleText } from './scan-table';
import { fileSource, withBoundedLines } from './table-source';

/** Where the parts of a file on its way in are. */
export interface ImportPaths {
  readonly source: string;
  /** Another format turned into text. */
  readonly text: string;
  /** The columns as read, in blocks. */
  readonly blocks: string;
  /** Texts by code, a line of JSON for each column. */
  readonly dictionaries: string;
  /** Cells that tell a limit only, a line of JSON for each column. */
  readonly limits: string;
}

export interface ReadFileRequest {
  readonly paths: ImportPaths;
  /** null to guess them. */
  readonly settings: ImportSettings | null;
  /** Where it is no text itself, it stands as one beside it by now. */
  readonly format: Format;
  /** The sheets of a workbook, and the one that was turned into text. */
  readonly told: Converted;
  /** Whether which sheet is read was guessed. */
  readonly guessedSheet: boolean;
  /** Bytes read so far and in all, in shared memory. */
  readonly progress: Float64Array;
}

export type FilePreview = Omit<ImportPreview, 'id' | 'fileName' | 'bytes'>;

/** What is fixed where the text was written by us. */
const AS_WRITTEN = { encoding: 'utf-8', separator: '\t', quotes: true } as const;

/** Reads a file of any format as a table, its columns into the blocks file. */
export async function readFile({ paths, settings, format, told, guessedSheet, progress }: ReadFileRequest): Promise<FilePreview> {
  const source = withBoundedLines(fileSource(format === 'text' ? paths.source : paths.text));
  if (format !== 'text' && source.bytes === 0)
    throw new DomainError('empty-file', 'There is no table in the file: it holds no cell.', {
      hint: 'Choose another file, or another sheet.',
    });
  progress[1] = source.bytes;
  let blocks: BlocksFile | undefined;
  try {
    const { preview, dictionaries, limits } = await readTable(source, settingsFor(format, settings, source, told.sheet), {
      blocks: (width) => {
        blocks?.close();
        blocks = openBlocksFile(paths.blocks, width, 'w+');
        return blocks;
      },
      onBytes: (bytes) => {
        progress[0] = bytes;
      },
    });
    writeFileSync(paths.dictionaries, inLines(dictionaries), { mode: 0o600 });
    writeFileSync(paths.limits, inLines(limits), { mode: 0o600 });
    return {
      ...preview,
      sheets: told.sheets,
      problems: withSheets(preview.problems, told, { guessed: guessedSheet, ofJson: format === 'json' }),
    };
  } finally {
    blocks?.close();
  }
}

function inLines(items: readonly unknown[]): string {
  return items.map((item) => JSON.stringify(item)).join('\n');
}

/** Of a workbook with several sheets, or an object with several lists of rows: which one is read, and where a table may be if not in this one. */
function withSheets(
  problems: readonly ImportProblem[],
  { sheets, sheet }: { sheets: readonly string[]; sheet: string | null },
  { guessed, ofJson }: { guessed: boolean; ofJson: boolean },
): ImportProblem[] {
  const others = sheets.filter((name) => name !== sheet);
  if (sheet === null || others.length === 0) return [...problems];
  const named = others.map((name) => `“${name}”`).join(', ');
  const told = problems.map((problem) =>
    NO_TABLE.has(problem.code)
      ? { ...problem, hint: `${problem.hint ?? ''} Or read another ${ofJson ? 'list' : 'sheet'} than “${sheet}”: ${named}.`.trim() }
      : problem,
  );
  if (!guessed) return told;
  const message = ofJson
    ? `Of ${sheets.length} lists of rows “${sheet}” is read, the longest; the others are ${named}.`
    : `Of ${sheets.length} sheets “${sheet}” is read, the first that looks like a table; the others are ${named}.`;
  const mends = others.slice(0, SHEETS_OFFERED).map((name) => ({ label: `Read “${name}”`, patch: { sheet: name } }));
  // Which of the lists is the table cannot be told by its look.
  return [...told, { severity: ofJson ? 'check' : 'note', code: 'sheets', message, mends }];
}

/** What is said of a sheet that may be no table at all. */
const NO_TABLE: ReadonlySet<string> = new Set(['no-rows', 'one-column', 'no-quantity', 'few-rows', 'nothing-kept']);
const SHEETS_OFFERED = 3;

/** Settings as chosen; of a text that we wrote ourselves only names, units, foot and codes are to be guessed, and marks can be set. */
function settingsFor(
  format: Format,
  chosen: ImportSettings | null,
  source: ReturnType<typeof fileSource>,
  sheet: string | null,
): ImportSettings | null {
  if (format === 'text') return chosen;
  const settings = chosen ?? guessSettings(sampleText(source, 'utf-8'), 'utf-8', { ...AS_WRITTEN, decimal: '.', thousands: 'none' });
  return { ...settings, ...AS_WRITTEN, format, sheet };
}
