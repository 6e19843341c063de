import type { Alternative } from '../correlation/types';

/** Up to this many rows, rank statistics are judged by their exact distribution given both tie patterns. */
export const MOST_ROWS_CONDITIONAL = 12;

/** An integer statistic of two rankings, built up one x tie class after the other. */
export interface RankStatistic {
  readonly name: string;
  /** What a row of each y class adds, for a row of an x class, given how much of each y class earlier x classes have used. */
  readonly weights: (outer: Side, i: number, inner: Side, used: () => readonly number[]) => readonly number[];
  readonly step: (outer: Side, inner: Side) => number;
  readonly mean: (n: number) => number;
}

/** Spearman's Σ(2Rᵢ)(2Sᵢ). */
export const PRODUCTS_OF_RANKS: RankStatistic = {
  name: 'ΣRS',
  weights: (outer, i, inner) => inner.scores.map((score) => score * outer.scores[i]),
  step: (outer, inner) => outer.divisor * inner.divisor,
  mean: (n) => n * (n + 1) ** 2,
};

/** Kendall's S: the rows below less those above, among the rows of earlier x classes. */
export const SCORE_OF_PAIRS: RankStatistic = {
  name: 'S',
  weights: (_outer, _i, _inner, used) => orderWeights(used()),
  step: () => 1,
  mean: () => 0,
};

/** How often each value of an integer statistic occurs among all equally likely arrangements of the rows. */
export interface ExactDistribution {
  /** Smallest value; counts[i] belongs to low + i·step. */
  readonly low: number;
  readonly step: number;
  readonly counts: Float64Array;
  readonly total: number;
  readonly mean: number;
}

interface Side {
  readonly sizes: readonly number[];
  /** Twice the midrank of each class, divided by their greatest common divisor. */
  readonly scores: readonly number[];
  readonly divisor: number;
}

const cache = new Map<string, ExactDistribution>();
const MOST_CACHED = 2000;

/**
 * Exact distribution of Spearman's Σ(2Rᵢ)(2Sᵢ) or Kendall's S, conditional on the ties of both variables.
 *
 * Dynamic programming over (how many of each y tie class are used) × (value of the statistic), one x tie class after the
 * other; no enumeration of orders. Source: the permutation distribution of Pitman (1937) and Kendall (1970), ch. 4, with
 * tie patterns held fixed. n ≤ 12: all counts are integers below 2⁵³.
 * @param xGroups sizes of the tie classes of x in ascending order; all 1 without ties
 */
export function exactDistribution(statistic: RankStatistic, xGroups: readonly number[], yGroups: readonly number[]): ExactDistribution {
  const [outer, inner] = states(xGroups) >= states(yGroups) ? [xGroups, yGroups] : [yGroups, xGroups];
  const key = `${statistic.name} ${outer.join()} ${inner.join()}`;
  const known = cache.get(key);
  if (known) return known;
  if (cache.size >= MOST_CACHED) cache.clear();
  const computed = compute(statistic, sideOf(outer), sideOf(inner));
  cache.set(key, computed);
  return computed;
}

/** p-value: two-sided P(|T − E T| ≥ |t − E T|), one-sided P(T ≥ t) or P(T ≤ t), t included. */
export function exactP({ low, step, counts, total, mean }: ExactDistribution, t: number, alternative: Alternative): number {
  const distance = Math.abs(t - mean);
  let sum = 0;
  for (let i = 0; i < counts.length; i++) {
    const value = low + i * step;
    const extreme = alternative === 'two-sided' ? Math.abs(value - mean) >= distance : alternative === 'greater' ? value >= t : value <= t;
    if (extreme) sum += counts[i];
  }
  return sum / total;
}

function states(groups: readonly number[]): number {
  return groups.reduce((product, size) => product * (size + 1), 1);
}

