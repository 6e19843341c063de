import { BLOCK_ROWS, type Row, type Study } from '@ivlen/contract';
import { type QueryClient, useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import { blockQuery } from '../api/queries';
import { rowInWords } from './row-in-words';

const ROW_ORDER = { descending: '0' } as const;

/** A row with the name that the table's identifier gives it; null where there is none. */
interface NamedRow {
  readonly row: number;
  readonly name: string | null;
}

/** Rows as people call them: "row 31 (AS-031)", by the table's identifier if it has one. @param rows their numbers, from 1 */
export function useRowNames(study: Study, rows: readonly number[]): readonly NamedRow[] {
  const found = useQueries({
    queries: blocksOf(study, rows),
    combine: (results) => results.flatMap(({ data }) => data?.rows ?? []),
  });
  return useMemo(() => namedRows(study, rows, found), [study, rows, found]);
}

/** The same where no component stands. */
export async function fetchRowNames(client: QueryClient, study: Study, rows: readonly number[]): Promise<readonly NamedRow[]> {
  const blocks = await Promise.all(blocksOf(study, rows).map((query) => client.fetchQuery(query)));
  return namedRows(
    study,
    rows,
    blocks.flatMap((block) => block.rows),
  );
}

function blocksOf(study: Study, rows: readonly number[]) {
  if (identifierOf(study) < 0) return [];
  const blocks = new Set(rows.map((row) => Math.floor((row - 1) / BLOCK_ROWS)));
  return [...blocks].map((block) => blockQuery(study.id, study.head, ROW_ORDER, block));
}

function namedRows(study: Study, rows: readonly number[], found: readonly Row[]): readonly NamedRow[] {
  const at = identifierOf(study);
  const cells = new Map(found.map((line) => [line.number, line.cells[at]]));
  return rows.map((row) => {
    const cell = cells.get(row);
    return { row, name: cell === undefined || cell === null ? null : String(cell) };
  });
}

function identifierOf({ state }: Study): number {
  return state.variables.findIndex(({ kind }) => kind === 'identifier');
}

/** One row by its number and name: "row 31 (AS-031)". @param row its number from 1; null for none */
export function useRowName(study: Study, row: number | null): string {
  const rows = useMemo(() => (row === null ? [] : [row]), [row]);
  const [found] = useRowNames(study, rows);
  if (!found) return '';
  return rowInWords(found.row, found.name);
}
