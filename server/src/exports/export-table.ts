import { labelOf, type Variable } from '@ivlen/contract';
import { writtenValue } from '../rows/written-value';

/** A table about to be written, in memory that worker threads share. */
export interface ExportTable {
  readonly variables: readonly Variable[];
  /** One for each variable, over all rows of the study. */
  readonly columns: readonly Float64Array[];
  /** Texts by code, one for each variable; empty for numbers and dates. */
  readonly dictionaries: readonly (readonly string[])[];
  /** Numbers, from 0, of the rows that are written; null for all. */
  readonly rows: Uint32Array | null;
}

export function rowCount({ rows, columns }: ExportTable): number {
  return rows?.length ?? columns[0]?.length ?? 0;
}

/** What a value is written as: all digits of a number, the text of a code, its label if labels are wanted; "" is missing. */
export function createCellWriter(variable: Variable, dictionary: readonly string[], labels: boolean): (value: number) => string {
  return (value) => {
    const text = writtenValue(value, variable, dictionary) ?? '';
    return labels ? (labelOf(variable.valueLabels, text) ?? text) : text;
  };
}
