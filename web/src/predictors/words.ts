import { sourcesOf } from '@ivlen/contract';
import { type DependentSet, type NearDependences, solvedFor } from '@ivlen/core';
import { joined } from '../coefficients/coefficient-names';
import { significant } from '../figures/as-measured';
import { coefficientText, relationText, textBelow } from '../numbers/number-text';
import type { Harm } from './find-harm';
import type { Shares } from './find-shares';
import { indexText, shareText, vifText } from './numbers';
import type { ModelTerm, PredictorModel } from './predictor-model';

/** "conductivity", "“geology”" of several indicators alike. */
type Named = Pick<ModelTerm, 'name' | 'columns'>;

/** Who tells a predictor: "chiefly conductivity, r = .99"; an empty text where hardly anything is told. @param k place of its term */
export function partnersInWords(terms: readonly Named[], { told, pairs }: Pick<Shares, 'told' | 'pairs'>, k: number): string {
  const found = told[k];
  if (!found || found.partners.length === 0) return '';
  const names = found.partners.map((place) => terms[place]?.name ?? '');
  const [only] = found.partners;
  if (names.length > 1 || !found.enough) return `chiefly ${joined(found.enough ? names : [...names, 'others'])}`;
  const r = rBetween(terms[k], terms[only ?? -1], pairs);
  return `chiefly ${names[0]}${r === null ? '' : `, ${relationText('r', coefficientText(r))}`}`;
}

/** The correlation of two predictors of one column each. */
function rBetween(one: Named | undefined, other: Named | undefined, pairs: Shares['pairs']): number | null {
  if (one?.columns.length !== 1 || other?.columns.length !== 1) return null;
  const [x, y] = [one.columns[0], other.columns[0]];
  return pairs.find(({ a, b }) => (a === x && b === y) || (a === y && b === x))?.r ?? null;
}

/** "dissolved solids: 98 % told by the others, chiefly conductivity, r = .99." */
export function shareSentence(terms: readonly Named[], shares: Shares, k: number): string {
  const { name = '' } = terms[k] ?? {};
  const share = shares.inflation[k]?.share ?? Number.NaN;
  const partners = partnersInWords(terms, shares, k);
  if (share === 1) return `${name}: told exactly by the others${partners && `, ${partners}`}.`;
  return `${name}: ${shareText(share)} told by the others${partners && `, ${partners}`}.`;
}

/** Predictors of which leaving out any one leaves about the same. */
export interface Suggestion {
  readonly places: readonly number[];
  /** The largest inflation that remains, at the least and at the most. */
  readonly low: number;
  readonly high: number;
}

/** Largest remaining inflations that differ by no more than this are equally good. */
const AS_GOOD = 0.1;
const MOST_SUGGESTED = 3;

/** What leaving out one predictor brings, the most first; none where no inflation is above the limit, or nothing helps. */
export function suggestionsOf({ largest, largestWithout }: Pick<Shares, 'largest' | 'largestWithout'>, limit: number): Suggestion[] {
  if (!(largest > limit) || largestWithout.length < 2) return [];
  const order = [...largestWithout.keys()]
    .filter((k) => (largestWithout[k] ?? Number.NaN) < largest)
    .sort((a, b) => (largestWithout[a] ?? 0) - (largestWithout[b] ?? 0));
  const groups: Suggestion[] = [];
  for (const k of order) {
    const value = largestWithout[k] ?? Number.NaN;
    const last = groups.at(-1);
    if (last && value - last.low <= AS_GOOD) groups[groups.length - 1] = { places: [...last.places, k], low: last.low, high: value };
    else groups.push({ places: [k], low: value, high: value });
  }
  // What helps only a little is no suggestion: at least a tenth of what is to go has to.
  const worth = groups.filter(({ low }) => largest === Number.POSITIVE_INFINITY || low <= largest - 0.1 * (largest - limit));
  return worth.slice(0, MOST_SUGGESTED);
}

/** "Without dissolved solids the largest VIF is 1.69, below 10." */
export function suggestionSentence({ places, low, high }: Suggestion, terms: readonly Named[], limit: number): string {
  const names = joined(
    places.map((place) => terms[place]?.name ?? ''),
    'or',
  );
  const which = places.length === 1 ? names : `${names}, ${places.length === 2 ? 'either one' : 'any one of them'},`;
  const [from, to] = [vifText(low), vifText(high)];
  const value = from === to ? from : `${from} to ${to}`;
  const where = high <= limit ? `, not above ${limit}` : low <= limit ? '' : `, still above ${limit}`;
  return `Without ${which} the largest VIF is ${value}${where}${places.length > 1 ? ': equally good' : ''}.`;
}

/** What stands in place of suggestions. */
export function noSuggestion(shares: Pick<Shares, 'largest'>, limit: number): string {
  if (Number.isNaN(shares.largest)) return '';
  if (shares.largest <= limit) return `No VIF is above ${limit}; the largest is ${vifText(shares.largest)}.`;
  return 'No single predictor brings the largest VIF far down: more than one has to go.';
}

/** No pair at the threshold: how close the closest are, and what that leaves open. */
export function noPairSentence(
  { pairs, largest }: Pick<Shares, 'pairs' | 'largest'>,
  names: readonly string[],
  { threshold, limit }: { readonly threshold: number; readonly limit: number },
): string {
  const [closest] = pairs.filter(({ r }) => !Number.isNaN(r));
  if (!closest) return '';
  const shown = textBelow(closest.r, threshold);
  const found = `No pair of predictors reaches |r| = ${coefficientText(threshold)}; the closest are ${names[closest.a]} and ${names[closest.b]}, ${relationText('r', shown)}.`;
  if (!(largest > limit)) return `${found} That alone would not rule out a dependence of three or more; the shares do.`;
  // What this pair by itself would inflate: more than that is a matter of further predictors.
  return 1 / (1 - closest.r ** 2) > limit
    ? `${found} That is enough for a VIF above ${limit}.`
    : `${found} A dependence of three or more hides below that: the shares show it.`;
}

