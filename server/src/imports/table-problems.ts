import { type ImportProblem, type ImportSettings, MOST_COLUMNS } from '@ivlen/contract';
import { countOf, rowsPhrase, thousands } from '../phrases/phrases';
import type { ScannedTable } from './scan-table';

/** What is wrong with a table as a whole. */
export function tableProblems(
  { rows, width, short, long, unclosedQuoteAt, emptyTail }: ScannedTable,
  settings: ImportSettings,
): ImportProblem[] {
  const problems: ImportProblem[] = [];
  const add = (problem: Omit<ImportProblem, 'mends'> & Partial<Pick<ImportProblem, 'mends'>>) => problems.push({ mends: [], ...problem });

  if (rows === 0) {
    add({
      severity: 'stops',
      code: 'no-rows',
      message: settings.header ? 'Under the row of names no row of data follows.' : 'No row holds any value.',
      hint: 'Take a file with at least three rows of data, or say below that the first row is data too.',
      mends: settings.header ? [{ label: 'The first row is data', patch: { header: false } }] : [],
    });
  }
  if (unclosedQuoteAt !== null) {
    add({
      severity: 'stops',
      code: 'unclosed-quote',
      message: `A quotation mark opens in row ${thousands(unclosedQuoteAt)} and never closes, so that all after it falls into one cell.`,
      hint: 'Close it in the file, or read quotation marks as ordinary characters.',
      mends: [{ label: 'Read quotation marks as ordinary characters', patch: { quotes: false } }],
    });
  }
  if (width > MOST_COLUMNS) {
    add({
      severity: 'stops',
      code: 'too-many-columns',
      message: `The table has ${thousands(width)} columns; a study takes up to ${thousands(MOST_COLUMNS)}.`,
      hint: 'If rows and columns are swapped, transpose the table; else keep the columns you need and bring it in again.',
    });
  }
  if (width === 1 && rows > 0) {
    add({
      severity: 'check',
      code: 'one-column',
      message: 'The table has one column only; a correlation needs two.',
      hint: 'If the rows below hold several values each, choose the separator that stands between them.',
    });
  }
  if (rows > 0 && rows < 3) {
    add({
      severity: 'check',
      code: 'few-rows',
      message: `The table has ${countOf(rows, 'row')} of data; no correlation can be tested with fewer than three.`,
      hint: 'Check that the whole file was chosen.',
    });
  }
  if (short.count > 0) {
    add({
      severity: 'check',
      code: 'short-rows',
      message: `${capital(rowsPhrase(short.rows, short.count))} ${short.count === 1 ? 'has' : 'have'} fewer cells than the ${thousands(width)} columns (${short.count === 1 ? 'it' : 'the first'} has ${short.width}).`,
      hint:
        short.count === 1
          ? 'The cells missing at its end count as missing values. Compare this row with the file.'
          : 'The cells missing at their ends count as missing values. Compare these rows with the file.',
    });
  }
  if (long.count > 0) {
    add({
      severity: 'check',
      code: 'long-rows',
      message: `${capital(rowsPhrase(long.rows, long.count))} ${long.count === 1 ? 'has' : 'have'} more cells than the ${thousands(width)} columns; the extra ones (“${clipped(long.extra)}”${long.count === 1 ? '' : ' in the first'}) are not read.`,
      hint: 'Often a separator stands inside a value: enclose the value in quotation marks in the file, or choose another separator or decimal mark here.',
    });
  }
  if (emptyTail > 0) {
    add({
      severity: 'note',
      code: 'empty-tail',
      message: `${capital(countOf(emptyTail, 'empty row'))} at the foot ${emptyTail === 1 ? 'is' : 'are'} left out.`,
    });
  }
  return problems;
}

export function clipped(text: string): string {
  return text.length > 24 ? `${text.slice(0, 23)}…` : text;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
