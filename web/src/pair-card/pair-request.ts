import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { methodForPair, ownMethods, type TakenRemedy } from '@ivlen/contract';
import { COEFFICIENTS, type Method } from '@ivlen/core';
import { commonMethod, completeForOf } from '../coefficients/requests';
import type { CautionedPair } from '../coefficients/use-pair-cautions';
import type { Pinned } from '../pins/pin-button';
import { askedRemedy } from '../remedies/remedy-words';
import { displayName } from '../study/variable-name';
import type { Pair } from './use-pair-selection';

/** What every part of the card works with. */
export interface PairContext {
  readonly study: Study;
  readonly pair: Pair;
  readonly settings: CorrelationSettings;
  /** The method that the pair is reported by. */
  readonly method: Method;
  /** Under listwise deletion, the variables that a row must be complete for. */
  readonly completeFor: string[];
  /** All variables that are correlated. */
  readonly among: readonly Variable[];
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
    method: methodForPair(commonMethod(settings), ownMethods(study.state), pair.x.id, pair.y.id),
    completeFor: completeForOf(settings, variables),
    among: variables,
    adjustedP,
  };
}

/** The pair as its cautions are asked for, and the ways to it. */
export function cautionedPair({ study, pair, method, settings, among }: PairContext): CautionedPair {
  return { study, ...pair, method, settings, among };
}

/** The part of a request that names the pair and its rows. */
export function pairOf({ pair: { x, y }, completeFor }: PairContext) {
  return { x: x.id, y: y.id, rows: { completeFor, group: null } };
}

/** What was decided for the pair. */
export function remedyOf({ study, pair: { x, y }, among }: PairContext): TakenRemedy | null {
  return askedRemedy(study, x.id, y.id, among);
}

/** "nitrate and mayfly taxa". */
export function pairWords({ pair: { x, y } }: Pick<PairContext, 'pair'>): string {
  return `${displayName(x)} and ${displayName(y)}`;
}

/** A section of the card as it is pinned. @param request the analysis behind it, where its settings do not say it */
export function pinnedSection(
  context: PairContext,
  section: string,
  title: string,
  request: Pinned['request'] = null,
  more: Readonly<Record<string, unknown>> = {},
): Pinned {
  const pinned = pinnedPair(context);
  return { ...pinned, title, request: request ?? pinned.request, settings: { ...pinned.settings, section, ...more } };
}

/** The pair as it is pinned. */
export function pinnedPair(context: PairContext): Pinned {
  const { pair, settings, method, among } = context;
  const title = `${COEFFICIENTS[method].name} of ${displayName(pair.x)} and ${displayName(pair.y)}`;
  const { alternative, level, interval, control } = settings;
  const request = { kind: 'pair' as const, ...pairOf(context), alternative, level, interval, control, remedy: remedyOf(context) };
  return {
    stage: 'correlations',
    thing: 'pair',
    title,
    request,
    settings: { ...settings, method, x: pair.x.id, y: pair.y.id, among: among.map(({ id }) => id) },
  };
}
