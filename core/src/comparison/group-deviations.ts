import { centreColumn } from '../columns/centre';

/** Complete rows of a pair in one group. */
export interface GroupRows {
  readonly x: Float64Array;
  readonly y: Float64Array;
}

/** Deviations of a pair from each group's means, group after group, in scales that keep their digits. */
export interface GroupDeviations {
  readonly u: Float64Array;
  readonly v: Float64Array;
  /** u = (x − mean of the group) · scaleX, and likewise for v; powers of two. */
  readonly scaleX: number;
  readonly scaleY: number;
  readonly constantX: boolean;
  readonly constantY: boolean;
  readonly means: readonly { readonly x: number; readonly y: number }[];
}

/** Takes out of both variables the mean of each group. */
export function groupDeviations(split: readonly GroupRows[]): GroupDeviations {
  const n = split.reduce((sum, { x }) => sum + x.length, 0);
  const [u, v] = [new Float64Array(n), new Float64Array(n)];
  let at = 0;
  const means = split.map(({ x, y }) => {
    const placed = { x: place(x, u, at), y: place(y, v, at) };
    at += x.length;
    return placed;
  });
  const [a, b] = [centreColumn(u, u), centreColumn(v, v)];
  return { u, v, scaleX: a.scale, scaleY: b.scale, constantX: a.constant, constantY: b.constant, means };
}

/** Deviations of one group's values, in their own units; returns their mean. */
function place(values: Float64Array, into: Float64Array, at: number): number {
  const part = into.subarray(at, at + values.length);
  const { scale, mean } = centreColumn(values, part);
  for (let i = 0; i < part.length; i++) part[i] /= scale;
  return mean;
}
