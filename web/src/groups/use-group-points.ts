import { rowsInUse, type Study, type Variable } from '@ivlen/contract';
import { useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { rowsInUseQuery, valuesQuery } from '../api/queries';
import type { Points } from '../figures/points';
import type { TakingPart } from '../settings/use-grouping';
import { usedRows } from '../study/used-rows';
import type { ShownGroup } from './compared-pairs';

interface GroupPoints {
  /** Those of the groups that take part. */
  readonly points: Points;
  /** For each row the place of its group among those shown; −1 of rows in none. */
  readonly groupOf: Int8Array;
}

/** The points of a pair with their groups; null while they load. */
export function useGroupPoints(
  study: Study,
  { x, y }: { readonly x: Variable; readonly y: Variable },
  { by }: Pick<TakingPart, 'by'>,
  groups: readonly ShownGroup[],
  completeFor: readonly string[],
): { readonly drawn: GroupPoints | null; readonly error: Error | null } {
  const ids = [...new Set([x.id, y.id, by.id, ...completeFor])];
  const { values, error } = useQueries({
    queries: ids.map((id) => valuesQuery(study, id)),
    combine: (results) => ({
      values: results.every(({ data }) => data) ? results.flatMap(({ data }) => data ?? []) : null,
      error: results.find((result) => result.error)?.error ?? null,
    }),
  });
  const restricted = rowsInUse(study) < study.rows;
  const { data: inUse } = useQuery({ ...rowsInUseQuery(study), enabled: restricted });
  const drawn = useMemo(() => {
    if (!values || (restricted && !inUse)) return null;
    return groupPoints(values, groups, inUse);
  }, [values, restricted, inUse, groups]);
  return { drawn, error };
}

/** @param columns x, y, the groups, and whatever else rows have to be complete for */
export function groupPoints(
  columns: readonly Float64Array[],
  groups: readonly ShownGroup[],
  inUse: Float64Array | undefined,
): GroupPoints | null {
  const [xs, ys, labels, ...others] = columns;
  if (!xs || !ys || !labels) return null;
  const groupOf = placesOf(labels, groups);
  const rows = usedRows([xs, ys, ...others], inUse).filter((row) => (groupOf[row] ?? -1) >= 0);
  return { points: { x: xs, y: ys, rows }, groupOf };
}

/** Where each row's group stands among those shown. */
export function placesOf(labels: Float64Array, groups: readonly Pick<ShownGroup, 'is' | 'value'>[]): Int8Array {
  const places = new Map(groups.map(({ value }, place) => [value ?? Number.NaN, place]));
  const without = groups.findIndex(({ is }) => is === 'without');
  return Int8Array.from(labels, (label) => (label === label ? (places.get(label) ?? -1) : without));
}