/** An index above which a dependence is looked for, and a proportion from which a coefficient takes part. */
const [WEAK_FROM, INVOLVED_FROM] = [30, 0.5];

/** Near-dependences in words, the closest first: those of an index above 30. @param names of the coefficients, the intercept first if there is one */
export function nearSentences(near: NearDependences, names: readonly string[]): string[] {
  const { conditionIndices, varianceProportions, centred } = near;
  const size = conditionIndices.length;
  return [...conditionIndices.keys()]
    .filter((index) => (conditionIndices[index] ?? 0) > WEAK_FROM)
    .reverse()
    .map((index) => {
      const involved = names
        .map((name, k) => ({ name, share: varianceProportions[index * size + k] ?? 0, isIntercept: k === 0 && !centred }))
        .filter(({ share }) => share > INVOLVED_FROM)
        .sort((a, b) => b.share - a.share);
      const at = `Condition index ${indexText(conditionIndices[index] ?? 0)}: `;
      const written = involved.map(({ name, share }) => `${name} ${coefficientText(Math.min(share, 1))}`);
      if (involved.length === 0) return `${at}no coefficient has more than half of its variance here.`;
      if (involved.length === 1) return `${at}only ${written[0]} has more than half of its variance here, which is no dependence.`;
      const others = involved.filter(({ isIntercept }) => !isIntercept);
      if (others.length === 1 && involved.length === 2 && Number.isFinite(conditionIndices[index])) {
        return `${at}this near-dependence involves ${joined(written)}: ${others[0]?.name} varies little about a mean far from 0. Centring it removes this; its slope is not harmed.`;
      }
      return `${at}this ${Number.isFinite(conditionIndices[index]) ? 'near-dependence' : 'exact dependence'} involves ${joined(written)}.`;
    });
}

/** What stands in place of near-dependences. */
export function noNearSentence({ conditionIndices }: NearDependences): string {
  const largest = conditionIndices.at(-1) ?? 1;
  return `No near-dependence: the largest condition index is ${indexText(largest)}, not above ${WEAK_FROM}.`;
}

/** "total = sand + silt + clay", told of a derived variable if there is one, or else so that most signs are plus. */
export function dependenceInWords(set: DependentSet, { terms, columnNames, result }: PredictorModel): string {
  const nameOf = (column: number) => columnNames[column] ?? '';
  if (set.terms.length === 0) return `${nameOf(set.dependent)} has the same value, ${significant(set.constant)}, in all these rows.`;
  const isDerived = (column: number) => terms.some(({ of, columns }) => columns.includes(column) && of.derivation !== null);
  const plus = (found: DependentSet) => found.terms.filter(({ coefficient }) => coefficient > 0).length;
  const [best = set] = [set.dependent, ...set.terms.map(({ column }) => column)]
    .map((column) => solvedFor(set, column))
    .sort((a, b) => Number(isDerived(b.dependent)) - Number(isDerived(a.dependent)) || plus(b) - plus(a));
  const measured = result.measured[best.dependent];
  const size = Math.abs(measured?.mean ?? 0) + (measured?.length ?? 0);
  const constant =
    Math.abs(best.constant) > 1e-8 * size ? [{ sign: Math.sign(best.constant), text: significant(Math.abs(best.constant)) }] : [];
  const parts = [
    ...best.terms.map(({ column, coefficient }) => {
      const times = Math.abs(Math.abs(coefficient) - 1) < 1e-6 ? '' : `${significant(Math.abs(coefficient))} · `;
      return { sign: Math.sign(coefficient), text: `${times}${nameOf(column)}` };
    }),
    ...constant,
  ].sort((a, b) => b.sign - a.sign);
  const right = parts.map(({ sign, text }, i) => (i === 0 ? `${sign < 0 ? '−' : ''}${text}` : ` ${sign < 0 ? '−' : '+'} ${text}`)).join('');
  return `${nameOf(best.dependent)} = ${right}`;
}

/** What inflated SEs mean, in the figures of the one that is inflated most. */
export function harmSentence(harms: readonly Harm[] | null, nameOf: (term: number) => string): string {
  if (!harms) return 'There is no regression to be harmed: predictors follow exactly from others, or rows are too few.';
  const [worst] = [...harms].sort((a, b) => b.factor - a.factor);
  if (!worst) return 'Hardly any: no standard error is even doubled by what the predictors share.';
  const times = significant(worst.factor);
  return `The standard error of ${nameOf(worst.term)} is ${times} times what it would be if the others told nothing of it. Such estimates are imprecise, not biased, and what the predictors tell together is not harmed. Where they only serve to hold something constant, that is enough.`;
}

/** Squares, products and other predictors that are computed from predictors: what their high VIF means, and what helps. */
export function computedSentences(terms: readonly Pick<ModelTerm, 'of' | 'name'>[]): string[] {
  return terms.flatMap(({ of: { derivation }, name }) => {
    if (!derivation) return [];
    const from = terms.filter(({ of }) => sourcesOf(derivation).includes(of.id)).map((term) => term.name);
    if (from.length === 0) return [];
    return [
      `${name} is computed from ${joined(from)}. A high VIF between them harms neither what they tell together nor the slope of the square or product; made of ${from.length === 1 ? `${from[0]} centred` : 'both centred'}, it would have less in common with ${from.length === 1 ? 'it' : 'them'}.`,
    ];
  });
}
