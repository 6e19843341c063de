import type { Encoding, ImportSettings, Separator } from '@ivlen/contract';
import { guessHeader } from './guess-header';
import { guessTop } from './guess-top';
import { COMMON_MISSING_CODES } from './missing-codes';
import { createNumberReader, groupedPattern } from './number-reader';
import { firstRows } from './parse-rows';

const SAMPLE_ROWS = 500;
const SEPARATORS: readonly Separator[] = ['\t', ';', ',', '|'];

type Known = Partial<Pick<ImportSettings, 'separator' | 'decimal' | 'thousands'>>;

/** Guesses how a text is to be read as a table, from its first rows; `known` is not guessed. */
export function guessSettings(text: string, encoding: Encoding, known: Known = {}): ImportSettings {
  const separator = known.separator ?? guessSeparator(text);
  const rows = firstRows(text, { separator, quotes: true }, SAMPLE_ROWS);
  const cells = rows.flat().map((cell) => cell.trim());
  const marks = known.decimal && known.thousands ? { decimal: known.decimal, thousands: known.thousands } : guessMarks(cells);
  const { top, nameRows } = guessTop(rows);
  const present = new Set(cells);
  return {
    format: 'text',
    sheet: null,
    encoding,
    separator,
    quotes: true,
    ...marks,
    top,
    header: guessHeader(rows.slice(top + nameRows - 1), createNumberReader(marks), COMMON_MISSING_CODES),
    nameRows,
    unitsRow: false,
    foot: 0,
    between: false,
    missingCodes: COMMON_MISSING_CODES.filter((code) => present.has(code)),
    columns: {},
  };
}

/** The separator that cuts most rows into the same number of cells, and into more than one. */
function guessSeparator(text: string): Separator {
  let best: { separator: Separator; score: number } = { separator: ',', score: 0 };
  for (const separator of SEPARATORS) {
    const widths = firstRows(text, { separator, quotes: true }, 60).map((row) => row.length);
    const usual = mode(widths);
    if (usual < 2) continue;
    const agreeing = widths.filter((width) => width === usual).length / widths.length;
    // A decimal comma cuts rows evenly too; where both do, the rarer character (listed first) is the separator.
    const score = agreeing >= 0.9 ? 2 : agreeing;
    if (score > best.score) best = { separator, score };
  }
  return best.separator;
}

function mode(values: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 0;
}

/** Decimal mark and thousands separator, by how many cells can only be read with each. */
function guessMarks(cells: readonly string[]): Pick<ImportSettings, 'decimal' | 'thousands'> {
  const count = (pattern: RegExp, not?: RegExp) => cells.filter((cell) => pattern.test(cell) && !not?.test(cell)).length;
  const groupedByComma = groupedPattern(',', '.');
  const groupedByPoint = groupedPattern('.', ',');
  const decimalComma = count(/^[+−-]?\d*,\d+$/, groupedByComma) + count(/^[+-]?\d{1,3}(\.\d{3})+,\d+$/);
  const decimalPoint = count(/^[+−-]?\d*\.\d+$/, groupedByPoint) + count(/^[+-]?\d{1,3}(,\d{3})+\.\d+$/);
  const decimal = decimalComma > decimalPoint ? ',' : '.';
  const candidates = decimal === '.' ? ([',', "'", ' '] as const) : (['.', "'", ' '] as const);
  const thousands = candidates.find((mark) => count(groupedPattern(mark, decimal)) > 0) ?? 'none';
  return { decimal, thousands };
}
