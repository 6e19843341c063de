import type { Study } from '@ivlen/contract';
import { useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery, categoriesQuery, progressQuery } from '../api/queries';
import type { ChosenPredictor } from './chosen-predictors';
import { levelNames, type PredictorModel, predictorModel } from './predictor-model';
import type { collinearityRequest } from './requests';

/** The rows of predictors and outcome gone through once, at the study's head. */
export function usePredictorModel(
  study: Study,
  predictors: readonly ChosenPredictor[],
  request: ReturnType<typeof collinearityRequest>,
  enabled: boolean,
) {
  const client = useQueryClient();
  const query = analysisQuery(study.id, study.head, request);
  const { data: result, error, fetchStatus, refetch } = useQuery({ ...query, enabled });
  const { data: progress } = useQuery(progressQuery(query.queryKey));
  const byLevels = useMemo(() => predictors.filter(({ as }) => as === 'levels').map(({ of }) => of), [predictors]);
  const levels = useQueries({
    queries: byLevels.map(({ id }) => categoriesQuery(study.id, study.head, id)),
    combine: (results) => results.map(({ data }) => data),
  });
  const isNamed = levels.every((found) => found !== undefined);
  const model = useMemo((): PredictorModel | undefined => {
    if (!result || !isNamed) return undefined;
    return predictorModel(result, study.state.variables, levelNames(byLevels, levels));
  }, [result, isNamed, byLevels, levels, study.state.variables]);
  return {
    model,
    error,
    progress: progress ?? null,
    stopped: enabled && !error && fetchStatus === 'idle' && result === undefined,
    stop: () => void client.cancelQueries({ queryKey: query.queryKey }),
    resume: () => void refetch(),
  };
}
