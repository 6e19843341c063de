import { scaleLinear } from 'd3-scale';
import { tickCount } from '../ticks';

/** An axis rounded to its ticks, about as many as a length in pixels has room for. */
export function niceAxis([low, high]: readonly [number, number], length: number): { domain: readonly [number, number]; ticks: number[] } {
  const scale = scaleLinear([low, high === low ? low + 1 : high], [0, length]).nice(tickCount(length));
  const [from = low, to = high] = scale.domain();
  return { domain: [from, to], ticks: scale.ticks(tickCount(length)) };
}
