import type { Study, Variable } from '@ivlen/contract';
import { rowsInUse } from '@ivlen/contract';
import { useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { rowsInUseQuery, valuesQuery } from '../../api/queries';
import type { Group } from '../../settings/use-grouping';
import { NO_GROUP } from './plotting/plot-data';
import { PlottingClient, plottingWorkers } from './plotting/plotting-client';

/** The columns of the variables in the rows in use, handed to the workers; null while they come. Values are fetched once per version. */
export function usePlotData(
  study: Study,
  variables: readonly Variable[],
  by: Variable | null,
  groups: readonly Group[],
): { client: PlottingClient | null; error: Error | null } {
  const wanted = useMemo(() => (by ? [...variables, by] : [...variables]), [variables, by]);
  const columns = useQueries({
    queries: wanted.map(({ id }) => valuesQuery(study, id)),
    combine: (results) => ({
      values: results.every(({ data }) => data) ? results.flatMap(({ data }) => data ?? []) : null,
      error: results.find(({ error }) => error)?.error ?? null,
    }),
  });
  const restricted = rowsInUse(study) < study.rows;
  const version = study.state.inUse?.version ?? study.head;
  const { data: inUse } = useQuery({ ...rowsInUseQuery(study), enabled: restricted });
  const key = [study.id, restricted ? version : 'all', ...wanted.map(({ id, version: at }) => `${id}@${at}`), by?.id ?? ''].join(' ');
  const client = useMemo(() => {
    if (!columns.values || (restricted && !inUse)) return null;
    const length = inUse && restricted ? inUse.length : study.rows;
    const rows = inUse && restricted ? Uint32Array.from(inUse) : Uint32Array.from({ length }, (_, row) => row);
    const used = (values: Float64Array) => (restricted ? Float64Array.from(rows, (row) => values[row] as number) : values);
    const compact = new Map(wanted.flatMap(({ id }, i) => [[id, used(columns.values?.[i] ?? new Float64Array())] as const]));
    const codes = by && compact.get(by.id);
    const places = new Map(groups.map(({ value }, group) => [value, group]));
    const grouped = codes ? Uint8Array.from(codes, (value) => places.get(value) ?? NO_GROUP) : null;
    return new PlottingClient({ columns: compact, rows, groups: grouped }, key);
  }, [columns.values, restricted, inUse, study.rows, wanted, by, groups, key]);
  return { client, error: columns.error };
}

/** Starts the workers and asks for the columns while the settings that say how they are drawn are still on their way. */
export function usePrefetchedColumns(study: Study, variables: readonly Variable[]): void {
  const client = useQueryClient();
  useEffect(() => {
    plottingWorkers();
    for (const { id } of variables) void client.prefetchQuery(valuesQuery(study, id));
  }, [client, study, variables]);
}
