import { type Definition, type Derivation, makesGroups, type StudyState, sourcesOf, type Variable } from '@ivlen/contract';
import { constantNamed, FormulaError, formulaVariables, parseFormula, renameInFormula } from '@ivlen/core';
import { DomainError } from '../errors/domain-error';

/**
 * A definition with its sources by id instead of by name.
 * @throws {DomainError} a formula that cannot be read, a name that the study does not have, a source of the wrong sort.
 */
export function resolveDefinition(state: StudyState, { derivation }: Pick<Definition, 'derivation'>): Derivation {
  if (derivation.type === 'formula') return resolveFormula(state, derivation);
  if (derivation.type === 'combine') {
    for (const id of derivation.sources) assertMakesGroups(state.variables, id);
    return derivation;
  }
  const source = state.variables.find(({ id }) => id === derivation.source);
  if (!source)
    throw new DomainError('no-such-variable', 'The study has no such variable.', { where: derivation.source, hint: 'Reload the page.' });
  if (derivation.type === 'recode' ? source.storage !== 'code' : source.storage !== 'number') {
    throw new DomainError(
      'source-does-not-fit',
      `${source.name} holds ${source.storage === 'code' ? 'text' : 'no text'}, which cannot be used here.`,
      {
        where: source.name,
        hint: 'Choose another variable.',
      },
    );
  }
  return derivation;
}

/** @throws {DomainError} one that is not there, or makes no groups */
function assertMakesGroups(variables: readonly Variable[], id: string): void {
  const source = variables.find((variable) => variable.id === id);
  if (!source) throw new DomainError('no-such-variable', 'The study has no such variable.', { where: id, hint: 'Reload the page.' });
  if (makesGroups(source)) return;
  throw new DomainError('source-does-not-fit', `${source.name} is ${source.kind} and makes no groups that could be combined.`, {
    where: source.name,
    hint: 'Choose a nominal, an ordinal or a two-valued variable.',
  });
}

function resolveFormula(state: StudyState, derivation: Extract<Derivation, { type: 'formula' }>): Derivation {
  try {
    const ids = new Map<string, string>();
    for (const name of formulaVariables(parseFormula(derivation.formula))) {
      const variable = variableCalled(state.variables, name);
      if (!variable && constantNamed(name) !== undefined) continue;
      ids.set(name, usable(variable, name).id);
    }
    const formula = renameInFormula(derivation.formula, (name) => ids.get(name) ?? null);
    return { ...derivation, formula, sources: [...ids.values()] };
  } catch (error) {
    if (!(error instanceof FormulaError)) throw error;
    throw new DomainError('formula', error.message, { where: `character ${error.at}`, hint: 'Correct the formula; nothing was stored.' });
  }
}

/** A name as it is shown has spaces where the codebook has underscores; both are understood. */
function variableCalled(variables: readonly Variable[], name: string): Variable | undefined {
  const plain = (text: string) => text.replaceAll('_', ' ').toLowerCase();
  return variables.find((variable) => variable.name === name) ?? variables.find((variable) => plain(variable.name) === plain(name));
}

function usable(variable: Variable | undefined, name: string): Variable {
  if (!variable) {
    throw new DomainError('no-such-name', `The study has no variable called “${name}”.`, {
      where: name,
      hint: 'Check its spelling; a name with spaces or other marks stands in square brackets.',
    });
  }
  if (variable.storage === 'number') return variable;
  throw new DomainError(
    'source-does-not-fit',
    `${variable.name} holds ${variable.storage === 'day' ? 'dates' : 'text'}, which cannot be computed with.`,
    {
      where: variable.name,
      hint: 'Use variables that hold numbers.',
    },
  );
}

/** The way from a variable back to itself through its sources, or null. @param id the variable that would get the derivation */
export function circleThrough(variables: readonly Variable[], id: string, derivation: Derivation): string[] | null {
  const visit = (at: string, path: readonly string[]): string[] | null => {
    const variable = variables.find((item) => item.id === at);
    if (!variable || path.length > variables.length) return null;
    const longer = [...path, variable.name];
    if (at === id) return longer;
    for (const source of variable.derivation ? sourcesOf(variable.derivation) : []) {
      const found = visit(source, longer);
      if (found) return found;
    }
    return null;
  };
  for (const source of sourcesOf(derivation)) {
    const found = visit(source, []);
    if (found) return found;
  }
  return null;
}
