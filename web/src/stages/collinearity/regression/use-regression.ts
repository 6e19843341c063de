import { type ModelValues, modelValuesOf } from '@ivlen/contract';
import { useMemo } from 'react';
import { useLongAnalysis } from '../../../api/use-long-analysis';
import { sameTerms } from '../../../predictors/predictor-model';
import { regressionRequest } from '../../../predictors/requests';
import { useFit } from '../../../predictors/use-fit';
import type { PartProps } from '../stage-props';

/** From so many products on, the rows are gone through only for who wants to see them. */
const HEAVY_FROM = 5e8;
const NO_REQUEST = { kind: 'regression' as const, predictors: [], outcome: '', level: 0.95 };

/**
 * The regression of the outcome on the predictors that are switched on: from the triangle at once, then to all its digits.
 * @param options.without numbers of rows that are left out
 * @param options.rows whether what the rows say is wanted, too
 */
export function useRegression(props: PartProps, { without = [], rows = true }: { without?: readonly number[]; rows?: boolean } = {}) {
  const { study, settings, chosen, among, model, terms, of } = props;
  const { outcome } = chosen;
  const enabled = outcome !== null && terms.length > 0 && model.result.outcomeValues !== 2;
  const kept = useMemo(() => chosen.kept.filter(({ variable }) => terms.some((term) => term.of.id === variable)), [chosen.kept, terms]);
  const quick = useFit(of, model, enabled ? terms : null, settings.level);
  const request = outcome && regressionRequest({ predictors: kept, among, outcome, level: settings.level, without });
  const isHeavy = model.result.n * terms.flatMap((term) => term.columns).length ** 2 > HEAVY_FROM;
  const { data: whole, error, ...running } = useLongAnalysis(study, request ?? NO_REQUEST, { enabled: enabled && (rows || !isHeavy) });
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
    ...running,
    // Where rows are gone through only on request, it counts as stopped until then.
    stopped: enabled && !error && !running.isFetching && whole === undefined,
  };
}
