import { backSubstitute, type QrFactorization } from '../linear-algebra/householder';

/** Shares of a unit column below this are rounding, not part of a dependence. */
export const NEGLIGIBLE_SHARE = 1e-8;

/**
 * Which factored columns take part in an exact dependence: each that the pivoted factorization left out, and those that tell
 * it. By number of the column as it was given to `factorize`.
 */
export function dependentColumns(factors: QrFactorization): ReadonlySet<number> {
  const { columns, pivots, rank } = factors;
  const involved = new Set<number>();
  for (let position = rank; position < columns.length; position++) {
    involved.add(pivots[position]);
    const shares = backSubstitute(factors, columns[position].slice());
    for (let k = 0; k < rank; k++) if (Math.abs(shares[k]) > NEGLIGIBLE_SHARE) involved.add(pivots[k]);
  }
  return involved;
}
