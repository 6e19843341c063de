import type { Study, Variable } from '@ivlen/contract';
import { rowsInUse } from '@ivlen/contract';
import { useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { rowsInUseQuery, valuesQuery } from '../../api/queries';
import { NO_GROUP } from '../../figures/group-styles';
import type { Group } from '../../settings/use-grouping';
import { usedRows } from '../../study/used-rows';
import type { PlotData } from './plotting/plot-data';
import { PlottingClient, plottingWorkers } from './plotting/plotting-client';

/**
 * The columns of the variables in the rows in use, handed to the workers; null while they come.
 * @param completeFor under listwise deletion, the variables that a row must be complete for: what is drawn is what the
 * coefficients rest on
 */
export function usePlotData(
  study: Study,
  variables: readonly Variable[],
  by: Variable | null,
  groups: readonly Group[],
  completeFor: readonly string[],
): { client: PlottingClient | null; error: Error | null } {
  const needed = completeFor.join(' ');
  const ids = useMemo(
    () => [...new Set([...variables.map(({ id }) => id), ...(by ? [by.id] : []), ...needed.split(' ').filter(Boolean)])],
    [variables, by, needed],
  );
  const columns = useQueries({
    queries: ids.map((id) => valuesQuery(study, id)),
    combine: (results) => ({
      values: results.every(({ data }) => data) ? results.flatMap(({ data }) => data ?? []) : null,
      error: results.find(({ error }) => error)?.error ?? null,
    }),
  });
  const restricted = rowsInUse(study) < study.rows;
  const { data: inUse } = useQuery({ ...rowsInUseQuery(study), enabled: restricted });
  const versions = ids.map((id) => `${id}@${study.state.variables.find((variable) => variable.id === id)?.version}`);
  const key = [study.id, restricted ? study.state.inUse?.version : 'all', ...versions, `by ${by?.id}`, `complete ${needed}`].join(' ');
  const client = useMemo(() => {
    if (!columns.values || (restricted && !inUse)) return null;
    const found = new Map(ids.flatMap((id, i) => [[id, columns.values?.[i] ?? new Float64Array()] as const]));
    const facts = { by: by?.id ?? null, groups, completeFor: needed.split(' ').filter(Boolean), inUse: restricted ? inUse : undefined };
    return new PlottingClient(plotDataOf(found, study.rows, facts), key);
  }, [columns.values, restricted, inUse, study.rows, ids, needed, by, groups, key]);
  return { client, error: columns.error };
}

interface PlotDataFacts {
  readonly by: string | null;
  readonly groups: readonly Group[];
  readonly completeFor: readonly string[];
  /** Undefined where all rows are in use. */
  readonly inUse: Float64Array | undefined;
}

/** What is drawn of some columns: the rows in use, complete where they have to be, with the place of each row's group. */
export function plotDataOf(
  columns: ReadonlyMap<string, Float64Array>,
  rowCount: number,
  { by, groups, completeFor, inUse }: PlotDataFacts,
): PlotData {
  const complete = completeFor.flatMap((id) => columns.get(id) ?? []);
  const all = complete.length === 0 && inUse === undefined;
  const rows = all ? Uint32Array.from({ length: rowCount }, (_, row) => row) : usedRows(complete, inUse, rowCount);
  const used = (values: Float64Array) => (all ? values : Float64Array.from(rows, (row) => values[row] as number));
  const compact = new Map([...columns].map(([id, values]) => [id, used(values)] as const));
  const codes = by === null ? undefined : compact.get(by);
  const places = new Map(groups.map(({ value }, group) => [value, group]));
  const grouped = codes ? Uint8Array.from(codes, (value) => places.get(value) ?? NO_GROUP) : null;
  return { columns: compact, rows, groups: grouped };
}

/** Starts the workers and asks for the columns while the settings that say how they are drawn are still on their way. */
export function usePrefetchedColumns(study: Study, variables: readonly Variable[]): void {
  const client = useQueryClient();
  useEffect(() => {
    plottingWorkers();
    for (const { id } of variables) void client.prefetchQuery(valuesQuery(study, id));
  }, [client, study, variables]);
}
