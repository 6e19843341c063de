import { pearson } from '../correlation/pearson';

/** What one row, or some, do to a variable's mean, SD and correlations. */
export interface EffectWithout {
  readonly mean: number;
  readonly sd: number;
  readonly meanWithout: number;
  readonly sdWithout: number;
  /** Pearson's r with each of the other variables, in their order. */
  readonly correlations: readonly { readonly r: number; readonly rWithout: number }[];
}

/**
 * A variable's mean and SD (divisor n − 1), and its correlations with others, with and without one row, or some. Everything is
 * computed anew without the row rather than corrected for it: the row may be so far out that it hides all other digits.
 * Missing values (NaN) are left out, pair by pair.
 * @param rows of x, from 0: one, or several that are left out together
 *
 * @example
 * effectWithout(Float64Array.of(1, 2, 3, 40), 3, []).meanWithout; // 2
 */
export function effectWithout(x: Float64Array, rows: number | readonly number[], others: readonly Float64Array[]): EffectWithout {
  const without = x.slice();
  for (const row of typeof rows === 'number' ? [rows] : rows) without[row] = Number.NaN;
  const [withIt, withoutIt] = [meanAndSd(x), meanAndSd(without)];
  return {
    mean: withIt.mean,
    sd: withIt.sd,
    meanWithout: withoutIt.mean,
    sdWithout: withoutIt.sd,
    correlations: others.map((y) => ({ r: pearson(x, y).coefficient, rWithout: pearson(without, y).coefficient })),
  };
}

function meanAndSd(x: Float64Array): { mean: number; sd: number } {
  let n = 0;
  let mean = 0;
  for (const value of x) if (value === value) mean += (value - mean) / ++n;
  let squares = 0;
  for (const value of x) if (value === value) squares += (value - mean) ** 2;
  return { mean: n > 0 ? mean : Number.NaN, sd: n > 1 ? Math.sqrt(squares / (n - 1)) : Number.NaN };
}
