import { scaleLinear } from 'd3-scale';
import { tickCount } from '../ticks';

/** Where the frame of a plain chart begins and ends, from the left and the right edge of its drawing. */
export const FRAME = { left: 60, right: 12 } as const;

/** An axis rounded to its ticks, about as many as a length in pixels has room for. */
export function niceAxis([low, high]: readonly [number, number], length: number): { domain: readonly [number, number]; ticks: number[] } {
  const scale = scaleLinear([low, high === low ? low + 1 : high], [0, length]).nice(tickCount(length));
  const [from = low, to = high] = scale.domain();
  return { domain: [from, to], ticks: scale.ticks(tickCount(length)) };
}

/** The least and the greatest of some values. A loop, since a spread of many values overruns the stack. */
export function endsOf(values: readonly number[]): readonly [number, number] {
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const value of values) {
    low = Math.min(low, value);
    high = Math.max(high, value);
  }
  return [low, high];
}
