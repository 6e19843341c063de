import type { ScatterplotSettings } from '@ivlen/contract';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { FitRequest } from './plotting/pair-fits';
import type { PlottingClient } from './plotting/plotting-client';
import type { CoefficientRequest } from './plotting/some-rows';

const FOREVER = { staleTime: Number.POSITIVE_INFINITY, gcTime: 120_000 };

/** The axes of some variables, by variable. */
export function useAxes(client: PlottingClient | null, variables: readonly string[]) {
  const { data } = useQuery({
    queryKey: ['plot-axes', client?.key, variables],
    queryFn: async () => new Map((await asked(client).computing.axes(variables)).map((axis, i) => [variables[i] ?? '', axis])),
    enabled: client !== null,
    placeholderData: keepPreviousData,
    ...FOREVER,
  });
  // What was kept of a set before may lack a variable of this one.
  return data && variables.every((id) => data.has(id)) ? data : undefined;
}

/** How some variables are distributed over their axes, by variable. */
export function useMarginals(
  client: PlottingClient | null,
  variables: readonly string[],
  groups: readonly number[],
  domains: ReadonlyMap<string, readonly [number, number]> | undefined,
  wanted = true,
) {
  const requests = useMemo(
    () =>
      variables.flatMap((variable) => {
        const domain = domains?.get(variable);
        return domain ? [{ variable, domain }] : [];
      }),
    [variables, domains],
  );
  const { data } = useQuery({
    queryKey: ['plot-marginals', client?.key, requests, groups],
    queryFn: async () => asked(client).computing.marginals(requests, groups),
    enabled: client !== null && domains !== undefined && wanted,
    ...FOREVER,
  });
  return useMemo(() => new Map(data?.map((marginal) => [marginal.variable, marginal])), [data]);
}

export type PairOnPanel = Pick<FitRequest, 'x' | 'y' | 'scale'>;
type Overlays = Pick<ScatterplotSettings, 'line' | 'curve' | 'ellipse' | 'share'>;

/** What is laid over the points of some pairs, in their order. */
export function useFits(
  client: PlottingClient | null,
  pairs: readonly PairOnPanel[],
  { line, curve, ellipse, share }: Overlays,
  level: number,
  groups: readonly number[],
) {
  const requests = useMemo(
    () => pairs.map((pair) => ({ ...pair, line, curve, ellipse, share, level, groups })),
    [pairs, line, curve, ellipse, share, level, groups],
  );
  const { data } = useQuery({
    queryKey: ['plot-fits', client?.key, requests],
    queryFn: () => asked(client).computing.fits(requests),
    enabled: client !== null && (line || curve || ellipse) && pairs.length > 0,
    ...FOREVER,
  });
  return useMemo(() => new Map(data?.map((fits, i) => [pairId(requests[i] ?? NO_PAIR), fits])), [data, requests]);
}

/** Whether the points of pairs bend in ranks as well, by pair; for those drawn in ranks. */
export function useCurvedRanks(client: PlottingClient | null, pairs: readonly PairOnPanel[]): ReadonlyMap<string, boolean> {
  const ranked = useMemo(() => pairs.filter(({ scale }) => scale === 'ranks'), [pairs]);
  const { data } = useQuery({
    queryKey: ['plot-curved-ranks', client?.key, ranked],
    queryFn: () => asked(client).computing.curvedRanks(ranked),
    enabled: client !== null && ranked.length > 0,
    ...FOREVER,
  });
  return useMemo(() => new Map(data?.map((curved, i) => [pairId(ranked[i] ?? NO_PAIR), curved])), [data, ranked]);
}

const NO_PAIR: PairOnPanel = { x: '', y: '', scale: 'values' };

export function pairId({ x, y, scale }: PairOnPanel): string {
  return `${x} ${y} ${scale}`;
}

/** The coefficients of each group, in the order of the groups. */
export function useGroupCoefficients(client: PlottingClient | null, groups: readonly number[], request: CoefficientRequest) {
  const { data } = useQuery({
    queryKey: ['plot-by-group', client?.key, groups, request],
    queryFn: () => asked(client).computing.byGroup(groups, request),
    enabled: client !== null && groups.length > 0,
    ...FOREVER,
  });
  return data;
}

function asked(client: PlottingClient | null): PlottingClient {
  if (!client) throw new Error('the columns are not there yet');
  return client;
}
