import { type CorrelationSettings, makesGroups, type SinglePlotSettings, type Study, type Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery } from '../../../api/queries';
import { completeForOf } from '../../../coefficients/requests';
import { MOST_GROUPS } from '../../../figures/group-styles';
import { useGroups } from '../../../settings/use-grouping';
import { usedRows } from '../../../study/used-rows';
import { MOST_SHAPED } from '../plotting/plotter';
import { useAxes, useFits, useMarginals } from '../use-panel-values';
import { usePlotData } from '../use-plot-data';
import type { Third } from './third-scale';

const NO_GROUPS: readonly never[] = [];

/** Columns, axes and values of one large scatterplot; null parts while they come. */
export function useSinglePlot(
  study: Study,
  { x, y, third }: { readonly x: Variable; readonly y: Variable; readonly third: Variable | null },
  settings: SinglePlotSettings & { readonly share: number },
  correlation: CorrelationSettings,
  workingSet: readonly Variable[],
) {
  const isGroups = third !== null && makesGroups(third);
  const by = isGroups ? third : null;
  const groups = useGroups(study, by);
  const tooMany = groups === null || (groups?.length ?? 0) > MOST_GROUPS;
  const grouped = isGroups && !tooMany && groups ? groups : NO_GROUPS;
  const quantity = third && !isGroups ? third : null;
  const completeFor = completeForOf({ ...correlation, control: [] }, workingSet);
  const columns = useMemo(() => [x, y, ...(quantity ? [quantity] : [])], [x, y, quantity]);
  const { client, error } = usePlotData(study, columns, tooMany ? null : by, grouped, completeFor);
  const places = useMemo(() => {
    if (!client) return null;
    const [xs, ys] = [client.data.columns.get(x.id), client.data.columns.get(y.id)];
    return xs && ys ? [...usedRows([xs, ys])] : null;
  }, [client, x, y]);

  const ids = useMemo(() => [x.id, y.id], [x, y]);
  const axes = useAxes(client, ids);
  const groupPlaces = useMemo(() => [...grouped.keys()], [grouped]);
  const domains = useMemo(() => axes && new Map([...axes].map(([id, { all }]) => [id, all] as const)), [axes]);
  const marginals = useMarginals(client, ids, groupPlaces, domains, settings.margins);
  const pairs = useMemo(() => [{ x: x.id, y: y.id, scale: 'values' as const }], [x, y]);
  const fits = useFits(client, pairs, settings, correlation.level, groupPlaces);
  const { data: line } = useQuery({
    ...analysisQuery(study.id, study.head, {
      kind: 'line',
      x: x.id,
      y: y.id,
      rows: { completeFor, group: null },
      level: correlation.level,
    }),
    enabled: settings.equation,
  });
  const thirdScale = useMemo((): Third => {
    if (by && !tooMany) return { type: 'groups', variable: by };
    const values = quantity && client?.data.columns.get(quantity.id);
    return quantity && values ? thirdOf(quantity, values, settings.by, places?.length ?? 0) : { type: 'none' };
  }, [by, tooMany, quantity, client, settings.by, places]);
  return {
    client,
    error,
    places,
    axes,
    groups: grouped,
    tooMany: isGroups && tooMany,
    third: thirdScale,
    marginals,
    fits: [...fits.values()][0] ?? NO_GROUPS,
    line,
  };
}

/** How a quantity is told by colour or by size. @param points how many there are: of many none has a size of its own */
export function thirdOf(variable: Variable, values: Float64Array, by: SinglePlotSettings['by'], points: number): Third {
  const present = values.filter((value) => value === value);
  const domain = [
    present.reduce((a, b) => Math.min(a, b), Number.POSITIVE_INFINITY),
    present.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY),
  ] as const;
  return { type: by === 'size' && points <= MOST_SHAPED ? 'size' : 'colour', variable, values, domain };
}
