import { fisherInterval } from '../correlation/fisher-interval';
import { constantReason } from '../correlation/test-result';
import { normalQuantile } from '../distributions/normal';
import { normalP } from '../distributions/tail-probability';
import { type Contingency, contingencyOf, marginsOf, separationOf } from './contingency';
import { type LatentCorrelation, type LatentOptions, SEPARATED, undefinedLatent } from './latent-result';
import { cellProbabilities, type LatentPoint, logLikelihood, scoreAndInformation } from './ordered-cells';

export interface Polychoric extends LatentCorrelation {
  /** From the thresholds of the margins, which are not estimated again (Olsson 1979, two-step). */
  readonly twoStep: number;
  /** Cells that no row fell into; in a table of two by two the one that is empty got ½, its margins kept. */
  readonly emptyCells: number;
}

const FEWEST_ROWS = 4;
const MOST_ROUNDS = 200;
/** A round that moves nothing by more is the last. */
const STILL = 1e-10;
/** The climb ends at so large a coefficient: the probabilities of cells are differences that lose their digits beyond it. */
const EDGE = 0.9999;

/**
 * Polychoric correlation of two ordered variables, tetrachoric for two levels each: the correlation that makes the counts
 * most likely if two normal variables are cut into these levels; thresholds and coefficient jointly.
 * Source: Olsson (1979); Pearson (1900). SE from the expected information, interval tanh(z ± q·SE/(1 − ρ²)), p by the
 * likelihood ratio against ρ = 0 (χ²₁, one-sided by its signed root).
 * Missing: NaN, the pair's complete rows. Levels that nobody chose are none.
 * @throws {RangeError} columns of unequal length.
 *
 * @example
 * polychoric(Float64Array.of(0, 0, 1, 1, 0, 1, 0, 1), Float64Array.of(0, 0, 1, 1, 1, 0, 0, 1)).coefficient; // 0.707107
 */
export function polychoric(x: Float64Array, y: Float64Array, options: LatentOptions = {}): Polychoric {
  if (x.length !== y.length) throw new RangeError(`columns must have the same length; got ${x.length} and ${y.length}`);
  return polychoricOfTable(contingencyOf(x, y), options);
}

/** The same of counts. */
function polychoricOfTable(given: Contingency, { alternative = 'two-sided', level = 0.95 }: LatentOptions = {}): Polychoric {
  const emptyCells = given.counts.reduce((sum, count) => sum + (count === 0 ? 1 : 0), 0);
  const because = given.n < FEWEST_ROWS ? 'too-few-cases' : constantReason(given.rows < 2, given.columns < 2);
  if (because) return { ...undefinedLatent(given.n, because), twoStep: Number.NaN, emptyCells };
  const table = withHalf(given, emptyCells);
  const start = marginsAsThresholds(table);
  const facts = { n: table.n, emptyCells } as const;
  const atNone = logLikelihood(table, cellProbabilities({ ...start, rho: 0 }));
  const tested = (sign: number, height: number) => {
    const z = sign * Math.sqrt(Math.max(0, 2 * (height - atNone)));
    return { z, ...normalP(z, alternative) };
  };
  const end = separationOf(table);
  if (end !== 0) {
    const shares = table.counts.map((count) => count / table.n);
    const thresholds = [start.a, start.b] as const;
    return { ...facts, ...SEPARATED, coefficient: end, thresholds, twoStep: end, rounds: 0, ...tested(end, logLikelihood(table, shares)) };
  }
  const twoStep = climb(table, start, true);
  const found = climb(table, twoStep.point, false);
  const { rho, a, b } = found.point;
  const zVariance = found.variance / ((1 - rho) * (1 + rho)) ** 2;
  return {
    ...facts,
    coefficient: rho,
    thresholds: [a, b],
    twoStep: twoStep.point.rho,
    rounds: found.rounds,
    ...tested(Math.sign(rho), found.logLikelihood),
    se: Math.sqrt(found.variance),
    zVariance,
    interval: fisherInterval({ r: rho, oneMinusAbs: 1 - Math.abs(rho) }, zVariance, { alternative, level }, 'likelihood'),
    converged: found.converged,
  };
}

