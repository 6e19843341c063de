import { assertLevel } from '../correlation/options';
import type { Interval } from '../correlation/types';
import { fP } from '../distributions/f-distribution';
import { studentUpperQuantile } from '../distributions/student-t';
import type { TailProbability } from '../distributions/tail-probability';
import { applyReflections, backSubstitute, factorize, forwardSubstitute } from '../linear-algebra/householder';
import { dependencesInTriangle } from './dependences-in-triangle';
import { type ModelSummary, summarizeModel, undefinedSummary } from './model-summary';
import { columnOfTriangle, correlationInTriangle, factorKept, type ModelTriangle } from './model-triangle';
import { sumOfSquares } from './unit-columns';

export interface TriangleModelOptions {
  /** Names of all predictors, for what is said about exact dependences. */
  names?: readonly string[];
  /** Level of the intervals. Default .95. */
  level?: number;
}

/**
 * Least-squares regression of the outcome on some of the predictors, from the triangle: all of `linearModel` but its rows, at
 * a cost that does not depend on their number. Not refined: of the digits it keeps those that the predictors' dependence leaves.
 * Source: Golub & Van Loan (2013), sect. 5.3. Predictors that do not vary, or not more rows than coefficients, give NaN.
 * @param keep numbers of the predictors that stay
 * @throws {RangeError} a triangle without an outcome, or a level outside (0, 1).
 *
 * @example
 * modelFromTriangle(modelTriangle([Float64Array.of(1, 2, 3, 4)], Float64Array.of(3, 5, 8, 9)), [0]).r2; // 0.969231
 */
export function modelFromTriangle(
  model: ModelTriangle,
  keep: readonly number[],
  { names, level = 0.95 }: TriangleModelOptions = {},
): ModelSummary {
  assertOutcome(model);
  assertLevel(level);
  const { n, lengths, means, predictors: outcome } = model;
  const p = keep.length;
  const { factors } = factorKept(model, keep);
  if (n <= p + 1) return undefinedSummary(p, n, true, [], 'too-few-cases');
  if (factors.rank < p) return undefinedSummary(p, n, true, dependencesInTriangle(model, keep, names), 'dependent-predictors');
  const rotated = applyReflections(factors, columnOfTriangle(model, outcome));
  const unit = backSubstitute(factors, rotated);
  const coefficients = new Float64Array(p + 1);
  factors.pivots.forEach((k, position) => {
    coefficients[k + 1] = (unit[position] * lengths[outcome]) / lengths[keep[k]];
  });
  coefficients[0] = keep.reduce((rest, j, k) => rest - coefficients[k + 1] * means[j], means[outcome]);
  return summarizeModel({
    n,
    coefficients,
    factors,
    columns: keep.map((j) => ({ length: lengths[j], shift: means[j] })),
    outcomeLength: lengths[outcome],
    restLength: Math.sqrt(sumOfSquares(rotated.subarray(p))) * lengths[outcome],
    zeroOrder: Float64Array.from(keep, (j) => correlationInTriangle(model, j, outcome)),
    intercept: true,
    level,
  });
}

/** What a set of predictors adds to those entered before it. */
export interface BlockStep extends TailProbability {
  /** R² of all entered so far. */
  readonly r2: number;
  /** What this set adds to it. */
  readonly change: number;
  readonly f: number;
  readonly df: number;
  readonly dfResidual: number;
}

/**
 * Predictors entered in ordered sets, each tested against the model with it: F = (ΔR²/m)/((1 − R²)/(n − p − 1)), m predictors
 * in the set, p in all so far. Source: Cohen, Cohen, West & Aiken (2003), sect. 5.4. Where a set depends exactly on what stands
 * before it or within itself, or there are too few rows, all of it is NaN.
 * @param blocks numbers of the predictors of each set
 * @throws {RangeError} a triangle without an outcome.
 *
 * @example
 * blocksFromTriangle(modelTriangle([Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 6)], Float64Array.of(3, 5, 8, 9, 14)),
 *   [[0], [1]])[1].change; // 0.0301318
 */
