import type { Alternative } from '../correlation/types';

/** Up to this many rows without ties, Kendall's S is judged by its exact distribution. */
export const MOST_ROWS_KENDALL = 60;

const cache = new Map<number, Float64Array>();

/**
 * Probabilities of 0, 1, 2, … inversions among n rows without ties, when all orders are equally likely.
 * Source: Kendall (1938), recurrence over n; all terms are positive, so that the tails keep their digits.
 * S = n(n − 1)/2 − 2·inversions.
 */
function inversionProbabilities(n: number): Float64Array {
  const known = cache.get(n);
  if (known) return known;
  let current = Float64Array.of(1);
  for (let size = 2; size <= n; size++) {
    const next = new Float64Array((size * (size - 1)) / 2 + 1);
    let window = 0;
    for (let k = 0; k < next.length; k++) {
      // A running difference would cancel in the far tail: each window is summed afresh.
      window = 0;
      for (let j = Math.max(0, k - size + 1); j <= Math.min(k, current.length - 1); j++) window += current[j];
      next[k] = window / size;
    }
    current = next;
  }
  cache.set(n, current);
  return current;
}

/** Exact p-value of Kendall's S without ties. Two-sided P(|S| ≥ |s|), one-sided P(S ≥ s) or P(S ≤ s). */
export function exactKendallP(s: number, n: number, alternative: Alternative): number {
  const probabilities = inversionProbabilities(n);
  const most = (n * (n - 1)) / 2;
  // P(S ≥ s) = P(inversions ≤ (most − s)/2), summed from the small end.
  const atLeast = (bound: number) => {
    let sum = 0;
    for (let k = 0; k <= Math.min((most - bound) / 2, probabilities.length - 1); k++) sum += probabilities[k];
    return Math.min(1, sum);
  };
  if (alternative === 'greater') return atLeast(s);
  if (alternative === 'less') return atLeast(-s);
  return s === 0 ? 1 : Math.min(1, 2 * atLeast(Math.abs(s)));
}
