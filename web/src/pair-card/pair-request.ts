import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { methodForPair } from '@ivlen/contract';
import type { Method } from '@ivlen/core';
import { commonMethod, completeForOf } from '../stages/correlations/correlation-requests';
import type { Pair } from '../stages/correlations/use-pair-selection';

/** What every part of the card works with. */
export interface PairContext {
  readonly study: Study;
  readonly pair: Pair;
  readonly settings: CorrelationSettings;
  /** The method that the pair is reported by. */
  readonly method: Method;
  /** Under listwise deletion, the variables that a row must be complete for. */
  readonly completeFor: string[];
  /** p adjusted for the pairs on screen; null where nothing is adjusted. */
  readonly adjustedP: number | null;
}

/** @param variables those that are correlated */
export function pairContext(
  study: Study,
  pair: Pair,
  settings: CorrelationSettings,
  variables: readonly Variable[],
  adjustedP: number | null,
): PairContext {
  return {
    study,
    pair,
    settings,
    method: methodForPair(commonMethod(settings), study.state.pairMethods, pair.x.id, pair.y.id),
    completeFor: completeForOf(settings, variables),
    adjustedP,
  };
}

/** The part of a request that names the pair and its rows. */
export function pairOf({ pair: { x, y }, completeFor }: PairContext) {
  return { x: x.id, y: y.id, completeFor };
}
