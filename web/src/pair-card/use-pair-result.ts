import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../api/queries';
import { howOf } from '../coefficients/requests';
import { type PairContext, pairOf, remedyOf } from './pair-request';

/** The pair by every method; null while it is computed. */
export function usePairResult(context: PairContext) {
  const { study, settings } = context;
  const { data, error, isPlaceholderData } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'pair', ...pairOf(context), ...howOf(settings), remedy: remedyOf(context) }),
    placeholderData: keepPreviousData,
  });
  return { result: data && !isPlaceholderData ? data : null, error: data ? null : error };
}