export function blocksFromTriangle(model: ModelTriangle, blocks: readonly (readonly number[])[]): BlockStep[] {
  assertOutcome(model);
  return blocks.map((block, k) => {
    const entered = blocks.slice(0, k + 1).flat();
    const df = block.length;
    const dfResidual = model.n - entered.length - 1;
    const factors = factorize(
      entered.map((j) => columnOfTriangle(model, j)),
      { tolerances: entered.map((j) => model.tolerances[j]) },
    );
    if (factors.rank < entered.length || !(dfResidual > 0) || entered.some((j) => !(model.lengths[j] > 0))) {
      return { r2: Number.NaN, change: Number.NaN, f: Number.NaN, df, dfResidual, pValue: Number.NaN, log10P: Number.NaN };
    }
    const rotated = applyReflections(factors, columnOfTriangle(model, model.predictors));
    const whole = sumOfSquares(rotated);
    const before = entered.length - df;
    const change = sumOfSquares(rotated.subarray(before, entered.length)) / whole;
    const left = sumOfSquares(rotated.subarray(entered.length)) / whole;
    const f = change / df / (left / dfResidual);
    return { r2: 1 - left, change, f, df, dfResidual, ...fP(f, df, dfResidual) };
  });
}

/** What a model says at values of its predictors. */
export interface ModelPrediction {
  readonly value: number;
  /** 1/n + (x₀ − x̄)ᵀ(XᵀX)⁻¹(x₀ − x̄) on centred predictors: the leverage that a row there would have if it were one of them. */
  readonly leverage: number;
  readonly meanSe: number;
  /** Where the mean of all such cases lies; null where nothing tells. */
  readonly mean: Interval | null;
  /** Where one new case lies. */
  readonly newCase: Interval | null;
  readonly df: number;
}

/**
 * The predicted outcome at some values: ŷ ± t·s√h₀ for the mean of such cases, ŷ ± t·s√(1 + h₀) for a new one, t with n − p − 1
 * degrees of freedom. Source: Draper & Smith (1998), ch. 3 and 6. Where the model cannot be fitted, NaN; of an exact fit no intervals.
 * @param keep numbers of the predictors that stay
 * @param at their values, in that order
 * @throws {RangeError} not one finite value for each predictor, a triangle without an outcome, or a level outside (0, 1).
 *
 * @example
 * predictFromTriangle(modelTriangle([Float64Array.of(1, 2, 3, 4)], Float64Array.of(3, 5, 8, 9)), [0], [2.5]).value; // 6.25
 */
export function predictFromTriangle(
  model: ModelTriangle,
  keep: readonly number[],
  at: readonly number[],
  { level = 0.95 }: { level?: number } = {},
): ModelPrediction {
  if (at.length !== keep.length || !at.every(Number.isFinite)) throw new RangeError('at must hold one finite number for each predictor');
  const { coefficients, residualSd, dfResidual, undefinedBecause } = modelFromTriangle(model, keep, { level });
  if (undefinedBecause) return { value: Number.NaN, leverage: Number.NaN, meanSe: Number.NaN, mean: null, newCase: null, df: dfResidual };
  const { n, means, lengths } = model;
  const { factors } = factorKept(model, keep);
  const away = keep.map((j, k) => (at[k] - means[j]) / lengths[j]);
  const leverage =
    1 / n +
    sumOfSquares(
      forwardSubstitute(
        factors,
        Float64Array.from(factors.pivots, (k) => away[k]),
      ),
    );
  // From the mean of the outcome: an intercept far outside the data would cost digits.
  const value = keep.reduce((sum, j, k) => sum + coefficients[k + 1] * (at[k] - means[j]), means[model.predictors]);
  const reach = residualSd > 0 ? studentUpperQuantile((1 - level) / 2, dfResidual) * residualSd : Number.NaN;
  const interval = (spread: number): Interval | null =>
    reach > 0 ? { low: value - reach * spread, high: value + reach * spread, level, method: 't' } : null;
  return {
    value,
    leverage,
    meanSe: residualSd * Math.sqrt(leverage),
    mean: interval(Math.sqrt(leverage)),
    newCase: interval(Math.hypot(1, Math.sqrt(leverage))),
    df: dfResidual,
  };
}

function assertOutcome({ hasOutcome }: ModelTriangle): void {
  if (!hasOutcome) throw new RangeError('the triangle must hold an outcome');
}
