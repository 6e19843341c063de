import { type CorrelationSettings, type PairResult, remedyOfPair, type Variable } from '@ivlen/contract';
import { COEFFICIENTS, type Method } from '@ivlen/core';
import { cautionsRequest } from '../../../coefficients/cautions-request';
import { completeForOf, howOf } from '../../../coefficients/requests';
import { intervalWords, missingWords } from '../../../coefficients/sentence-parts';
import { resultSentence } from '../../../pair-card/result-sentence';
import { isSettled } from '../../../remedies/advised-remedy';
import { askedRemedy, takenInWords } from '../../../remedies/remedy-words';
import { rowsInWords } from '../../../study/rows-in-use';
import { displayName } from '../../../study/variable-name';
import type { Asking } from '../../../telling/asking';
import { groupingOf } from '../../../telling/grouping-of';
import type { ToldPair } from '../../../telling/told';

/** A pair that a sentence reports, with how it is computed. */
export interface Reported {
  readonly x: Variable;
  readonly y: Variable;
  readonly method: Method;
  readonly settings: CorrelationSettings;
  /** Variables that rows have to be complete for under listwise deletion. */
  readonly among: readonly Variable[];
}

/** The result of a pair by every method. */
export function askedPair({ ask, study }: Asking, { x, y, settings, among }: Omit<Reported, 'method'>): Promise<PairResult> {
  const completeFor = completeForOf(settings, among).sort();
  return ask({
    kind: 'pair',
    x: x.id,
    y: y.id,
    rows: { completeFor, group: null },
    ...howOf(settings),
    remedy: askedRemedy(study, x.id, y.id, among),
  });
}

/** The sentence of a result; null where there is no such coefficient. */
export function pairInWords({ study }: Asking, { x, y, method, settings }: Reported, result: PairResult, adjustedP: number | null) {
  return resultSentence({
    pair: { x, y },
    result,
    method,
    alternative: settings.alternative,
    alpha: settings.levels[0] ?? 0.05,
    // Said once for all in the paragraph about the data.
    rowMeaning: null,
    taken: takenInWords(study, { x, y, method }, result),
    held: study.state.variables.filter(({ id }) => settings.control.includes(id)),
    adjustedP,
  });
}

/** What was looked at of a pair, held or not; nothing where something is held constant, since then nothing is looked for. */
export async function checkedPair(asking: Asking, { x, y, method, settings, among }: Reported): Promise<ToldPair> {
  const [shape, taking] = await Promise.all([asking.settings('shape'), groupingOf(asking)]);
  const alpha = settings.levels[0] ?? 0.05;
  const request = {
    // The pair is judged by its own method.
    ...cautionsRequest(asking.study, [x, y], { ...settings, methods: [method] }, shape.rule, taking),
    byVariable: {},
    rows: { completeFor: completeForOf(settings, among).sort(), group: null },
    withChecks: true,
  };
  const found = settings.control.length > 0 ? null : await asking.ask(request);
  const pair = found?.pairs[0];
  // Its numbers were computed with the pair in the order of the codebook.
  const [first, second] = pair?.a === y.id ? [y, x] : [x, y];
  const named = asking.study.state.variables.find(({ id }) => id === found?.identifier);
  const subject = {
    x: displayName(first),
    y: displayName(second),
    kinds: [first.kind, second.kind] as const,
    method,
    identifier: named ? displayName(named) : null,
    groups: taking ? displayName(taking.by) : null,
  };
  const decided = remedyOfPair(asking.study.state.remedies, x.id, y.id);
  const advice = { identifier: found?.identifier ?? null, groupBy: taking?.by.id ?? null };
  // What was heeded by a decision remains no limit.
  const cautions = (pair?.cautions ?? []).filter((caution) => !isSettled(caution, decided, advice));
  return { x, y, method, subject, alpha, checks: pair?.checks ?? [], cautions };
}

/** "Single pairs by Spearman’s ρ in all 248 rows, two-sided, using every complete pair, with 95 % intervals." */
export function pairMethods({ study }: Asking, settings: CorrelationSettings, method: Method): string {
  const held = study.state.variables.filter(({ id }) => settings.control.includes(id)).map(displayName);
  const sided = { 'two-sided': 'two-sided', greater: 'one-sided for a positive correlation', less: 'one-sided for a negative correlation' };
  const holding = held.length === 0 ? '' : `, holding ${held.join(', ')} constant`;
  return `Single pairs by ${COEFFICIENTS[method].name} in ${rowsInWords(study)}, ${sided[settings.alternative]}, using ${missingWords(settings).text}, with ${intervalWords(settings).text}${holding}.`;
}
