import type { ScaleLinear } from 'd3-scale';

/** A tick with its words. */
export interface Tick {
  readonly value: number;
  readonly text: string;
}

const PER_TICK = 52;
const LARGEST_PLAIN = 1e5;
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

/** Ticks as they are written: plainly, unless the axis is very long or very short; with a true minus sign. */
export function tickTexts(values: readonly number[]): string[] {
  const size = Math.max(0, ...values.map(Math.abs));
  const step = Math.min(...values.slice(1).map((value, i) => Math.abs(value - (values[i] ?? 0))));
  const gap = Number.isFinite(step) ? step : size;
  const plain = (size < LARGEST_PLAIN && size >= SMALLEST_PLAIN) || size === 0;
  const decimals = decimalsOf(gap);
  return values.map((value) => {
    // 0.30000000000000004 − 0.3 is no step to be told apart.
    const text = plain ? (Math.abs(value) < gap * 1e-6 ? 0 : value).toFixed(decimals) : powerText(value, gap);
    return text.replace(/^-/, '−');
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
  return `${Number((value / 10 ** exponent).toFixed(digits))}e${exponent}`.replace('e-', 'e−');
}
