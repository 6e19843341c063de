import { BLOCK_ROWS, type Study } from '@ivlen/contract';
import { useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import { blockQuery } from '../api/queries';
import { rowInWords } from './row-in-words';

const ROW_ORDER = { descending: '0' } as const;

/** Rows as people call them: "row 31 (AS-031)", by the table's identifier if it has one. @param rows their numbers, from 1 */
export function useRowNames(study: Study, rows: readonly number[]): readonly { readonly row: number; readonly name: string | null }[] {
  const at = study.state.variables.findIndex(({ kind }) => kind === 'identifier');
  const blocks = [...new Set(rows.map((row) => Math.floor((row - 1) / BLOCK_ROWS)))];
  const found = useQueries({
    queries: at < 0 ? [] : blocks.map((block) => blockQuery(study.id, study.head, ROW_ORDER, block)),
    combine: (results) => results.flatMap(({ data }) => data?.rows ?? []),
  });
  return useMemo(() => {
    const cells = new Map(found.map(({ number, cells }) => [number, cells[at]]));
    return rows.map((row) => {
      const cell = cells.get(row);
      return { row, name: cell === undefined || cell === null ? null : String(cell) };
    });
  }, [found, rows, at]);
}

/** One row by its number and name: "row 31 (AS-031)". @param row its number from 1; null for none */
export function useRowName(study: Study, row: number | null): string {
  const rows = useMemo(() => (row === null ? [] : [row]), [row]);
  const [found] = useRowNames(study, rows);
  if (!found) return '';
  return rowInWords(found.row, found.name);
}
