import { canBeCorrelated, type Variable } from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';

/** @throws {DomainError} a variable that has no correlation coefficient, or is not there */
export function correlatable(all: readonly Variable[], id: string): Variable {
  const variable = findVariable(all, id);
  if (!canBeCorrelated(variable)) {
    throw new DomainError('cannot-be-correlated', `${variable.name} is ${variable.kind} and has no correlation coefficient.`, {
      where: variable.name,
      hint: 'Take it out of the working set, or correct its kind.',
    });
  }
  return variable;
}

/** @throws {DomainError} a variable without numbers, or one that is not there */
export function withNumbers(all: readonly Variable[], id: string): Variable {
  const variable = findVariable(all, id);
  if (variable.storage === 'number') return variable;
  throw new DomainError('no-numbers', `${variable.name} holds no numbers that could be described.`, {
    where: variable.name,
    hint: 'Choose another variable.',
  });
}

/** @throws {DomainError} a variable that is not there */
export function findVariable(all: readonly Variable[], id: string): Variable {
  const variable = all.find((item) => item.id === id);
  if (!variable) {
    throw new DomainError('no-such-variable', 'The study has no such variable at this revision.', { where: id, hint: 'Reload the page.' });
  }
  return variable;
}

/** Of several that can be correlated, each once. */
export function allCorrelatable(all: readonly Variable[], ids: readonly string[]): Variable[] {
  return [...new Set(ids)].map((id) => correlatable(all, id));
}
