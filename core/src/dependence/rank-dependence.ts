import { completePair } from '../columns/complete-rows';
import { constantReason } from '../correlation/test-result';
import type { UndefinedBecause } from '../correlation/types';
import { normalUpperTail } from '../distributions/normal';
import { Random } from '../random/random';
import { sortOrder } from '../ranks/sort-order';
import { sequentialP } from '../resampling/sequential-p';

export interface RankDependence {
  /** How far y is a function of x, in ranks: about 0 for independent variables, 1 for a function of very many rows. */
  readonly yOnX: number;
  readonly xOnY: number;
  readonly n: number;
  /** Of both directions: twice the smaller, at most 1. */
  readonly pValue: number;
  /** Normal from 50 rows on. */
  readonly pMethod: 'permutation' | 'normal';
  readonly permutations: number;
  readonly seed: number;
  readonly undefinedBecause?: UndefinedBecause;
}

const FEWEST_ROWS = 4;
/** With fewer rows the normal distribution is not near. */
const FEWEST_NORMAL = 50;
const ROUNDING = 1e-12;

/**
 * ξ of Chatterjee (2021), in both directions: whether one variable is a function of the other, of whatever form.
 * Source: Chatterjee (2021), eq. 1 and theorem 2.2, with ties in y; ties in x are broken at random, by seed. p one-sided,
 * by permutation below 50 rows. Missing: NaN, the pair's complete rows.
 * @param options.permutations Default 999
 * @param options.enough as extreme shuffles at which they end early; default none
 * @throws {RangeError} columns of unequal length.
 *
 * @example
 * rankDependence(Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8, 9, 10),
 *   Float64Array.of(20.25, 12.25, 6.25, 2.25, 0.25, 0.25, 2.25, 6.25, 12.25, 20.25)).yOnX; // 0.5
 */
export function rankDependence(
  x: Float64Array,
  y: Float64Array,
  { permutations = 999, seed = 1, ...options }: { permutations?: number; seed?: number; enough?: number } = {},
): RankDependence {
  if (x.length !== y.length) throw new RangeError(`columns must have the same length; got ${x.length} and ${y.length}`);
  const complete = completePair(x, y);
  const n = complete.x.length;
  const constant = (values: Float64Array) => values.every((value) => value === values[0]);
  const because = n < FEWEST_ROWS ? 'too-few-cases' : constantReason(constant(complete.x), constant(complete.y));
  const pMethod = n < FEWEST_NORMAL ? 'permutation' : 'normal';
  const facts = { n, pMethod, permutations, seed } as const;
  if (because) return { ...facts, yOnX: Number.NaN, xOnY: Number.NaN, pValue: Number.NaN, undefinedBecause: because };
  // Each direction breaks its ties and is shuffled by streams of its own: neither p moves with what the other drew.
  const random = new Random(seed);
  const [ties, shuffles] = [random.split(), random.split()];
  const [one, other] = [direction(complete.x, complete.y, ties.split()), direction(complete.y, complete.x, ties.split())];
  const p = ({ xi, ranks }: Direction, stream: Random) =>
    pMethod === 'normal' ? normalP(xi, ranks) : shuffledP(xi, ranks, stream, permutations, options);
  const smaller = Math.min(p(one, shuffles.split()), p(other, shuffles.split()));
  return { ...facts, yOnX: one.xi, xOnY: other.xi, pValue: Math.min(1, 2 * smaller) };
}

/** Ranks of y: how many are at most each, how many at least, in order of x. */
interface Ranks {
  readonly atMost: Float64Array;
  readonly atLeast: Float64Array;
}

interface Direction {
  readonly xi: number;
  readonly ranks: Ranks;
}

function direction(x: Float64Array, y: Float64Array, random: Random): Direction {
  const n = x.length;
  // A random order first, then a sort that keeps it: ties of x stand as they were drawn.
  const drawn = Int32Array.from({ length: n }, (_, i) => i);
  random.shuffle(drawn);
  const order = sortOrder(Float64Array.from(drawn, (row) => x[row]));
  const ranks = ranksOf(Float64Array.from(order, (place) => y[drawn[place]]));
  return { xi: xiOf(ranks.atMost, ranks.atLeast), ranks };
}

function ranksOf(y: Float64Array): Ranks {
  const n = y.length;
  const order = sortOrder(y);
  const [atMost, atLeast] = [new Float64Array(n), new Float64Array(n)];
  for (let from = 0; from < n; ) {
    let to = from;
    while (to < n && y[order[to]] === y[order[from]]) to++;
    for (let k = from; k < to; k++) {
      atMost[order[k]] = to;
      atLeast[order[k]] = n - from;
    }
    from = to;
  }
  return { atMost, atLeast };
}

function xiOf(atMost: Float64Array, atLeast: Float64Array): number {
  const n = atMost.length;
  let [steps, spread] = [0, 0];
  for (let i = 0; i < n; i++) {
    if (i > 0) steps += Math.abs(atMost[i] - atMost[i - 1]);
    spread += atLeast[i] * (n - atLeast[i]);
  }
  return 1 - (n * steps) / (2 * spread);
}

/** Variance of √n·ξ under independence where no values of y are tied: Chatterjee (2021), theorem 2.1. */
const UNTIED_VARIANCE = 2 / 5;

function normalP(xi: number, ranks: Ranks): number {
  const n = ranks.atMost.length;
  const untied = ranks.atMost.every((atMost, i) => atMost + ranks.atLeast[i] === n + 1);
  return normalUpperTail((Math.sqrt(n) * xi) / Math.sqrt(untied ? UNTIED_VARIANCE : tiedVariance(ranks)));
}

/** Chatterjee (2021), theorem 2.2. */
function tiedVariance({ atMost, atLeast }: Ranks): number {
  const n = atMost.length;
  const u = atMost.slice().sort();
  let [a, b, c, d, v] = [0, 0, 0, 0, 0];
  for (let i = 0; i < n; i++) {
    v += u[i];
    const weight = 2 * (n - i) - 1;
    a += (weight * u[i] * u[i]) / n ** 4;
    b += (v + (n - i - 1) * u[i]) ** 2 / n ** 5;
    c += (weight * u[i]) / n ** 3;
    d += (atLeast[i] * (n - atLeast[i])) / n ** 3;
  }
  return (a - 2 * b + c * c) / (d * d);
}

function shuffledP(xi: number, { atMost, atLeast }: Ranks, random: Random, permutations: number, options: { enough?: number }): number {
  const n = atMost.length;
  const places = Int32Array.from({ length: n }, (_, i) => i);
  const shuffled = new Float64Array(n);
  const isAsLarge = () => {
    random.shuffle(places);
    for (let i = 0; i < n; i++) shuffled[i] = atMost[places[i]];
    // How many values are at least as large depends on no order.
    return xiOf(shuffled, atLeast) >= xi - ROUNDING;
  };
  return sequentialP(permutations, isAsLarge, options).pValue;
}
