import { listwiseColumns } from '../columns/complete-rows';
import { assertSameLength } from '../correlation/options';
import { factorize } from '../linear-algebra/householder';
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
 * Source: Fox & Monette (1992), eq. 10: det R₁₁·det R₂₂/det R of the correlation matrix. Exact dependences give Infinity.
 * @param terms the columns of each term
 * @throws {RangeError} columns of unequal length, or a term without columns.
 */
export function generalizedVif(terms: readonly (readonly Float64Array[])[]): GeneralizedVif {
  if (terms.length === 0 || terms.some((columns) => columns.length === 0)) throw new RangeError('every term must hold at least one column');
  const all = terms.flat();
  assertSameLength(all[0], ...all);
  const units = listwiseColumns(all).map((column) => centredUnit(column).unit);
  const starts = terms.map((_, k) => terms.slice(0, k).reduce((sum, columns) => sum + columns.length, 0));
  const whole = logDeterminantOf(units);
  const gvif = Float64Array.from(terms, (columns, k) => {
    const own = units.slice(starts[k], starts[k] + columns.length);
    const others = units.filter((_, j) => j < starts[k] || j >= starts[k] + columns.length);
    return Math.exp(logDeterminantOf(own) + logDeterminantOf(others) - whole);
  });
  const df = Int32Array.from(terms, (columns) => columns.length);
  return { gvif, df, adjusted: gvif.map((value, k) => value ** (1 / (2 * df[k]))) };
}

/** ln det of the correlation matrix of unit columns, from the diagonal of their R; −Infinity for an exact dependence. */
function logDeterminantOf(units: readonly Float64Array[]): number {
  const { diagonal, rank } = factorize(
    units.map((unit) => unit.slice()),
    { tolerances: new Float64Array(units.length).fill(1e-12) },
  );
  if (rank < units.length) return Number.NEGATIVE_INFINITY;
  return diagonal.reduce((sum, value) => sum + 2 * Math.log(Math.abs(value)), 0);
}
