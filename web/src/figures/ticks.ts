import type { ScaleLinear } from 'd3-scale';
import { greatest, least } from '../numbers/ends';
import { grouped, powerOfTen } from '../numbers/plain-number';

/** A tick with its words. */
export interface Tick {
  readonly value: number;
  readonly text: string;
}

const PER_TICK = 52;
/** Larger ones are powers of ten, unless these would be longer still. */
const [LARGEST_PLAIN, LARGEST] = [1e6, 1e10];
const LONGEST_FACTOR = 2;
const SMALLEST_PLAIN = 1e-3;
const MOST_DECIMALS = 12;

/** About how many ticks an axis of a length in pixels carries; the scale is rounded to the same. */
export function tickCount(length: number): number {
  return Math.max(2, Math.round(length / PER_TICK));
}

/** About so many ticks, each with as many decimals as the step between them needs, so that no two read alike. */
export function ticksOf(scale: ScaleLinear<number, number>, count: number): Tick[] {
  const values = scale.ticks(count);
  return values.map((value, i) => ({ value, text: tickTexts(values)[i] ?? '' }));
}

/** Ticks as they are written: plainly, in groups of three digits, unless the axis is very long or very short; with a true minus sign. */
export function tickTexts(values: readonly number[]): string[] {
  const size = Math.max(0, greatest(values.map(Math.abs)));
  const step = least(values.slice(1).map((value, i) => Math.abs(value - (values[i] ?? 0))));
  const gap = Number.isFinite(step) ? step : size;
  // Where 0 is the only tick there is no step to be told apart.
  const decimals = gap > 0 ? decimalsOf(gap) : 0;
  const longPower = size < LARGEST && Math.log10(size / gap) > LONGEST_FACTOR + 1;
  const plain = (size < LARGEST_PLAIN && size >= SMALLEST_PLAIN) || size === 0 || (size >= LARGEST_PLAIN && longPower);
  return values.map((value) => {
    // 0.30000000000000004 − 0.3 is no step to be told apart.
    return plain ? grouped((Math.abs(value) < gap * 1e-6 ? 0 : value).toFixed(decimals)) : powerText(value, gap);
  });
}

/** How many decimals tell multiples of a step apart. */
function decimalsOf(step: number): number {
  for (let decimals = 0; decimals < MOST_DECIMALS; decimals++) {
    const scaled = step * 10 ** decimals;
    if (Math.abs(scaled - Math.round(scaled)) < 1e-6 * scaled) return decimals;
  }
  return MOST_DECIMALS;
}

function powerText(value: number, step: number): string {
  if (value === 0 || Math.abs(value) < step * 1e-6) return '0';
  const exponent = Math.floor(Math.log10(Math.abs(value)) + 1e-9);
  const digits = Math.max(0, Math.min(15, exponent - Math.floor(Math.log10(step) + 1e-9)));
  return powerOfTen(Number(value.toExponential(digits)));
}
