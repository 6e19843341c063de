import { backSubstitute, type QrFactorization } from '../linear-algebra/householder';
import { NEGLIGIBLE_SHARE } from './exact-dependences';
import type { UnitColumn } from './unit-columns';

/** A column that others tell exactly: x = constant + Σ coefficient · other. */
export interface DependentSet {
  /** Number of the dependent column, and its name where names were given. */
  readonly dependent: number;
  readonly name: string;
  readonly constant: number;
  readonly terms: readonly { readonly column: number; readonly name: string; readonly coefficient: number }[];
}

/** The exact dependences that a pivoted factorization found; a column without variation depends on the constant alone. */
export function dependentSets(
  columns: readonly UnitColumn[],
  factored: readonly number[],
  factors: QrFactorization,
  names?: readonly string[],
): DependentSet[] {
  const nameOf = (column: number) => names?.[column] ?? `x${column + 1}`;
  const constants = columns.flatMap(({ empty, shift }, dependent): DependentSet[] =>
    empty ? [{ dependent, name: nameOf(dependent), constant: shift, terms: [] }] : [],
  );
  const original = (position: number) => factored[factors.pivots[position]];
  const others = Array.from({ length: factored.length - factors.rank }, (_, k): DependentSet => {
    const position = factors.rank + k;
    const dependent = original(position);
    const shares = backSubstitute(factors, factors.columns[position].slice());
    const terms = Array.from({ length: factors.rank }, (__, at) => at)
      .filter((at) => Math.abs(shares[at]) > NEGLIGIBLE_SHARE)
      .map((at) => {
        const column = original(at);
        return { column, name: nameOf(column), coefficient: (shares[at] * columns[dependent].length) / columns[column].length };
      });
    const constant = terms.reduce((sum, { column, coefficient }) => sum - coefficient * columns[column].shift, columns[dependent].shift);
    return { dependent, name: nameOf(dependent), constant, terms };
  });
  return [...constants, ...others];
}
