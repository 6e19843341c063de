import { listwiseColumns } from '../columns/complete-rows';
import { assertSameLength } from '../correlation/options';
import { factorize } from '../linear-algebra/householder';
import { dependentColumns } from './exact-dependences';
import { centredUnit } from './unit-columns';

export interface GeneralizedVif {
  readonly gvif: Float64Array;
  /** Columns of each term. */
  readonly df: Int32Array;
  /** GVIF^(1/(2·df)): comparable among terms, judged against √10 and √5. */
  readonly adjusted: Float64Array;
}

/**
 * Generalized variance inflation of terms with several columns (a factor's indicators, a polynomial).
 * Source: Fox & Monette (1992), eq. 10: det R₁₁·det R₂₂/det R of the correlation matrix. Terms that take part in
 * an exact dependence have Infinity, the others what they share with what is left; a term with a column that does not vary, NaN.
 * @param terms the columns of each term
 * @throws {RangeError} columns of unequal length, or a term without columns.
 *
 * @example
 * generalizedVif([[Float64Array.of(1, 2, 3, 4, 5)], [Float64Array.of(2, 1, 4, 3, 5)]]).gvif; // [2.77778, 2.77778]
 */
export function generalizedVif(terms: readonly (readonly Float64Array[])[]): GeneralizedVif {
  if (terms.length === 0 || terms.some((columns) => columns.length === 0)) throw new RangeError('every term must hold at least one column');
  const all = terms.flat();
  assertSameLength(all[0], ...all);
  const columns = listwiseColumns(all).map((column) => centredUnit(column));
  const starts = terms.map((_, k) => terms.slice(0, k).reduce((sum, own) => sum + own.length, 0));
  const termOf = terms.flatMap((own, k) => own.map(() => k));
  const varying = columns.flatMap(({ empty }, j) => (empty ? [] : [j]));
  const factors = factorize(
    varying.map((j) => columns[j].unit.slice()),
    { pivot: true, tolerances: varying.map((j) => columns[j].tolerance) },
  );
  const dependent = new Set([...dependentColumns(factors)].map((k) => termOf[varying[k]]));
  // The columns that tell all others: what depends on them would only make every determinant 0.
  const kept = factors.pivots.slice(0, factors.rank).map((k) => varying[k]);
  const whole = logDeterminantOf(kept.map((j) => columns[j].unit));
  const gvif = Float64Array.from(terms, (own, k) => {
    const isOwn = (j: number) => j >= starts[k] && j < starts[k] + own.length;
    if (own.some((_, i) => columns[starts[k] + i].empty)) return Number.NaN;
    if (dependent.has(k)) return Number.POSITIVE_INFINITY;
    const [inside, outside] = [kept.filter(isOwn), kept.filter((j) => !isOwn(j))];
    return Math.exp(logDeterminantOf(inside.map((j) => columns[j].unit)) + logDeterminantOf(outside.map((j) => columns[j].unit)) - whole);
  });
  const df = Int32Array.from(terms, (own) => own.length);
  return { gvif, df, adjusted: gvif.map((value, k) => value ** (1 / (2 * df[k]))) };
}

/** ln det of the correlation matrix of independent unit columns, from the diagonal of their R. */
function logDeterminantOf(units: readonly Float64Array[]): number {
  const { diagonal } = factorize(units.map((unit) => unit.slice()));
  return diagonal.reduce((sum, value) => sum + 2 * Math.log(Math.abs(value)), 0);
}
