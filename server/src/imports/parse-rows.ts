import { Readable } from 'node:stream';
import type { ImportSettings } from '@ivlen/contract';
import Papa from 'papaparse';

/** A character that no text holds, for files whose quotation marks are ordinary characters. */
const NO_QUOTE = '\u0000';

type Cutting = Pick<ImportSettings, 'separator' | 'quotes'>;

function configOf({ separator, quotes }: Cutting) {
  return { delimiter: separator, quoteChar: quotes ? '"' : NO_QUOTE, skipEmptyLines: true } as const;
}

/**
 * Cuts text that comes in pieces into rows of cells. Empty lines are passed over.
 * @param onRows called with the rows of each piece, in order
 * @returns whether a quotation mark opened in the last row and never closed
 */
export async function parseRows(
  pieces: Iterable<string>,
  cutting: Cutting,
  onRows: (rows: string[][]) => void,
): Promise<{ unclosedQuote: boolean }> {
  let unclosedQuote = false;
  await new Promise<void>((resolve, reject) => {
    Papa.parse<string[]>(Readable.from(pieces), {
      ...configOf(cutting),
      chunk({ data, errors }) {
        if (errors.some((error) => error.code === 'MissingQuotes')) unclosedQuote = true;
        onRows(data);
      },
      complete: () => resolve(),
      error: reject,
    });
  });
  return { unclosedQuote };
}

/** The first rows of a text. */
export function firstRows(text: string, cutting: Cutting, count: number): string[][] {
  return text.length === 0 ? [] : Papa.parse<string[]>(text, { ...configOf(cutting), preview: count }).data;
}
