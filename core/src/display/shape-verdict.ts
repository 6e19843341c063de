import { isShapeMarked, type ShapeRule } from '../cautions/shape-rule';
import type { Description } from '../description/describe';
import type { NormalityTest } from '../normality/normality-test';
import type { QuantilePattern } from '../normality/quantile-pattern';

/** From here on a test of normality rejects departures that do not matter. */
const LARGE = 500;
/** Below, it sees only gross ones. */
const SMALL = 20;

export type ShapeStatistics = Pick<Description, 'n' | 'min' | 'max' | 'skewness' | 'skewnessSe' | 'excessKurtosis' | 'excessKurtosisSe'>;

export interface ShapeVerdict {
  /** Whether the rule marks the variable. */
  readonly marked: boolean;
  /** Whether the test rejects at the level; null where there is no test or no p. */
  readonly rejected: boolean | null;
  /** A few words that follow from rule and test, and from nothing else. */
  readonly words: string;
}

/**
 * What rule and test say of a variable's shape, in words; what n makes of the test is said, too. "No departure
 * detected" is the most that can be said for a variable.
 * @param options.test null where no test is chosen
 *
 * @example
 * shapeVerdict({ n: 30, min: 1, max: 9, skewness: 0.2, skewnessSe: 0.4, excessKurtosis: 0.1, excessKurtosisSe: 0.8 },
 *   { rule: { kind: 'limits', skewness: 2, excessKurtosis: 7 }, test: null, level: 0.05 }).words; // 'within the rule'
 */
export function shapeVerdict(
  statistics: ShapeStatistics,
  { rule, test, level }: { rule: ShapeRule; test: NormalityTest | null; level: number },
): ShapeVerdict {
  const { n, min, max } = statistics;
  if (n < 3) return { marked: false, rejected: null, words: n === 0 ? 'no value' : 'too few values to judge' };
  if (min === max) return { marked: false, rejected: null, words: 'one value throughout' };
  const marked = isShapeMarked(statistics, rule);
  const rejected = test && test.pValue === test.pValue ? test.pValue <= level : null;
  return { marked, rejected, words: words(statistics, rule, marked, rejected) };
}

function words(statistics: ShapeStatistics, rule: ShapeRule, marked: boolean, rejected: boolean | null): string {
  const { n } = statistics;
  if (marked) {
    const what = departure(statistics, rule);
    if (rejected === false) return `${what}, though the test does not reject${n < SMALL ? `: n = ${n} is little` : ''}`;
    return what;
  }
  if (rejected === true) return n >= LARGE ? 'mild; at this n the test rejects even trifles' : 'within the rule, but the test rejects';
  if (n < SMALL) return `no departure detected, but n = ${n} shows only gross ones`;
  return rejected === false ? 'no departure detected' : 'within the rule';
}

/** Which of the rule's limits is passed, the further one first. */
function departure({ skewness, skewnessSe, excessKurtosis, excessKurtosisSe }: ShapeStatistics, rule: ShapeRule): string {
  const share = (value: number, limit: number) => Math.abs(value) / limit;
  const [skew, kurtosis] =
    rule.kind === 'limits'
      ? [share(skewness, rule.skewness), share(excessKurtosis, rule.excessKurtosis)]
      : [share(skewness / skewnessSe, rule.limit), share(excessKurtosis / excessKurtosisSe, rule.limit)];
  const skewed = skewness > 0 ? 'skewed to the right' : 'skewed to the left';
  const tailed = excessKurtosis > 0 ? 'heavy-tailed' : 'flat, with short tails';
  if (skew > 1 && kurtosis > 1) return skew >= kurtosis || excessKurtosis > 0 ? `${skewed} and ${tailed}` : `${tailed} and ${skewed}`;
  return skew > 1 ? skewed : tailed;
}

/**
 * What the pattern of a normal quantile plot means, as a sentence.
 *
 * @example
 * patternSentence('right-tail',
 *   40); // 'The points bend upwards: a long right tail. A logarithm or a root may straighten it.'
 */
export function patternSentence(pattern: QuantilePattern, distinct: number): string {
  switch (pattern) {
    case 'inside':
      return 'All points lie in the band, as those of a normal sample of this size would.';
    case 'steps':
      return `The points form steps: there are only ${distinct} different values. No scale changes that.`;
    case 'outlier-high':
      return 'One value lies far above the others; without it the rest would have to be looked at again.';
    case 'outlier-low':
      return 'One value lies far below the others; without it the rest would have to be looked at again.';
    case 'right-tail':
      return 'The points bend upwards: a long right tail. A logarithm or a root may straighten it.';
    case 'left-tail':
      return 'The points bend downwards: a long left tail. A square, or a logarithm of the reflected values, may straighten it.';
    case 'heavy-tails':
      return 'Both ends leave the band outwards: more far values on either side than a normal variable has.';
    case 'light-tails':
      return 'Both ends leave the band inwards: the values stop short on either side, as bounded ones do.';
    case 'two-humps':
      return 'The points run in an S: there are two humps. Look whether groups differ; no scale joins them.';
    case 'irregular':
      return 'Some points in the middle leave the band, in no simple pattern.';
  }
}
