/** How the values of a column are tied among n rows: sums over the groups of t equal values. */
export interface Ties {
  readonly n: number;
  /** Number of different values. */
  readonly groups: number;
  /** Σ t(t − 1) */
  readonly pairs: number;
  /** Σ t(t − 1)(t − 2) */
  readonly triples: number;
}

/** Σ(R − R̄)² of midranks: (n³ − n − Σ(t³ − t))/12. Source: Kendall (1970), eq. 3.7. */
export function rankVariation({ n, pairs, triples }: Ties): number {
  // t³ − t = t(t − 1)(t − 2) + 3t(t − 1)
  return (n * (n - 1) * (n + 1) - triples - 3 * pairs) / 12;
}

/** Sizes of the groups of equal values, ascending; for few rows. */
export function groupSizes(values: ArrayLike<number>): number[] {
  const counts = new Map<number, number>();
  for (let i = 0; i < values.length; i++) counts.set(values[i], (counts.get(values[i]) ?? 0) + 1);
  return [...counts].sort(([a], [b]) => a - b).map(([, count]) => count);
}
