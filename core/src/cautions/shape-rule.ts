import type { Description } from '../description/describe';

/** When the shape of a variable is marked: beyond limits of skewness or excess kurtosis, or of either in standard errors. */
export type ShapeRule =
  | { readonly kind: 'limits'; readonly skewness: number; readonly excessKurtosis: number }
  | { readonly kind: 'standard-errors'; readonly limit: number };

/** |G1| > 2 or |G2| > 7 (West, Finch & Curran 1995). */
export const DEFAULT_SHAPE_RULE: ShapeRule = { kind: 'limits', skewness: 2, excessKurtosis: 7 };

/**
 * Whether a variable's shape is marked under a rule, judged unrounded; NaN values mark nothing.
 * Sources: limits 2 and 7 West, Finch & Curran (1995); |G/SE| > 1.96 as a normal test of each.
 *
 * @example
 * isShapeMarked({ skewness: 2.4, skewnessSe: 0.15, excessKurtosis: 3, excessKurtosisSe: 0.3 }); // true
 */
export function isShapeMarked(
  {
    skewness,
    skewnessSe,
    excessKurtosis,
    excessKurtosisSe,
  }: Pick<Description, 'skewness' | 'skewnessSe' | 'excessKurtosis' | 'excessKurtosisSe'>,
  rule: ShapeRule = DEFAULT_SHAPE_RULE,
): boolean {
  if (rule.kind === 'limits') return Math.abs(skewness) > rule.skewness || Math.abs(excessKurtosis) > rule.excessKurtosis;
  return Math.abs(skewness / skewnessSe) > rule.limit || Math.abs(excessKurtosis / excessKurtosisSe) > rule.limit;
}
