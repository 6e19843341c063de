import type { FoundCells, RowOrder, Variable } from '@ivlen/contract';
import type { Columns, Table } from '../columns/columns';
import type { Connection } from '../database/connect';
import { detectDateReader } from '../imports/date-reader';
import { readPlainNumber } from './read-plain-number';
import { orderOfRows } from './row-order';

const MOST_LISTED = 1000;

/** Cells that hold a text: texts and labels that contain it, numbers and dates equal to it. */
export async function findCells(db: Connection, columns: Columns, table: Table, text: string, order: RowOrder): Promise<FoundCells> {
  const sorted = await orderOfRows(db, columns, table, order);
  const positions = sorted && inverse(sorted);
  const found: FoundCells['cells'] = [];
  for (const variable of table.state.variables) {
    const wanted = wantedValues(variable, text, await columns.dictionary(db, table, variable.id));
    if (wanted.size === 0) continue;
    const values = await columns.values(db, table, variable.id);
    for (let row = 0; row < values.length; row++) {
      if (wanted.has(values[row] ?? Number.NaN)) found.push({ row: row + 1, position: positions?.[row] ?? row, variable: variable.id });
    }
  }
  found.sort((a, b) => a.position - b.position);
  return { total: found.length, cells: found.slice(0, MOST_LISTED) };
}

function wantedValues(variable: Variable, text: string, dictionary: readonly string[]): Set<number> {
  const wanted = text.trim().toLowerCase();
  if (variable.storage === 'code') {
    return new Set([...dictionary.keys()].filter((code) => dictionary[code]?.toLowerCase().includes(wanted)));
  }
  const value = variable.storage === 'number' ? readPlainNumber(wanted) : (detectDateReader([wanted])?.(wanted) ?? Number.NaN);
  const labelled = Object.entries(variable.valueLabels).filter(([, label]) => label.toLowerCase().includes(wanted));
  return new Set([value, ...labelled.map(([code]) => readPlainNumber(code))].filter((item) => !Number.isNaN(item)));
}

function inverse(order: Uint32Array): Uint32Array {
  const positions = new Uint32Array(order.length);
  order.forEach((row, position) => {
    positions[row] = position;
  });
  return positions;
}
