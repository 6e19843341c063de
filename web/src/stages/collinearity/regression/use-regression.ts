import { type ModelValues, modelValuesOf } from '@ivlen/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery, progressQuery } from '../../../api/queries';
import { sameTerms } from '../../../predictors/predictor-model';
import { regressionRequest } from '../../../predictors/requests';
import { useFit } from '../../../predictors/use-fit';
import type { PartProps } from '../stage-props';

/** The regression of the outcome on the predictors that are switched on: from the triangle at once, then to all its digits. */
export function useRegression(props: PartProps, without: readonly number[] = []) {
  const { study, settings, chosen, among, model, terms, of } = props;
  const client = useQueryClient();
  const { outcome } = chosen;
  const enabled = outcome !== null && terms.length > 0 && model.result.outcomeValues !== 2;
  const kept = useMemo(() => chosen.kept.filter(({ variable }) => terms.some((term) => term.of.id === variable)), [chosen.kept, terms]);
  const quick = useFit(of, model, enabled ? terms : null, settings.level);
  const request = outcome && regressionRequest({ predictors: kept, among, outcome, level: settings.level, without });
  const query = analysisQuery(study.id, study.head, request ?? { kind: 'regression', predictors: [], outcome: '', level: 0.95 });
  const { data: whole, error, fetchStatus, refetch } = useQuery({ ...query, enabled });
  const { data: progress } = useQuery(progressQuery(query.queryKey));
  const fitted = quick.data;
  const columns = terms.flatMap((term, place) =>
    term.columns.map((column) => ({ term: place, level: model.result.columns[column]?.level ?? null })),
  );
  const first = fitted && without.length === 0 && sameTerms(fitted.facts, terms) ? modelValuesOf(fitted.found, columns) : undefined;
  const values: ModelValues | undefined = whole?.model ?? first;
  return {
    enabled,
    request,
    values,
    whole,
    error: error ?? quick.error,
    progress: fetchStatus === 'fetching' ? (progress ?? null) : null,
    isFetching: fetchStatus === 'fetching',
    stopped: enabled && !error && fetchStatus === 'idle' && whole === undefined,
    stop: () => void client.cancelQueries({ queryKey: query.queryKey }),
    resume: () => void refetch(),
  };
}
