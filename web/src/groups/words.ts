import { type GroupCell, type SubgroupPairResult, sourcesOf, type Variable } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed } from '@ivlen/core';
import { percent } from '../coefficients/cell-data';
import { joined } from '../coefficients/coefficient-names';
import { adjustmentInWords } from '../coefficients/sentence-parts';
import { greatest, least } from '../numbers/ends';
import { coefficientText, intervalText, pRelationText } from '../numbers/number-text';
import type { TakingPart } from '../settings/use-grouping';
import { displayName } from '../study/variable-name';
import { type Compared, type ComparedPair, decidingP, pairName, type ShownGroup, withAxes } from './compared-pairs';
import type { GroupSettings } from './requests';

/** More groups than this are counted, not listed. */
const MOST_LISTED = 4;
const MOST_IN_SENTENCE = 8;

/** "4 groups of catchment", "3 of 4 groups of catchment (Aster, Birk and Clow)". */
export function groupsInWords({ by, all, groups, isSome, isLargest, request }: TakingPart): string {
  const of = `groups of ${displayName(by)}`;
  const without = request.withoutOne ? ', and rows without one' : '';
  if (!isSome) return `${groups.length} ${of}${without}`;
  const which = isLargest ? 'the largest ' : '';
  const named = !isLargest && groups.length <= MOST_LISTED ? ` (${joined(groups.map(({ label }) => label))})` : '';
  return `${which}${groups.length} of ${all.length} ${of}${named}${without}`;
}

/** "between groups of catchment"; of some groups only, which. */
function betweenGroups(taking: TakingPart): string {
  const said = taking.isSome || taking.request.withoutOne ? groupsInWords(taking) : `groups of ${displayName(taking.by)}`;
  return `between ${said}`;
}

/** What a grouping variable is made of among the variables compared, whose range is then narrower inside groups by construction; null where nothing. */
export function narrowedInWords(by: Variable, compared: readonly Variable[], all: readonly Variable[]): string | null {
  const sources = sourcesBehind(by, all);
  const among = compared.filter(({ id }) => sources.has(id)).map(displayName);
  if (among.length === 0) return null;
  const [verb, their] = among.length === 1 ? ['varies', 'its'] : ['vary', 'their'];
  return `The groups of ${displayName(by)} are made from ${joined(among)}, which therefore ${verb} less inside each group than over all of them: ${their} coefficients there can be lower for that alone.`;
}

/** Ids of the variables that one is computed from, directly or through others. */
function sourcesBehind({ derivation }: Pick<Variable, 'derivation'>, all: readonly Variable[], found = new Set<string>()): Set<string> {
  for (const id of derivation ? sourcesOf(derivation) : []) {
    const source = all.find((variable) => variable.id === id);
    if (found.has(id) || !source) continue;
    found.add(id);
    sourcesBehind(source, all, found);
  }
  return found;
}

/** Rows that take no part since they have no group; null where there are none, or they are one. */
export function rowsWithoutInWords({ rowsWithout }: Pick<Compared, 'rowsWithout'>, { by, request }: TakingPart): string | null {
  if (rowsWithout === 0 || request.withoutOne) return null;
  const rows = rowsWithout === 1 ? '1 row has' : `${rowsWithout.toLocaleString('en-GB')} rows have`;
  return `${rows} no ${displayName(by)} and ${rowsWithout === 1 ? 'is' : 'are'} left out.`;
}

/** Groups that a pair does not test, each with the reason. */
export function untestedInWords({ cells, tested, method }: ComparedPair, groups: readonly ShownGroup[]): string[] {
  const fewest = COEFFICIENTS[method].fewestForInterval;
  return cells.flatMap((cell, k) => {
    const group = groups[k];
    if (tested[k] || !group) return [];
    return [`${group.label}: ${whyUntested(cell, fewest, COEFFICIENTS[method].symbol)}`];
  });
}

function whyUntested({ because, coefficient, n }: GroupCell, fewest: number, symbol: string): string {
  if (because === 'constant-x' || because === 'constant-y') return 'one of the two has a single value there';
  if (because === 'constant-both') return 'neither varies there';
  if (because === 'one-control-only') return 'Kendall’s τ can hold one variable constant, not several';
  if (n < fewest) return n === 0 ? 'no complete row' : `${n} complete ${n === 1 ? 'row' : 'rows'}, at least ${fewest} are needed`;
  if (coefficient !== null && Math.abs(coefficient) === 1)
    return `${symbol} is exactly ${coefficient > 0 ? '1' : '−1'}, which has no spread to compare by`;
  return 'its coefficient has no variance to compare by';
}

