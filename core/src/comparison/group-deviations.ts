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
  const [a, b] = [columnDeviations(split.map(({ x }) => x)), columnDeviations(split.map(({ y }) => y))];
  return {
    u: a.values,
    v: b.values,
    scaleX: a.scale,
    scaleY: b.scale,
    constantX: a.constant,
    constantY: b.constant,
    means: a.means.map((x, k) => ({ x, y: b.means[k] })),
  };
}

/** Deviations of one variable from each group's mean. */
export interface ColumnDeviations {
  readonly values: Float64Array;
  /** A power of two. */
  readonly scale: number;
  readonly constant: boolean;
  readonly means: readonly number[];
  /** Standard deviation in each group. */
  readonly sds: readonly number[];
}

/** @param parts complete values of one variable, group after group */
export function columnDeviations(parts: readonly Float64Array[]): ColumnDeviations {
  const values = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  const placed = parts.map((part) => {
    at += part.length;
    return place(part, values.subarray(at - part.length, at));
  });
  const { scale, constant } = centreColumn(values, values);
  return { values, scale, constant, means: placed.map(({ mean }) => mean), sds: placed.map(({ sd }) => sd) };
}

/** Deviations of one group's values, in their own units, with the mean and SD of these. */
function place(part: Float64Array, into: Float64Array): { mean: number; sd: number } {
  const { scale, mean } = centreColumn(part, into);
  let squares = 0;
  for (let i = 0; i < into.length; i++) {
    squares += into[i] * into[i];
    into[i] /= scale;
  }
  return { mean, sd: Math.sqrt(squares / (part.length - 1)) / scale };
}
