import { rowsInUse, type Study } from '@ivlen/contract';
import { useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { rowsInUseQuery, valuesQuery } from '../api/queries';
import type { Points } from '../figures/points';
import { usedRows } from '../study/used-rows';
import type { Pair } from './use-pair-selection';

/** The points of a pair: all values, and the rows that its coefficient uses; null while they load. */
export function usePairPoints(
  study: Study,
  { x, y }: Pair,
  completeFor: readonly string[],
): { points: Points | null; error: Error | null } {
  const ids = [...new Set([x.id, y.id, ...completeFor])];
  const columns = useQueries({
    queries: ids.map((id) => valuesQuery(study, id)),
    combine: (results) => ({
      values: results.every(({ data }) => data) ? results.flatMap(({ data }) => data ?? []) : null,
      error: results.find(({ error }) => error)?.error ?? null,
    }),
  });
  const restricted = rowsInUse(study) < study.rows;
  const { data: inUse } = useQuery({ ...rowsInUseQuery(study), enabled: restricted });
  const points = useMemo(() => {
    if (!columns.values || (restricted && !inUse)) return null;
    const [xs, ys] = columns.values;
    return xs && ys ? { x: xs, y: ys, rows: usedRows(columns.values, inUse) } : null;
  }, [columns.values, restricted, inUse]);
  return { points, error: columns.error };
}