/** "Q(3) = 14.20". */
function statisticInWords({ homogeneity: { q, df } }: Pick<ComparedPair, 'homogeneity'>): string {
  return q === null ? '' : `Q(${df}) = ${formatFixed(q, 2)}`;
}

/** "Aster .12, Birk .55 and Clow .40": those tested. */
function coefficientsInWords({ cells, tested }: ComparedPair, groups: readonly ShownGroup[]): string {
  const each = groups.flatMap((group, k) => (tested[k] ? [`${group.label} ${coefficientText(cells[k]?.coefficient ?? Number.NaN)}`] : []));
  if (each.length <= MOST_IN_SENTENCE) return each.join(', ');
  const values = cells.flatMap(({ coefficient }, k) => (tested[k] && coefficient !== null ? [coefficient] : []));
  return `from ${coefficientText(least(values))} to ${coefficientText(greatest(values))}`;
}

/** Whether the association of a pair differs between the groups, in a sentence that can be copied. */
export function differenceSentence(
  pair: ComparedPair,
  groups: readonly ShownGroup[],
  taking: TakingPart,
  { levels, adjust, level }: Pick<GroupSettings, 'levels' | 'adjust' | 'level'>,
): string {
  const [alpha = 0.05] = levels;
  const { homogeneity, two, method } = pair;
  const { x, y } = withAxes(pair);
  const of = `association of ${displayName(x)} with ${displayName(y)}`;
  const between = betweenGroups(taking);
  const left = untestedInWords(pair, groups).length;
  const notTested = left === 0 ? '' : ` (${left} ${left === 1 ? 'group' : 'groups'} not tested)`;
  if (homogeneity.pValue === null) return `The ${of} was not compared ${between}: fewer than two groups could be tested.`;
  const p = pRelationText(homogeneity.pValue, levels);
  const adjusted = pair.adjustedP === null ? '' : `, ${pRelationText(pair.adjustedP, levels)} ${adjustmentInWords(adjust)}`;
  const differs = decidingP(pair) <= alpha;
  const verb = differs ? `differed ${between}` : `did not detectably differ ${between}`;
  const each = `${COEFFICIENTS[method].symbol}: ${coefficientsInWords(pair, groups)}`;
  if (two) {
    const interval = two.low === null || two.high === null ? '' : `, ${percent(level)} CI ${intervalText(two.low, two.high)}`;
    const test = `z = ${formatFixed(two.z, 2)}, ${p}${adjusted}`;
    return `The ${of} ${verb}, ${test}; difference ${coefficientText(two.difference)}${interval}; Cohen’s q = ${formatFixed(two.cohensQ, 2)}; ${each}${notTested}.`;
  }
  return `The ${of} ${verb}, ${statisticInWords(pair)}, ${p}${adjusted}; ${each}${notTested}.`;
}

/** Of all pairs: how many differ, and which most. */
export function wholeSentence(
  { pairs }: Pick<Compared, 'pairs'>,
  taking: TakingPart,
  { levels, adjust }: Pick<GroupSettings, 'levels' | 'adjust'>,
): string {
  const [alpha = 0.05] = levels;
  const between = betweenGroups(taking);
  const tested = pairs.filter(({ homogeneity }) => homogeneity.pValue !== null);
  const untested = pairs.length - tested.length;
  const rest = untested === 0 ? '' : ` ${untested} could not be tested.`;
  if (tested.length === 0) return `No pair could be compared ${between}.`;
  const differing = tested.filter((pair) => decidingP(pair) <= alpha);
  const most = tested.toSorted((a, b) => (a.homogeneity.pValue ?? 1) - (b.homogeneity.pValue ?? 1))[0];
  const chance =
    adjust === 'none'
      ? `; ${formatFixed(tested.length * alpha, 1)} expected if no groups differed`
      : `, p ${adjustmentInWords(adjust)} for ${tested.length === 1 ? 'this pair' : `these ${tested.length} pairs`}`;
  const strongest =
    most && differing.length > 0
      ? ` The clearest: ${pairName(most)}, ${statisticInWords(most)}, ${pRelationText(decidingP(most), levels)}.`
      : '';
  return `${differing.length} of ${tested.length} ${tested.length === 1 ? 'pair' : 'pairs'} differed ${between} at ${coefficientText(alpha)}${chance}.${strongest}${rest}`;
}

