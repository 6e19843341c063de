import type { CautionsResult, Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery } from '../api/queries';
import { NO_CAUTIONS_REQUEST } from '../coefficients/cautions-request';
import { useCautionsRequest } from '../coefficients/use-cautions';
import type { PairContext } from './pair-request';

/** The cautions and checks of the pair; undefined while they come, and where something is held constant, since then none are looked for. */
export function usePairCautions(
  { study, pair, settings, completeFor }: PairContext,
  variables: readonly Variable[],
): CautionsResult | undefined {
  const both = useMemo(() => [pair.x, pair.y], [pair]);
  const request = useCautionsRequest(study, both, settings);
  const { data } = useQuery({
    ...analysisQuery(study.id, study.head, { ...(request ?? NO_CAUTIONS_REQUEST), rows: { completeFor, group: null }, withChecks: true }),
    enabled: request !== undefined && settings.control.length === 0 && variables.length > 0,
  });
  return data;
}
