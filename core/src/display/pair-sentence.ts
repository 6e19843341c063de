import type { Alternative, CorrelationTest, Method } from '../correlation/types';
import { COEFFICIENTS, levelInWords } from './coefficients';
import { formatCoefficient, formatInterval, formatPRelation } from './format-numbers';
import { strengthWord } from './strength-word';

/** A variable as a sentence calls it, and what its high values mean where the codebook says so. */
export interface NamedVariable {
  readonly name: string;
  readonly highMeans: string | null;
}

export interface PairSentenceOptions {
  /** Names of what was held constant. */
  held?: readonly string[];
  /** How the coefficient was got where a remedy was decided on: "within each station". */
  taken?: string;
  /** p adjusted for many tests, which then decides and is called so; the interval beside it is then called unadjusted. */
  adjustedP?: number;
  /** With which coefficients and p are written; default 2 and 3. */
  decimals?: { readonly coefficients?: number; readonly p?: number };
}

/**
 * The result of a correlation as a sentence for a paper: "There was a negative association of nitrate with mayfly taxa,
 * r(234) = −.42, 95 % CI [−.52, −.31], p < .001 (medium; 18 % of variance shared): higher nitrate goes with lower mayfly taxa."
 * Variables keep their names as they are: no sentence begins with one.
 * Degrees of freedom stand only where p is by t; only r² is a share of variance; the size of τ is judged by sin(πτ/2).
 * Says "associated", never a cause; "no association was detected" where p is above the level of decision.
 * A partial correlation says what was held constant, and no share of variance.
 * @param alpha the level at which the association counts as detected (p ≤ alpha)
 *
 * @example
 * pairSentence(pearson(Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8), Float64Array.of(1, 3, 2, 5, 4, 7, 6, 8)),
 *   { name: 'nitrate' }, { name: 'phosphate' }, 0.05); // 'There was a positive association of nitrate with phosphate, r(6) = .93, 95 % CI [.65, .99], p < .001 (large; 86 % of variance shared): higher nitrate goes with higher phosphate.'
 */
export function pairSentence(
  test: CorrelationTest,
  x: NamedVariable,
  y: NamedVariable,
  alpha: number,
  { held = [], taken, adjustedP, decimals = {} }: PairSentenceOptions = {},
): string {
  const p = adjustedP ?? test.pValue;
  const given =
    held.length === 0 ? '' : `With ${held.length > 1 ? `${held.slice(0, -1).join(', ')} and ${held.at(-1)}` : held[0]} held constant, `;
  const begun = (words: string) => (given ? given + words.charAt(0).toLowerCase() + words.slice(1) : words);
  const how = taken === undefined ? '' : `, taken ${taken},`;
  const between = `between ${x.name} and ${y.name}${how}`;
  if (test.undefinedBecause)
    return begun(
      `No correlation ${between} could be computed, since ${(taken === undefined ? null : reasonTaken(test, x, y)) ?? reason(test, x, y)}.`,
    );
  const r = test.coefficient;
  const interval = test.interval
    ? `, ${adjustedP === undefined ? '' : 'unadjusted '}${levelInWords(test.interval, test.n)} CI ${formatInterval(test.interval.low, test.interval.high, decimals.coefficients)}`
    : '';
  const sided = test.alternative === 'two-sided' ? '' : ', one-sided';
  const exact = test.pMethod === 'exact' ? ', exact' : '';
  const value = equals(formatCoefficient(r, decimals.coefficients));
  const coefficient =
    test.pMethod === 't'
      ? `${COEFFICIENTS[test.method].symbol}(${test.statistic?.df ?? test.n - 2}) ${value}`
      : `${COEFFICIENTS[test.method].symbol} ${value}, n = ${test.n}`;
  if (Number.isNaN(p)) return begun(`The correlation ${between} was ${coefficient}${interval}; there is no test of this coefficient.`);
  const adjusted = adjustedP === undefined ? '' : ', adjusted';
  const numbers = `${coefficient}${interval}, ${formatPRelation(p, [alpha], decimals.p)}${sided}${exact}${adjusted}`;
  if (p > alpha) return begun(`${DETECTABLE[test.alternative]} ${between} was detected, ${numbers}.`);
  const direction = r > 0 ? 'positive' : 'negative';
  const size = sizeInWords(test.method, r, held.length > 0 || taken !== undefined, decimals.coefficients);
  return begun(
    `There was a ${direction} association of ${x.name} with ${y.name}${how || ','} ${numbers} (${size}): ${plainClause(r, x, y)}.`,
  );
}

function sizeInWords(method: Method, coefficient: number, partial: boolean, decimals?: number): string {
  const { squareIsShared, comparable } = COEFFICIENTS[method];
  const word = strengthWord(coefficient, { method });
  if (squareIsShared && !partial) return `${word}; ${sharedVariance(coefficient)} of variance shared`;
  return comparable.formula
    ? `${word}, judged by ${comparable.formula} = ${formatCoefficient(Math.sign(coefficient) * comparable.size(coefficient), decimals)}`
    : word;
}

function plainClause(r: number, x: NamedVariable, y: NamedVariable): string {
  return `higher ${withMeaning(x)} goes with ${r > 0 ? 'higher' : 'lower'} ${withMeaning(y)}`;
}

function withMeaning({ name, highMeans }: NamedVariable): string {
  return highMeans ? `${name} (high values mean ${highMeans})` : name;
}

const DETECTABLE: Readonly<Record<Alternative, string>> = {
  'two-sided': 'No association',
  greater: 'No positive association',
  less: 'No negative association',
};

function sharedVariance(r: number): string {
  const percent = 100 * r * r;
  if (percent < 0.5) return 'under 1 %';
  if (percent > 99 && percent < 100) return 'over 99 %';
  return `${Math.round(percent)} %`;
}

/** Inside cases or groups, or among their means, a variable may be constant that varies among the rows. */
function reasonTaken({ undefinedBecause }: CorrelationTest, x: NamedVariable, y: NamedVariable): string | null {
  switch (undefinedBecause) {
    case 'constant-x':
      return `${x.name} does not vary so`;
    case 'constant-y':
      return `${y.name} does not vary so`;
    case 'constant-both':
      return 'neither varies so';
    case 'too-few-cases':
      return 'too few rows or cases are left';
    default:
      return null;
  }
}

function reason({ undefinedBecause, n }: CorrelationTest, x: NamedVariable, y: NamedVariable): string {
  switch (undefinedBecause) {
    case 'constant-x':
      return `${x.name} has the same value in every complete row`;
    case 'constant-y':
      return `${y.name} has the same value in every complete row`;
    case 'constant-both':
      return 'neither variable varies among the complete rows';
    case 'does-not-settle':
      return 'the likelihood has no top that was found';
    case 'too-few-measured':
      return 'too few different values lie above the limit';
    case 'not-positive':
      return 'a value that is not above zero has no logarithm';
    default:
      return `only ${n} ${n === 1 ? 'row is' : 'rows are'} complete for both (at least 3 are needed)`;
  }
}

function equals(text: string): string {
  return /^[<>]/.test(text) ? text : `= ${text}`;
}