function sideOf(sizes: readonly number[]): Side {
  let below = 0;
  const doubled = sizes.map((size) => {
    const twiceMidrank = 2 * below + size + 1;
    below += size;
    return twiceMidrank;
  });
  const divisor = doubled.reduce(greatestCommonDivisor, 0) || 1;
  return { sizes, scores: doubled.map((score) => score / divisor), divisor };
}

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}

function compute(statistic: RankStatistic, outer: Side, inner: Side): ExactDistribution {
  let layer = new Map<number, Counts>([[0, { low: 0, counts: Float64Array.of(1) }]]);
  const strides = stridesOf(inner.sizes);
  outer.sizes.forEach((size, i) => {
    const weigh = (code: number) => statistic.weights(outer, i, inner, () => usedOf(code, inner.sizes, strides));
    layer = advance(layer, size, inner.sizes, strides, weigh);
  });
  const [{ low, counts }] = layer.values();
  const step = statistic.step(outer, inner);
  const n = outer.sizes.reduce((sum, size) => sum + size, 0);
  return {
    low: low * step,
    step,
    counts,
    total: counts.reduce((sum, count) => sum + count, 0),
    mean: statistic.mean(n),
  };
}

/** Counts over the values low, low + 1, … of the statistic. */
interface Counts {
  readonly low: number;
  readonly counts: Float64Array;
}

/** How much of each y class is used is written as one number in mixed radix: the digits of a code. */
function stridesOf(sizes: readonly number[]): number[] {
  let stride = 1;
  return sizes.map((size) => {
    const own = stride;
    stride *= size + 1;
    return own;
  });
}

function usedOf(code: number, sizes: readonly number[], strides: readonly number[]): number[] {
  return sizes.map((size, k) => Math.floor(code / strides[k]) % (size + 1));
}

/** What a row of each y class adds to Kendall's S, given the rows of earlier x classes: those below less those above it. */
function orderWeights(used: readonly number[]): number[] {
  let below = 0;
  let above = used.reduce((sum, count) => sum + count, 0);
  return used.map((count) => {
    above -= count;
    const weight = below - above;
    below += count;
    return weight;
  });
}

/** Puts one x class in: every way of taking its rows from the y classes that are left. */
function advance(
  layer: ReadonlyMap<number, Counts>,
  size: number,
  limits: readonly number[],
  strides: readonly number[],
  weigh: (code: number) => readonly number[],
): Map<number, Counts> {
  const bounds = new Map<number, { low: number; high: number }>();
  const eachStep = (visit: (from: Counts, code: number, gain: number, ways: number) => void) => {
    for (const [code, from] of layer) {
      const used = usedOf(code, limits, strides);
      const weights = weigh(code);
      const take = (k: number, left: number, next: number, gain: number, ways: number): void => {
        if (left === 0) visit(from, next, gain, ways);
        if (left === 0 || k === limits.length) return;
        for (let taken = Math.min(left, limits[k] - used[k]); taken >= 0; taken--) {
          take(k + 1, left - taken, next + taken * strides[k], gain + taken * weights[k], ways / factorial(taken));
        }
      };
      take(0, size, code, 0, factorial(size));
    }
  };
  eachStep((from, code, gain) => {
    const low = from.low + gain;
    const high = low + from.counts.length - 1;
    const bound = bounds.get(code);
    if (!bound) bounds.set(code, { low, high });
    else {
      bound.low = Math.min(bound.low, low);
      bound.high = Math.max(bound.high, high);
    }
  });
  const next = new Map<number, Counts>();
  for (const [code, { low, high }] of bounds) next.set(code, { low, counts: new Float64Array(high - low + 1) });
  eachStep((from, code, gain, ways) => {
    const to = next.get(code);
    if (!to) return;
    const shift = from.low + gain - to.low;
    for (let k = 0; k < from.counts.length; k++) to.counts[shift + k] += ways * from.counts[k];
  });
  return next;
}

const FACTORIALS = [1, 1, 2, 6, 24, 120, 720, 5040, 40_320, 362_880, 3_628_800, 39_916_800, 479_001_600];

function factorial(n: number): number {
  return FACTORIALS[n];
}
