import type { Variable } from '@ivlen/contract';
import { interpolateLab } from 'd3-interpolate';
import { scaleLinear } from 'd3-scale';
import { asMeasured } from '../../../figures/as-measured';
import { groupShape, NO_GROUP } from '../../../figures/group-styles';
import type { Shape } from '../../../figures/marks/shapes';
import type { Palette } from '../../../figures/palette';

/** How a point is drawn by a third variable. */
export interface PointStyle {
  readonly shape: Shape;
  /** null where the third value is missing: such a point is hollow. */
  readonly colour: string | null;
  readonly radius: number;
}

export type Third =
  | { readonly type: 'none' }
  | { readonly type: 'groups'; readonly variable: Variable }
  | {
      readonly type: 'colour' | 'size';
      readonly variable: Variable;
      readonly values: Float64Array;
      readonly domain: readonly [number, number];
    };

/** Parts of the range of a third variable that are told apart where points are so many that they are drawn as squares. */
export const CLASSES = 24;
const SMALLEST = 0.55;
const LARGEST = 2.6;

/** From few to many: a colour between two that stand for nothing else. */
export function ramp(palette: Palette): (share: number) => string {
  return interpolateLab(palette.bar, palette.group(3));
}

/** The style of each place's point. @param base radius of a point without a third variable */
export function pointStyles(third: Third, groups: Uint8Array | null, palette: Palette, base: number): (place: number) => PointStyle {
  const plain: PointStyle = { shape: 'circle', colour: palette.ink, radius: base };
  if (third.type === 'none') return () => plain;
  if (third.type === 'groups') {
    return (place) => {
      const group = groups?.[place] ?? NO_GROUP;
      if (group === NO_GROUP) return { ...plain, colour: null };
      return { shape: groupShape(group), colour: palette.group(group), radius: base * 1.15 };
    };
  }
  const colour = ramp(palette);
  const share = shareIn(third.domain);
  // The area tells the value, not the radius.
  const radius = scaleLinear([0, 1], [SMALLEST ** 2, LARGEST ** 2]);
  return (place) => {
    const at = share(third.values[place] ?? Number.NaN);
    if (at === null) return { ...plain, colour: null };
    return third.type === 'colour'
      ? { ...plain, colour: colour(at), radius: base * 1.15 }
      : { ...plain, radius: base * Math.sqrt(radius(at)) };
  };
}

/** Where a value lies in a range, from 0 to 1; null for a missing one. */
function shareIn([low, high]: readonly [number, number]): (value: number) => number | null {
  return (value) => (Number.isNaN(value) ? null : high > low ? Math.max(0, Math.min(1, (value - low) / (high - low))) : 0.5);
}

/** The class of each value, for points that are drawn as squares. */
export function classesOf(values: Float64Array, domain: readonly [number, number]): Uint8Array {
  const share = shareIn(domain);
  return Uint8Array.from(values, (value) => {
    const at = share(value);
    return at === null ? NO_GROUP : Math.min(CLASSES - 1, Math.floor(at * CLASSES));
  });
}

/** An end of a third variable's range as a legend says it. */
export function endInWords(value: number): string {
  return asMeasured(Number(value.toPrecision(4)));
}
