import { dot } from '../linear-algebra/dot';
import { factorize, invertTriangle } from '../linear-algebra/householder';
import { dependentColumns } from './exact-dependences';
import { columnOfTriangle, factorKept, type ModelTriangle } from './model-triangle';
import { orthonormal, withoutDirections } from './orthonormal';

/** How far the other predictors inflate the variances of a term's coefficients. A term is one column, or a factor's indicators. */
export interface TermInflation {
  readonly df: number;
  /** VIF of one column, GVIF of several; infinite in an exact dependence, NaN where a column does not vary or rows are too few. */
  readonly gvif: number;
  /** GVIF^(1/(2·df)), on the scale of a standard error. */
  readonly adjusted: number;
  /** GVIF^(1/df): the VIF of one column, and comparable with it for several. */
  readonly inflation: number;
  /** Share of the term that the others tell, 1 − 1/inflation: R² on them for one column. */
  readonly share: number;
  readonly tolerance: number;
}

/** The terms of a model: numbers of the columns of each. */
export type Terms = readonly (readonly number[])[];

/**
 * (Generalized) variance inflation of terms, from the triangle alone.
 * Source: Marquardt (1970) and Fox & Monette (1992): det R₁₁·det (R⁻¹)₁₁, which is their det R₁₁·det R₂₂/det R.
 *
 * @example
 * termInflation(modelTriangle([Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5)]), [[0], [1]])[0].gvif; // 2.77778
 */
export function termInflation(model: ModelTriangle, terms: Terms): TermInflation[] {
  const basis = dualBasis(model, terms.flat());
  return terms.map((term) => inflationOf(model, basis, term, rowsOf(basis, term)));
}

/**
 * Inflation of the others after each term is left out, in the order of the terms; NaN for the one left out.
 * The inverse of what is left is that of all, the part along the term's rows taken off (the Schur complement of the inverse), so
 * that all of them cost about as much as one anew.
 *
 * @example
 * inflationWithoutEach(modelTriangle([Float64Array.of(1, 2, 3, 4), Float64Array.of(2, 1, 4, 3)]), [[0], [1]])[0][1]; // 1
 */
export function inflationWithoutEach(model: ModelTriangle, terms: Terms): Float64Array[] {
  const basis = dualBasis(model, terms.flat());
  return terms.map((left, k) => {
    const others = terms.filter((_, s) => s !== k);
    const among = left.some((column) => basis.dependent.has(column))
      ? termInflation(model, others).map(({ inflation }) => inflation)
      : inflationBeside(model, basis, left, others);
    const all = new Float64Array(terms.length).fill(Number.NaN);
    others.forEach((_, at) => {
      all[at < k ? at : at + 1] = among[at];
    });
    return all;
  });
}

/** Rows of R⁻¹ by column; none for a column that does not vary or depends on others that were taken first. */
interface DualBasis {
  readonly rows: ReadonlyMap<number, Float64Array>;
  /** Columns that take part in an exact dependence. */
  readonly dependent: ReadonlySet<number>;
  readonly enoughRows: boolean;
}

function dualBasis(model: ModelTriangle, keep: readonly number[]): DualBasis {
  const { varying, factors } = factorKept(model, keep);
  const { rank, pivots } = factors;
  const inverse = invertTriangle(factors);
  const rows = new Map(
    Array.from({ length: rank }, (_, row) => [varying[pivots[row]], inverse.slice(row * rank, (row + 1) * rank)] as const),
  );
  const dependent = new Set([...dependentColumns(factors)].map((k) => varying[k]));
  return { rows, dependent, enoughRows: model.n > varying.length };
}

function rowsOf({ rows }: DualBasis, term: readonly number[]): Float64Array[] {
  return term.flatMap((column) => rows.get(column) ?? []);
}

function inflationBeside(model: ModelTriangle, basis: DualBasis, left: readonly number[], others: Terms): number[] {
  const away = orthonormal(rowsOf(basis, left));
  const [direction] = away;
  return others.map((term) => {
    const [column] = term;
    const own = basis.rows.get(column);
    if (away.length === 1 && term.length === 1 && own && !basis.dependent.has(column) && basis.enoughRows && model.lengths[column] > 0) {
      return Math.max(1, squareWithout(own, direction));
    }
    const rows = rowsOf(basis, term).map((row) => withoutDirections(row, away));
    return inflationOf(model, basis, term, rows).inflation;
  });
}

/** The squared length of a row less what lies along a direction: the difference itself, which loses no digits. */
function squareWithout(row: Float64Array, direction: Float64Array): number {
  const along = dot(row, direction);
  let square = 0;
  for (let i = 0; i < row.length; i++) {
    const rest = row[i] - along * direction[i];
    square += rest * rest;
  }
  return square;
}

function inflationOf(model: ModelTriangle, basis: DualBasis, term: readonly number[], rows: readonly Float64Array[]): TermInflation {
  const df = term.length;
  const gvif = gvifOf();
  const inflation = gvif ** (1 / df);
  return { df, gvif, adjusted: Math.sqrt(inflation), inflation, share: 1 - 1 / inflation, tolerance: 1 / inflation };

  function gvifOf(): number {
    if (!basis.enoughRows || term.some((column) => !(model.lengths[column] > 0))) return Number.NaN;
    if (term.some((column) => basis.dependent.has(column))) return Number.POSITIVE_INFINITY;
    const own = df === 1 ? 1 : gramDeterminant(term.map((column) => columnOfTriangle(model, column)));
    // Alone a column is inflated by nothing; rounding would make it a little less.
    return Math.max(1, own * gramDeterminant(rows));
  }
}

/** det of the products of some vectors among themselves. */
function gramDeterminant(vectors: readonly Float64Array[]): number {
  if (vectors.length === 1) return vectors[0].reduce((sum, value) => sum + value * value, 0);
  const { diagonal } = factorize(vectors.map((vector) => vector.slice()));
  return diagonal.reduce((product, value) => product * value * value, 1);
}
