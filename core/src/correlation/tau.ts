import type { Ties } from '../ranks/ties';
import type { Concordance } from './concordance';
import type { RankScratch } from './rank-scratch';
import type { Coefficient } from './z-variance';

/** τ-b = S/√((n₀ − n₁)(n₀ − n₂)) (Kendall 1945). */
export function tauB({ n, s, tiesX, tiesY }: Omit<Concordance, 'largestTie'>): Coefficient {
  const untiedX = (n * (n - 1) - tiesX.pairs) / 2;
  const untiedY = (n * (n - 1) - tiesY.pairs) / 2;
  const root = untiedX === untiedY ? untiedX : Math.sqrt(untiedX) * Math.sqrt(untiedY);
  return { r: s / root, oneMinusAbs: (root - Math.abs(s)) / root };
}

/** Variance of S under independence, given the ties (Kendall 1970, eq. 4.3). */
export function varianceOfS({ n, tiesX, tiesY }: Concordance): number {
  const m = n * (n - 1);
  // t(t − 1)(2t + 5) = 2t(t − 1)(t − 2) + 9t(t − 1)
  const cubic = ({ pairs, triples }: Ties) => 2 * triples + 9 * pairs;
  return (
    (m * (2 * n + 5) - cubic(tiesX) - cubic(tiesY)) / 18 +
    (tiesX.pairs * tiesY.pairs) / (2 * m) +
    (tiesX.triples * tiesY.triples) / (9 * m * (n - 2))
  );
}

/**
 * Variance of z = artanh τ-b, of which the interval is made: the larger of two, so that interval and p seldom disagree.
 *
 * The distribution-free one is the mean square of τ-b's influence: with dᵢ the balance of a row, rᵢ and cᵢ the rows that
 * share its x and its y, w_r = n² − Σrᵢ, w_c = n² − Σcᵢ, w = √(w_r·w_c) and vᵢ = rᵢ·w_c + cᵢ·w_r,
 * ASE² = [Σ(2w·dᵢ + τ·vᵢ)² − n³τ²(w_r + w_c)²]/w⁴ (Brown & Benedetti 1977), taken as a sum of squared deviations from
 * its mean n·τ·(w_r + w_c), which does not cancel; times n/(n − 1). The other is that of S under independence given the
 * ties, 4·Var(S)/w². The first alone is 0 for neighbours exchanged and far too small under many ties.
 * @param scratch as `concordance` left it
 */
export function tauVariance({ r, oneMinusAbs }: Coefficient, counts: Concordance, scratch: RankScratch): number {
  const { n, tiesX, tiesY } = counts;
  const { wr, wc, w, squares } = spreadOfTau(r, n, tiesX, tiesY, scratch);
  const oneMinusSquare = oneMinusAbs * (2 - oneMinusAbs);
  const ase = ((squares / w ** 2 / w ** 2) * (n / (n - 1))) / oneMinusSquare ** 2;
  return Math.max(ase, (4 * varianceOfS(counts)) / wr / wc);
}

/** Distribution-free variance of τ-b itself (Brown & Benedetti 1977), as it is published: divisor n. */
export function tauAse2(r: number, counts: Concordance, scratch: RankScratch): number {
  const { w, squares } = spreadOfTau(r, counts.n, counts.tiesX, counts.tiesY, scratch);
  return squares / w ** 2 / w ** 2;
}

function spreadOfTau(tau: number, n: number, tiesX: Ties, tiesY: Ties, { sequence, sharedX, counts, balance }: RankScratch) {
  // n² − Σrᵢ, where Σrᵢ = Σt² = Σt(t − 1) + n
  const wr = n * (n - 1) - tiesX.pairs;
  const wc = n * (n - 1) - tiesY.pairs;
  const w = Math.sqrt(wr) * Math.sqrt(wc);
  const mean = n * tau * (wr + wc);
  let squares = 0;
  const tied = tiesX.pairs > 0 || tiesY.pairs > 0;
  for (let i = 0; i < n; i++) {
    const shared = tied ? sharedX[i] * wc + counts[sequence[i]] * wr : wc + wr;
    const deviation = 2 * w * balance[i] + tau * shared - mean;
    squares += deviation * deviation;
  }
  return { wr, wc, w, squares };
}
