import type { Format } from '@ivlen/contract';
import { jsonToText } from './json-rows';
import { parquetToText } from './parquet';
import { workbookToText } from './workbook';

/** A file that is no text, to be written as one. */
export interface ConversionRequest {
  readonly format: Exclude<Format, 'text'>;
  /** Where the file is. */
  readonly source: string;
  /** Where its text goes. */
  readonly text: string;
  /** The sheet of a workbook, or the list of a JSON file; null for the likeliest. */
  readonly sheet: string | null;
}

/** Which sheets there are, and which was written. */
export interface Converted {
  readonly sheets: string[];
  readonly sheet: string | null;
}

export type OnProgress = (done: number, total: number) => void;

/** Writes a file of another format as text. @throws {DomainError} what the formats refuse */
export async function convert({ format, source, text, sheet }: ConversionRequest, onProgress: OnProgress): Promise<Converted> {
  switch (format) {
    case 'workbook':
      return workbookToText(source, text, sheet);
    case 'json':
      return jsonToText(source, text, sheet);
    case 'parquet':
      await parquetToText(source, text, onProgress);
      return { sheets: [], sheet: null };
  }
}
