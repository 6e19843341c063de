import { type ModelValues, modelValuesOf } from '@ivlen/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery, progressQuery } from '../../../api/queries';
import { sameTerms } from '../../../predictors/predictor-model';
import { regressionRequest } from '../../../predictors/requests';
import { useFit } from '../../../predictors/use-fit';
import type { PartProps } from '../stage-props';

/** From so many products on, the rows are gone through only for who wants to see them. */
const HEAVY_FROM = 5e8;

/**
 * The regression of the outcome on the predictors that are switched on: from the triangle at once, then to all its digits.
 * @param options.without numbers of rows that are left out
 * @param options.rows whether what the rows say is wanted, too
 */
export function useRegression(props: PartProps, { without = [], rows = true }: { without?: readonly number[]; rows?: boolean } = {}) {
  const { study, settings, chosen, among, model, terms, of } = props;
  const client = useQueryClient();
  const { outcome } = chosen;
  const enabled = outcome !== null && terms.length > 0 && model.result.outcomeValues !== 2;
  const kept = useMemo(() => chosen.kept.filter(({ variable }) => terms.some((term) => term.of.id === variable)), [chosen.kept, terms]);
  const quick = useFit(of, model, enabled ? terms : null, settings.level);
  const request = outcome && regressionRequest({ predictors: kept, among, outcome, level: settings.level, without });
  const query = analysisQuery(study.id, study.head, request ?? { kind: 'regression', predictors: [], outcome: '', level: 0.95 });
  const isHeavy = model.result.n * terms.flatMap((term) => term.columns).length ** 2 > HEAVY_FROM;
  const { data: whole, error, fetchStatus, refetch } = useQuery({ ...query, enabled: enabled && (rows || !isHeavy) });
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
