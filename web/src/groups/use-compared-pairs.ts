import type { Study, Variable } from '@ivlen/contract';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef } from 'react';
import { analysisQuery, progressQuery } from '../api/queries';
import type { TakingPart } from '../settings/use-grouping';
import { type Compared, comparedPairs, type Family } from './compared-pairs';
import { type GroupSettings, subgroupsRequest } from './requests';

interface ComparedOptions {
  readonly against?: number | null;
  readonly family?: Family;
  readonly enabled?: boolean;
  readonly completeFor?: string[];
}

/** Pairs across groups; what is shown while another request is under way is stale. */
export function useComparedPairs(
  study: Study,
  variables: readonly Variable[],
  settings: GroupSettings,
  taking: TakingPart | null | undefined,
  { against = null, family, enabled = true, completeFor }: ComparedOptions = {},
) {
  const client = useQueryClient();
  const request = useMemo(
    () => subgroupsRequest(study, variables, settings, taking ?? NO_GROUPS, { against, ...(completeFor ? { completeFor } : {}) }),
    [study, variables, settings, taking, against, completeFor],
  );
  const query = analysisQuery(study.id, study.head, request);
  const wanted = enabled && taking != null && variables.length >= 2;
  const { data, error, isPlaceholderData, fetchStatus, refetch } = useQuery({
    ...query,
    enabled: wanted,
    placeholderData: keepPreviousData,
  });
  const { data: progress } = useQuery(progressQuery(query.queryKey));
  const { adjust } = settings;
  const fresh: Compared | undefined = useMemo(
    () => (data && taking && !isPlaceholderData ? comparedPairs(study, variables, data, taking, { adjust }, family) : undefined),
    [study, variables, data, isPlaceholderData, taking, adjust, family],
  );
  // What was shown before stays whole, words and numbers, until the next is there.
  const last = useRef(fresh);
  if (fresh) last.current = fresh;
  const compared = fresh ?? (isPlaceholderData ? last.current : undefined);
  return {
    compared,
    request,
    error,
    stale: isPlaceholderData,
    progress: fetchStatus === 'fetching' ? progress : undefined,
    stopped: wanted && !error && fetchStatus === 'idle' && (data === undefined || isPlaceholderData),
    stop: () => void client.cancelQueries({ queryKey: query.queryKey }),
    resume: () => void refetch(),
  };
}

const NO_GROUPS = { request: { by: '', only: null, withoutOne: false } };
