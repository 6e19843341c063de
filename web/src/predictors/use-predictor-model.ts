import type { Study } from '@ivlen/contract';
import { useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import { categoriesQuery } from '../api/queries';
import { useLongAnalysis } from '../api/use-long-analysis';
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
  const { data: result, isFetching: _, ...running } = useLongAnalysis(study, request, { enabled });
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
  return { model, ...running };
}