/** One empty cell of two by two: half a row in it, its margins kept; else its coefficient is ±1 whatever the others say. */
function withHalf(table: Contingency, emptyCells: number): Contingency {
  if (table.rows !== 2 || table.columns !== 2 || emptyCells !== 1) return table;
  const counts = table.counts.slice();
  const empty = counts.indexOf(0);
  const onDiagonal = empty === 0 || empty === 3;
  for (let at = 0; at < 4; at++) counts[at] += (at === 0 || at === 3) === onDiagonal ? 0.5 : -0.5;
  return { ...table, counts };
}

function marginsAsThresholds(table: Contingency): Omit<LatentPoint, 'rho'> {
  const { ofRows, ofColumns } = marginsOf(table);
  return { a: thresholdsOf(ofRows, table.n), b: thresholdsOf(ofColumns, table.n) };
}

function thresholdsOf(margin: Float64Array, n: number): Float64Array {
  let below = 0;
  return Float64Array.from({ length: margin.length - 1 }, (_, k) => {
    below += margin[k];
    return normalQuantile(below / n);
  });
}

/** Fisher scoring with halved steps. @param rhoAlone whether the thresholds stay where they are */
function climb(table: Contingency, from: Omit<LatentPoint, 'rho'> & { readonly rho?: number }, rhoAlone: boolean) {
  let point: LatentPoint = { a: from.a, b: from.b, rho: from.rho ?? 0 };
  let probabilities = cellProbabilities(point);
  let height = logLikelihood(table, probabilities);
  let [variance, converged, rounds] = [Number.NaN, false, 0];
  while (rounds < MOST_ROUNDS && !converged) {
    rounds++;
    const { score, information, inverse, size } = scoreAndInformation(table, point, probabilities);
    if (!inverse) break;
    const last = size - 1;
    variance = inverse[size * size - 1];
    const step = rhoAlone ? stepOfLast(score, information, size) : stepOf(score, inverse, size);
    let [taken, next] = [1, point];
    for (; taken > 1e-6; taken /= 2) {
      next = moved(point, step, taken, rhoAlone);
      if (!isOrdered(next)) continue;
      const there = cellProbabilities(next);
      const higher = logLikelihood(table, there);
      if (higher >= height - Math.abs(height) * 1e-15) {
        [probabilities, height] = [there, higher];
        break;
      }
    }
    if (taken <= 1e-6) {
      // No higher place along the step: this is the top as far as rounding tells.
      converged = true;
      break;
    }
    point = next;
    converged = Math.abs(point.rho) >= EDGE || step.every((change, k) => (rhoAlone && k < last) || Math.abs(change * taken) <= STILL);
  }
  return { point, variance, logLikelihood: height, converged, rounds };
}

function stepOf(score: Float64Array, inverse: Float64Array, size: number): Float64Array {
  return Float64Array.from({ length: size }, (_, k) => {
    let sum = 0;
    for (let l = 0; l < size; l++) sum += inverse[k * size + l] * score[l];
    return sum;
  });
}

/** The step of the coefficient alone, by its own information. */
function stepOfLast(score: Float64Array, information: Float64Array, size: number): Float64Array {
  const step = new Float64Array(size);
  step[size - 1] = score[size - 1] / information[size * size - 1];
  return step;
}

function moved({ a, b, rho }: LatentPoint, step: Float64Array, taken: number, rhoAlone: boolean): LatentPoint {
  const change = step[step.length - 1] * taken;
  // At most half of the way to ±1, so that the climb never leaves its ground.
  const room = (change > 0 ? 1 - rho : 1 + rho) * 0.9;
  const next = rho + Math.sign(change) * Math.min(Math.abs(change), room);
  if (rhoAlone) return { a, b, rho: next };
  return {
    a: a.map((value, k) => value + taken * step[k]),
    b: b.map((value, k) => value + taken * step[a.length + k]),
    rho: next,
  };
}

function isOrdered({ a, b }: LatentPoint): boolean {
  return [a, b].every((thresholds) => thresholds.every((value, k) => k === 0 || value > thresholds[k - 1]));
}
