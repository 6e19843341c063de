export interface SequentialP {
  readonly pValue: number;
  /** How many were drawn. */
  readonly drawn: number;
}

/**
 * p by chance samples, ended early where enough are as extreme as what was observed: what is plainly not significant then
 * takes a few dozen samples, and the rest reaches small p.
 * Source: Besag & Clifford (1991), p = h/l where the h-th as extreme one comes at the l-th; else (b + 1)/(m + 1), Phipson &
 * Smyth (2010).
 * @param most samples drawn at most
 * @param isAsExtreme draws one, and says whether it is
 *
 * @example
 * sequentialP(99, () => false); // { pValue: 0.01, drawn: 99 }
 */
export function sequentialP(
  most: number,
  isAsExtreme: () => boolean,
  { enough = Number.POSITIVE_INFINITY, onProgress }: { enough?: number; onProgress?: (done: number) => void } = {},
): SequentialP {
  let asExtreme = 0;
  for (let drawn = 1; drawn <= most; drawn++) {
    if (isAsExtreme()) asExtreme++;
    if (asExtreme >= enough) return { pValue: asExtreme / drawn, drawn };
    onProgress?.(drawn);
  }
  return { pValue: (asExtreme + 1) / (most + 1), drawn: most };
}