/** A coefficient smaller than this is hardly any. */
const NOTICEABLE = 0.1;

/** What a pair shows over all rows and inside the groups, where the two tell different stories; null where they do not. */
export function otherStory(pair: ComparedPair, groups: readonly ShownGroup[]): string | null {
  if (!pair.reversed && !pair.hidden) return null;
  const values = pair.cells.flatMap(({ coefficient }, k) => (pair.tested[k] && coefficient !== null ? [coefficient] : []));
  const { symbol } = COEFFICIENTS[pair.method];
  const pooled = pair.pooled.coefficient ?? 0;
  const [low, high] = [least(values), greatest(values)];
  const over = `${symbol} = ${coefficientText(pooled)} over all rows of these groups, but ${coefficientText(low)} to ${coefficientText(high)} inside them`;
  const within = withinCoefficient(pair.within);
  // All rows mix what is inside the groups with how their means lie: where the inside alone is of another sign, or there
  // although nothing is over all rows, the means make the rest.
  const opposite = low <= -NOTICEABLE && high >= NOTICEABLE;
  const byMeans = within !== null && (pair.reversed ? within * pooled < 0 : Math.abs(within) >= NOTICEABLE);
  const why = byMeans
    ? `: ${pair.reversed ? 'the sign comes from' : 'it is hidden by'} how the groups’ means lie`
    : opposite
      ? ': groups of opposite sign cancel out'
      : '';
  const inside =
    within === null
      ? ''
      : ` Within groups, which does not rest on their means: ${withInterval(symbol, pair.within.meanOfZ ?? pair.within)}.`;
  const strongest = groups
    .flatMap((group, k) => (pair.tested[k] ? [{ group, r: pair.cells[k]?.coefficient ?? 0 }] : []))
    .toSorted((a, b) => Math.abs(b.r) - Math.abs(a.r))[0];
  const found = pair.hidden && strongest ? ` (${strongest.group.label} ${coefficientText(strongest.r)})` : '';
  return `${over}${found}${why}.${inside}`;
}

/** Reversals first, then hidden associations; the strongest within groups first. */
export function otherStories(pairs: readonly ComparedPair[]): ComparedPair[] {
  const size = ({ within }: ComparedPair) => Math.abs(withinCoefficient(within) ?? 0);
  return pairs
    .filter(({ reversed, hidden }) => reversed || hidden)
    .toSorted((a, b) => Number(b.reversed) - Number(a.reversed) || size(b) - size(a));
}

/** The coefficient within groups that decides: where spreads differ much, that from the mean of z. */
export function withinCoefficient({ coefficient, meanOfZ }: ComparedPair['within']): number | null {
  return meanOfZ ? meanOfZ.coefficient : coefficient;
}

/** "r = .40 [.31, .48]". */
export function withInterval(symbol: string, { coefficient, low, high }: Pick<GroupCell, 'coefficient' | 'low' | 'high'>): string {
  const limits = low !== null && high !== null ? ` ${intervalText(low, high)}` : '';
  return `${symbol} = ${coefficientText(coefficient ?? Number.NaN)}${limits}`;
}

/** How much of the spread is more than chance, and the coefficient of a group like these; null where there are fewer than three. */
export function spreadSentence({ random, method, homogeneity }: ComparedPair, level: number): string | null {
  if (!random) return null;
  const share = `${formatFixed(100 * random.iSquared, 0)} %`;
  const few = homogeneity.df < 9 ? ', an imprecise share with so few groups' : '';
  return `I² = ${share} of the spread of the groups’ coefficients is more than chance${few}. Random effects: ${withInterval(COEFFICIENTS[method].symbol, random)} (${percent(level)}, by t), for a group like these.`;
}

/** Whether groups high in one variable are high in the other; null where there are too few to say. */
export function betweenSentence({ between }: Pick<SubgroupPairResult, 'between'>, levels: readonly number[]): string | null {
  if (between.coefficient === null || between.pValue === null) return null;
  return `Between groups: their means, weighted by rows, r(${between.df}) = ${coefficientText(between.coefficient)}, ${pRelationText(between.pValue, levels)}; this says nothing of the rows inside them.`;
}
