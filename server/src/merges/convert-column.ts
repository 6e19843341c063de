import type { Storage, Variable } from '@ivlen/contract';
import { detectDateReader } from '../imports/date-reader';
import { readPlainNumber } from '../rows/read-plain-number';
import { writtenValue } from '../rows/written-value';

/** A column of a file in the terms of the study's variable. */
export interface ConvertedColumn {
  readonly values: Float64Array;
  /** Texts by code, those of the study first; null for numbers and dates. */
  readonly dictionary: string[] | null;
  /** Cells that were there but cannot be read as what the variable holds. */
  readonly unreadable: number;
}

interface Incoming {
  readonly storage: Storage;
  readonly values: Float64Array;
  readonly dictionary: readonly string[];
}

/** Reads a file's column as the variable holds it; text that cannot be read so becomes missing and is counted. */
export function convertColumn(incoming: Incoming, variable: Variable, known: readonly string[]): ConvertedColumn {
  if (incoming.storage === variable.storage && variable.storage !== 'code')
    return { values: incoming.values, dictionary: null, unreadable: 0 };
  const dictionary = variable.storage === 'code' ? [...known] : null;
  const codes = new Map(dictionary?.map((text, code) => [text, code]));
  const read = (text: string): number => {
    if (dictionary) {
      if (!codes.has(text)) codes.set(text, dictionary.push(text) - 1);
      return codes.get(text) ?? Number.NaN;
    }
    return variable.storage === 'number' ? readPlainNumber(text) : (detectDateReader([text])?.(text) ?? Number.NaN);
  };
  const cache = new Map<number, number>();
  let unreadable = 0;
  const values = incoming.values.map((value) => {
    if (value !== value) return value;
    let converted = cache.get(value);
    if (converted === undefined) {
      converted = read(writtenValue(value, incoming, incoming.dictionary) ?? '');
      cache.set(value, converted);
    }
    if (converted !== converted) unreadable++;
    return converted;
  });
  return { values, dictionary, unreadable };
}
