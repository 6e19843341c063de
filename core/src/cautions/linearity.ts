import { centreColumn } from '../columns/centre';
import { completePair } from '../columns/complete-rows';
import { assertSameLength } from '../correlation/options';
import { pearson } from '../correlation/pearson';
import { spearman } from '../correlation/spearman';
import { fP } from '../distributions/f-distribution';
import { breuschPagan } from '../regression/breusch-pagan';
import { linearModel } from '../regression/linear-model';

export interface Linearity {
  /** Whether the relationship is said to be curved. */
  readonly curved: boolean;
  /** Of the quadratic term, the smaller of both directions times two. */
  readonly pValue: number;
  /** What the quadratic term adds to R², in the direction of the smaller p. */
  readonly gain: number;
  /** |ρ| − |r|: a monotonic but bent relationship has a larger rank coefficient. */
  readonly rankAdvantage: number;
}

const CURVED_P = 0.01;
const CURVED_GAIN = 0.02;
const RANK_ADVANTAGE = 0.1;
const FEWEST = 4;

/**
 * Is a relationship straight? A quadratic term, centred, is tested for y on x and for x on y.
 *
 * Curved if 2·min p < .01 and R² rises by .02 at least, or if |ρ| exceeds |r| by .10. Source: the F test of a polynomial
 * term (Draper & Smith 1998, ch. 12). Missing values (NaN): rows complete for both; fewer than four are never curved.
 * @throws {RangeError} columns of unequal length.
 */
export function linearity(x: Float64Array, y: Float64Array): Linearity {
  assertSameLength(x, y);
  const pair = completePair(x, y);
  const r = pearson(pair.x, pair.y).coefficient;
  const rankAdvantage = Math.abs(spearman(pair.x, pair.y, { p: 'approximate' }).coefficient) - Math.abs(r);
  const [forward, backward] = [quadraticGain(pair.x, pair.y, r * r), quadraticGain(pair.y, pair.x, r * r)];
  const better = backward.pValue < forward.pValue ? backward : forward;
  const pValue = Math.min(1, 2 * better.pValue);
  const bent = pValue < CURVED_P && better.gain >= CURVED_GAIN;
  return { curved: bent || rankAdvantage >= RANK_ADVANTAGE, pValue, gain: better.gain, rankAdvantage };
}

/** @param straight R² of the straight line, the same in both directions */
function quadraticGain(x: Float64Array, y: Float64Array, straight: number): { pValue: number; gain: number } {
  if (x.length < FEWEST) return { pValue: Number.NaN, gain: Number.NaN };
  const { centred } = centreColumn(x);
  const quadratic = linearModel(y, [centred, centred.map((value) => value * value)]);
  const gain = quadratic.r2 - straight;
  const f = gain / ((1 - quadratic.r2) / quadratic.dfResidual);
  return { pValue: fP(Math.max(0, f), 1, quadratic.dfResidual).pValue, gain };
}

const FAN_P = 0.01;
const FAN_FEWEST = 30;

/**
 * Do the residuals of y on x fan out? Breusch–Pagan in Koenker's form at .01, with n ≥ 30.
 * @throws {RangeError} columns of unequal length.
 */
export function fanShape(x: Float64Array, y: Float64Array): { fanShaped: boolean; pValue: number } {
  const { pValue, n } = breuschPagan(y, [x]);
  return { fanShaped: n >= FAN_FEWEST && pValue < FAN_P, pValue };
}
