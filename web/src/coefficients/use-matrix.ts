import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { keepPreviousData, useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Progress } from '../api/client';
import { analysisQuery, progressQuery } from '../api/queries';
import { buildMatrix, type Matrix } from './matrix';
import { matrixRequest } from './requests';
import { useCautions } from './use-cautions';

interface MatrixState {
  readonly matrix: Matrix | undefined;
  readonly error: Error | null;
  /** What is shown belongs to a request before; the new one is under way. */
  readonly stale: boolean;
  /** Why cautions are looked for in the card only; null where the matrix carries them. */
  readonly cautionsNotSought: ReturnType<typeof useCautions>['notSought'];
  /** Whether cautions were looked for, and what was found is there. */
  readonly cautionsKnown: boolean;
  /** The variable that names the cases, once cautions are known. */
  readonly identifier: Variable | undefined;
  readonly progress: Progress | undefined;
  /** Ends the computing; `resume` takes it up again. */
  stop(): void;
  resume(): void;
  readonly stopped: boolean;
}

/**
 * @param variables those to be correlated, in the order of the working set
 * @param withCautions whether cautions are looked for as well, which takes the server longer
 */
export function useMatrix(
  study: Study,
  variables: readonly Variable[],
  settings: CorrelationSettings,
  enabled: boolean,
  withCautions = true,
): MatrixState {
  const queries = settings.methods.map((method) => analysisQuery(study.id, study.head, matrixRequest(study, variables, settings, method)));
  const first = queries[0] ?? analysisQuery(study.id, study.head, matrixRequest(study, variables, settings, 'pearson'));
  const main = useQuery({ ...first, enabled, placeholderData: keepPreviousData });
  const others = useQueries({
    queries: queries.slice(1).map((query) => ({ ...query, enabled })),
    combine: (results) => results.map(({ data }) => data),
  });
  const { data: progress } = useQuery(progressQuery(first.queryKey));
  const { cautions, identifier, notSought } = useCautions(study, variables, settings, enabled && withCautions);
  const { data, error, isPlaceholderData, fetchStatus, refetch } = main;
  const client = useQueryClient();
  const { order, adjust, methods } = settings;
  const matrix = useMemo(() => {
    if (!data) return undefined;
    return buildMatrix(study, variables, [data, ...others], { adjust, methods, order }, cautions);
  }, [data, others, adjust, methods, order, cautions, study, variables]);
  return {
    matrix,
    error,
    stale: isPlaceholderData,
    cautionsNotSought: notSought,
    identifier,
    cautionsKnown: cautions !== undefined,
    progress: fetchStatus === 'fetching' ? progress : undefined,
    stop: () => void client.cancelQueries({ queryKey: first.queryKey }),
    resume: () => void refetch(),
    stopped: enabled && !error && fetchStatus === 'idle' && (data === undefined || isPlaceholderData),
  };
}
