import type { ShapeResult } from '@ivlen/contract';

/** From where to where the large figures of a variable reach: its values and all of its bins. */
export function rangeOf({ description: { min, max } }: ShapeResult, edges: readonly number[]): readonly [number, number] {
  const [first, last] = [edges[0] ?? 0, edges.at(-1) ?? 1];
  const [low, high] = [min ?? first, max ?? last];
  return first === last ? [low - 1, high + 1] : [Math.min(first, low), Math.max(last, high)];
}
