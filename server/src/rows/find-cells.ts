import type { FoundCells, RowOrder, Variable } from '@ivlen/contract';
import type { Columns, Table } from '../columns/columns';
import type { Connection } from '../database/connect';
import { detectDateReader } from '../imports/date-reader';
import { Turns } from '../workers/turns';
import { readPlainNumber } from './read-plain-number';
import { orderOfRows } from './row-order';

const MOST_LISTED = 1000;

/** So many values are looked at, and so many texts, before others may take their turn. */
const [VALUES_A_TURN, TEXTS_A_TURN] = [65_536, 8192];

interface Column {
  readonly variable: string;
  readonly values: Float64Array;
  readonly wanted: ReadonlySet<number>;
}

/** Cells that hold a text: texts and labels that contain it, numbers and dates equal to it; all counted, the first listed. */
export async function findCells(db: Connection, columns: Columns, table: Table, text: string, order: RowOrder): Promise<FoundCells> {
  const turns = new Turns();
  const sorted = await orderOfRows(db, columns, table, order);
  const searched: Column[] = [];
  for (const variable of table.state.variables) {
    const wanted = await wantedValues(variable, text, await columns.dictionary(db, table, variable.id), turns);
    if (wanted.size > 0) searched.push({ variable: variable.id, values: await columns.values(db, table, variable.id), wanted });
  }
  const cells: FoundCells['cells'] = [];
  let total = 0;
  const rows = searched[0]?.values.length ?? 0;
  const together = Math.max(1, Math.floor(VALUES_A_TURN / Math.max(1, searched.length)));
  for (let from = 0; from < rows; from += together) {
    for (let position = from; position < Math.min(rows, from + together); position++) {
      const row = sorted?.[position] ?? position;
      for (const { variable, values, wanted } of searched) {
        if (!wanted.has(values[row] ?? Number.NaN)) continue;
        if (total++ < MOST_LISTED) cells.push({ row: row + 1, position, variable });
      }
    }
    await turns.pause();
  }
  return { total, cells };
}

async function wantedValues(variable: Variable, text: string, dictionary: readonly string[], turns: Turns): Promise<Set<number>> {
  const wanted = text.trim().toLowerCase();
  if (variable.storage === 'code') {
    const codes = new Set<number>();
    for (let from = 0; from < dictionary.length; from += TEXTS_A_TURN) {
      for (let code = from; code < Math.min(dictionary.length, from + TEXTS_A_TURN); code++)
        if (dictionary[code]?.toLowerCase().includes(wanted)) codes.add(code);
      await turns.pause();
    }
    return codes;
  }
  const value = variable.storage === 'number' ? readPlainNumber(wanted) : (detectDateReader([wanted])?.(wanted) ?? Number.NaN);
  const labelled = Object.entries(variable.valueLabels).filter(([, label]) => label.toLowerCase().includes(wanted));
  return new Set([value, ...labelled.map(([code]) => readPlainNumber(code))].filter((item) => !Number.isNaN(item)));
}
