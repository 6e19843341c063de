import { type DependentSet, dependentSets } from './dependent-sets';
import { asUnitColumns, factorKept, type ModelTriangle } from './model-triangle';

/**
 * The exact dependences among some predictors, from the triangle; one that does not vary depends on the constant alone.
 * @param keep numbers of the predictors that stay
 *
 * @example
 * dependencesInTriangle(modelTriangle([Float64Array.of(1, 2, 4), Float64Array.of(2, 4, 8)]), [0, 1])[0].terms.length; // 1
 */
export function dependencesInTriangle(model: ModelTriangle, keep: readonly number[], names?: readonly string[]): DependentSet[] {
  const { varying, factors } = factorKept(model, keep);
  return dependentSets(asUnitColumns(model), varying, factors, names).filter(({ dependent }) => keep.includes(dependent));
}

/**
 * The same dependence told of another of its columns.
 * @param column one of its terms, or the dependent one, which changes nothing
 *
 * @example
 * solvedFor({ dependent: 1, name: 'b', constant: 1, terms: [{ column: 0, name: 'a', coefficient: 2 }] }, 0).constant; // -0.5
 */
export function solvedFor(set: DependentSet, column: number): DependentSet {
  const own = set.terms.find((term) => term.column === column);
  if (!own) return set;
  const others = set.terms.filter((term) => term !== own);
  const { dependent, name } = set;
  return {
    dependent: column,
    name: own.name,
    constant: -set.constant / own.coefficient,
    terms: [
      { column: dependent, name, coefficient: 1 / own.coefficient },
      ...others.map((term) => ({ ...term, coefficient: -term.coefficient / own.coefficient })),
    ],
  };
}
