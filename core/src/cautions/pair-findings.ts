import { completePair } from '../columns/complete-rows';
import { assertMethod } from '../correlation/assert-method';
import { METHODS } from '../correlation/methods';
import { assertAlternative, assertSameLength } from '../correlation/options';
import { pearson } from '../correlation/pearson';
import { spearman } from '../correlation/spearman';
import type { Alternative, CorrelationTest, Method } from '../correlation/types';
import { type Description, describe } from '../description/describe';
import { decideDifferently, noticeableBetweenMethods } from './decisive';
import type { JudgedPair, SharedComponent } from './remedies';
import { DEFAULT_SHAPE_RULE, isShapeMarked, type ShapeRule } from './shape-rule';

/** What cannot be seen from the two columns alone. */
export interface CautionContext {
  method: Method;
  /** Of the tests by which conclusions are compared. Default 'two-sided'. */
  alternative?: Alternative;
  /** Rows in use, whether complete for the pair or not. Default: the rows given. */
  rowsInUse?: number;
  /** Default: |G1| > 2 or |G2| > 7. */
  shapeRule?: ShapeRule;
  /** Which of the two are orders, or have two values only. Default: neither. */
  steps?: readonly [boolean, boolean];
  /** Whether either variable is an order. */
  ordinal?: boolean;
  /** Up to which value each was not measured; null where all was. */
  limits?: readonly [number | null, number | null];
  /** What both derive from, if they share a source. */
  shared?: SharedComponent;
  /** How many rows have an identifier that stands in another row as well; left out where nothing names the cases. */
  repeatedRows?: number;
  /** Which case each row is of, where an identifier names the cases. */
  identifiers?: Float64Array;
  /** A group for each row. */
  groups?: Float64Array;
  /** Level of decisions. Default .05. */
  alpha?: number;
}

/** Fewer rows are few cases. */
export const FEW_CASES = 10;
/** Below this share of the rows in use many are missing. */
export const FEW_COMPLETE = 0.8;
/** A share of tied pairs of rows above this is worth a note on a rank coefficient. */
export const MANY_TIES = 0.25;

/** A pair on the way to its cautions and checks. */
export interface Judging {
  readonly pair: JudgedPair;
  readonly complete: { readonly x: Float64Array; readonly y: Float64Array };
  readonly found: CorrelationTest;
  readonly alpha: number;
}

/** @throws {RangeError} columns of unequal length, or a method or an alternative that does not exist. */
export function judgingOf(
  x: Float64Array,
  y: Float64Array,
  { method, alternative = 'two-sided', alpha = 0.05 }: Pick<CautionContext, 'method' | 'alternative' | 'alpha'>,
): Judging {
  assertMethod(method);
  assertAlternative(alternative);
  assertSameLength(x, y);
  return {
    pair: { x, y, method, alternative },
    complete: completePair(x, y),
    found: METHODS[method].test(x, y, { alternative }),
    alpha,
  };
}

/** Both shapes, and whether the rule marks them. */
export function findShapes({ complete }: Judging, rule: ShapeRule = DEFAULT_SHAPE_RULE) {
  const judge = (values: Float64Array): Description & { marked: boolean } => {
    const found = describe(values);
    return { ...found, marked: isShapeMarked(found, rule) };
  };
  return { x: judge(complete.x), y: judge(complete.y) };
}

/** Of all pairs of rows, the share that ties in each variable; NaN under two rows. */
export function findTies({ complete }: Judging): { readonly tiedX: number; readonly tiedY: number } {
  const share = (values: Float64Array) => {
    const sorted = values.slice().sort();
    let tied = 0;
    for (let i = 1, run = 1; i < sorted.length; i++) {
      run = sorted[i] === sorted[i - 1] ? run + 1 : 1;
      tied += run - 1;
    }
    return (2 * tied) / (sorted.length * (sorted.length - 1));
  };
  return { tiedX: share(complete.x), tiedY: share(complete.y) };
}

/** r and ρ, and whether they differ by what matters or decide differently. Points exactly on a line agree. */
export function findMethods({ pair: { alternative }, complete, alpha }: Judging) {
  const [r, rho] = [pearson(complete.x, complete.y, { alternative }), spearman(complete.x, complete.y, { alternative })];
  const limit = noticeableBetweenMethods(complete.x.length);
  const apart = Math.abs(r.coefficient - rho.coefficient) >= limit;
  const exact = Math.abs(r.coefficient) === 1;
  return { r: r.coefficient, rho: rho.coefficient, limit, disagree: !exact && (apart || decideDifferently(r, rho, alpha)) };
}
