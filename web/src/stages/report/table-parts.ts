import type { ReportSettings } from '@ivlen/contract';
import { greatest } from '../../numbers/ends';
import type { ToldTable } from '../../telling/told';

/** How many letters of a table's size fit beside each other between the margins of the paper. */
const LETTERS = { portrait: 92, landscape: 140 } as const;
const BETWEEN = 2;

/** A table, cut into several that fit on the paper where it is too wide: the first columns stand again in each. */
export function tablesOfWidth(table: ToldTable, { paper, split }: Pick<ReportSettings, 'paper' | 'split'>): ToldTable[] {
  const widths = table.head.map((name, j) => widest([name, ...table.rows.map((cells) => cells[j] ?? '')]) + BETWEEN);
  const repeated = table.repeated ?? 1;
  const room = LETTERS[paper] - sum(widths.slice(0, repeated));
  if (!split || sum(widths.slice(repeated)) <= room) return [table];
  const parts: number[][] = [];
  let used = Number.POSITIVE_INFINITY;
  for (let j = repeated; j < widths.length; j++) {
    const width = widths[j] ?? 0;
    if (used + width > room) [used] = [0, parts.push([])];
    parts.at(-1)?.push(j);
    used += width;
  }
  const kept = Array.from({ length: repeated }, (_, j) => j);
  return parts.map((columns, k) => cut(table, [...kept, ...columns], repeated, k === parts.length - 1));
}

function cut({ note, ...table }: ToldTable, columns: readonly number[], repeated: number, last: boolean): ToldTable {
  const pick = <T>(items: readonly T[]) => columns.flatMap((j) => items[j] ?? []);
  return {
    ...table,
    head: pickAll(table.head, columns),
    align: pick(table.align),
    rows: rowsOf(table, columns, repeated),
    ...(last && note ? { note } : {}),
  };
}

/** A triangle leaves rows empty in its later parts: they are left out there. */
function rowsOf({ rows }: Pick<ToldTable, 'rows'>, columns: readonly number[], repeated: number): string[][] {
  const cells = rows.map((line) => pickAll(line, columns));
  const filled = cells.filter((line) => line.slice(repeated).some((text) => text !== ''));
  return filled.length > 0 ? filled : cells;
}

function pickAll(cells: readonly string[], columns: readonly number[]): string[] {
  return columns.map((j) => cells[j] ?? '');
}

/** Names stand on two lines where they are long, so that they count half. */
function widest(texts: readonly string[]): number {
  return texts.reduce((most, text) => Math.max(most, greatest(text.split('\n').map(({ length }) => length))), 0);
}

function sum(numbers: readonly number[]): number {
  return numbers.reduce((total, number) => total + number, 0);
}
