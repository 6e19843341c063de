import type { ImportSettings } from '@ivlen/contract';
import Papa from 'papaparse';

/** A character that no text holds, for files whose quotation marks are ordinary characters. */
const NO_QUOTE = '\u0000';

/**
 * Splits text into rows of cells. Empty lines are passed over.
 * @param onRow called with each row's cells and its number from 0; return false to stop
 * @returns the number of the row in which a quotation mark opens and never closes, or null
 */
export function parseRows(
  text: string,
  { separator, quotes }: Pick<ImportSettings, 'separator' | 'quotes'>,
  onRow: (cells: readonly string[], row: number) => boolean,
): { unclosedQuoteAt: number | null } {
  let row = 0;
  let unclosedQuoteAt: number | null = null;
  Papa.parse<string[]>(text, {
    delimiter: separator,
    quoteChar: quotes ? '"' : NO_QUOTE,
    skipEmptyLines: true,
    step({ data, errors }, parser) {
      if (errors.some((error) => error.code === 'MissingQuotes')) unclosedQuoteAt = row;
      if (!onRow(data, row++)) parser.abort();
    },
  });
  return { unclosedQuoteAt };
}

/** The first rows of a text. */
export function firstRows(text: string, settings: Pick<ImportSettings, 'separator' | 'quotes'>, count: number): string[][] {
  const rows: string[][] = [];
  if (text.length > 0) parseRows(text, settings, (cells) => rows.push([...cells]) < count);
  return rows;
}
