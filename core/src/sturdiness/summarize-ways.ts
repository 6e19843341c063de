import { shareOfChoices } from './share-of-choices';
import type { Way } from './ways';

/** What a choice has to be for something to happen: one of some options. */
export interface ConditionPart {
  readonly choice: number;
  readonly options: readonly number[];
}

/** How some ways are told from the others by their choices. */
export interface Condition {
  /** How many ways it is about. */
  readonly ways: number;
  /** Each of them fulfils all parts; empty where no choice tells them apart. */
  readonly parts: readonly ConditionPart[];
  /** Whether every way that fulfils the parts is one of them. */
  readonly always: boolean;
}

export interface WaysSummary {
  /** Ways with a coefficient; the others are impossible. */
  readonly computed: number;
  readonly impossible: number;
  /** Ways whose coefficient is exactly ±1: they have no z, and no part in the shares. */
  readonly perfect: number;
  readonly negative: number;
  readonly positive: number;
  /** Ways with a p, and those of them with p ≤ α. */
  readonly tested: number;
  readonly significant: number;
  readonly lowest: number;
  readonly median: number;
  readonly highest: number;
  /** Ways of the rarer sign; null where all have the same. */
  readonly sign: Condition | null;
  /** Ways of the rarer decision at α; null where all decide alike. */
  readonly decision: (Condition & { readonly significant: boolean }) | null;
  /** Of the spread of z, what each choice brings, the largest first; the rest is choices together. */
  readonly shares: readonly { readonly choice: number; readonly share: number }[];
  readonly together: number;
}

/**
 * How far ways agree, and what their spread comes from.
 * @param counts how many options each choice has
 * @param own the place of the way in force: where two kinds of ways are equally many, the rarer is the one that it is not
 * @param alpha level of decisions; p ≤ α is significant
 *
 * @example
 * summarizeWays(computeWays({ x: Float64Array.of(1, 2, 3, 4, 9), y: Float64Array.of(2, 1, 4, 3, 5), rows: new Uint8Array(5).fill(1),
 *   choices: [{ kind: 'coefficient', options: ['pearson', 'spearman'] }], own: [0] }).ways, { counts: [2], own: 0, alpha: 0.05 }).highest; // 0.812277
 */
export function summarizeWays(
  ways: readonly Way[],
  { counts, own, alpha }: { counts: readonly number[]; own: number; alpha: number },
): WaysSummary {
  const computed = ways.filter(({ coefficient }) => !Number.isNaN(coefficient));
  const coefficients = Float64Array.from(computed, ({ coefficient }) => coefficient).sort();
  const tested = computed.filter(({ pValue }) => !Number.isNaN(pValue));
  const decides = (way: Way) => way.pValue <= alpha;
  const inForce = ways[own];
  const negative = computed.filter(({ coefficient }) => coefficient < 0);
  const positive = computed.filter(({ coefficient }) => coefficient > 0);
  const rarerSign = rarer(negative, positive, inForce);
  const significant = tested.filter(decides);
  const other = tested.filter((way) => !decides(way));
  const rarerDecision = rarer(significant, other, inForce);
  const { shares, together } = shareOfChoices(computed, counts);
  return {
    computed: computed.length,
    impossible: ways.length - computed.length,
    perfect: computed.filter(({ z }) => !Number.isFinite(z)).length,
    negative: negative.length,
    positive: positive.length,
    tested: tested.length,
    significant: significant.length,
    lowest: coefficients[0] ?? Number.NaN,
    median: medianOf(coefficients),
    highest: coefficients.at(-1) ?? Number.NaN,
    sign: rarerSign && conditionOf(rarerSign, rarerSign === negative ? positive : negative, counts),
    decision: rarerDecision && {
      ...conditionOf(rarerDecision, rarerDecision === significant ? other : significant, counts),
      significant: rarerDecision === significant,
    },
    shares,
    together,
  };
}

function medianOf(sorted: Float64Array): number {
  const n = sorted.length;
  return n === 0 ? Number.NaN : (sorted[(n - 1) >> 1] + sorted[n >> 1]) / 2;
}

function rarer(a: readonly Way[], b: readonly Way[], own: Way): readonly Way[] | null {
  if (a.length === 0 || b.length === 0) return null;
  if (a.length === b.length) return a.includes(own) ? b : a;
  return a.length < b.length ? a : b;
}

/** What all of some ways have in common that others lack: as few parts as keep out as many of the others. */
function conditionOf(these: readonly Way[], others: readonly Way[], counts: readonly number[]): Condition {
  let parts = counts
    .map((count, choice): ConditionPart & { count: number } => ({
      choice,
      count,
      options: [...new Set(these.flatMap(({ options }) => options[choice]))].sort((a, b) => a - b),
    }))
    .filter(({ count, options }) => options.length < count);
  const fulfil = (kept: readonly ConditionPart[]) =>
    others.filter((way) => kept.every(({ choice, options }) => way.options[choice].some((option) => options.includes(option)))).length;
  const fewest = fulfil(parts);
  // What leaves most options open says least, and goes first.
  for (const part of parts.toSorted((a, b) => b.options.length / b.count - a.options.length / a.count)) {
    const fewer = parts.filter((kept) => kept !== part);
    if (fulfil(fewer) === fewest) parts = fewer;
  }
  return { ways: these.length, parts: parts.map(({ choice, options }) => ({ choice, options })), always: fewest === 0 };
}
