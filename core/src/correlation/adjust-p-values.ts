export type Adjustment = 'bonferroni' | 'holm' | 'hochberg' | 'benjamini-hochberg' | 'benjamini-yekutieli';

const ADJUSTMENTS: readonly Adjustment[] = ['bonferroni', 'holm', 'hochberg', 'benjamini-hochberg', 'benjamini-yekutieli'];

/**
 * p-values adjusted for their number. NaN stays NaN and does not count as one of the family.
 *
 * Sources: Bonferroni after Dunn (1961); Holm (1979); Hochberg (1988); Benjamini & Hochberg (1995); Benjamini &
 * Yekutieli (2001), theorem 1.3. The first three hold the chance of any false rejection, the last two the expected
 * share of false ones among the rejections.
 * @throws {RangeError} an unknown adjustment.
 *
 * @example
 * adjustPValues([0.01, 0.02, 0.03], 'holm'); // [0.03, 0.04, 0.04]
 */
export function adjustPValues(p: ArrayLike<number>, adjustment: Adjustment): Float64Array {
  if (!ADJUSTMENTS.includes(adjustment)) {
    throw new RangeError(`adjustment must be one of ${ADJUSTMENTS.join(', ')}; got ${String(adjustment)}`);
  }
  const adjusted = Float64Array.from(p);
  const order = Array.from(adjusted.keys())
    .filter((i) => !Number.isNaN(adjusted[i]))
    .sort((a, b) => adjusted[a] - adjusted[b]);
  const m = order.length;
  const factorAt = factors(adjustment, m);
  const down = adjustment === 'holm' || adjustment === 'bonferroni';
  let bound = down ? 0 : 1;
  for (let step = 0; step < m; step++) {
    const rank = down ? step : m - 1 - step;
    const i = order[rank];
    const value = Math.min(1, adjusted[i] * factorAt(rank + 1));
    // Step-down procedures never fall below an earlier one, step-up procedures never rise above a later one.
    bound = down ? Math.max(bound, value) : Math.min(bound, value);
    adjusted[i] = bound;
  }
  return adjusted;
}

function factors(adjustment: Adjustment, m: number): (rank: number) => number {
  switch (adjustment) {
    case 'bonferroni':
      return () => m;
    case 'holm':
    case 'hochberg':
      return (rank) => m - rank + 1;
    case 'benjamini-hochberg':
      return (rank) => m / rank;
    case 'benjamini-yekutieli': {
      let harmonic = 0;
      for (let k = m; k >= 1; k--) harmonic += 1 / k;
      return (rank) => (m * harmonic) / rank;
    }
  }
}
