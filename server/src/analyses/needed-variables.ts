import { type Analysis, canBeCorrelated, type Variable } from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';

/** The variables whose columns an analysis needs. @throws {DomainError} one that is not there or cannot serve */
export function neededVariables(analysis: Analysis, all: readonly Variable[]): Variable[] {
  switch (analysis.kind) {
    case 'summary':
    case 'missing':
    case 'suspicious':
      return [...all];
    case 'describe':
      return analysis.variables.map((id) => withNumbers(all, id));
    case 'shape':
      return [withNumbers(all, analysis.variable), ...(analysis.group ? [findVariable(all, analysis.group.by)] : [])];
    case 'joint':
      return [...new Set([...analysis.variables, ...analysis.completeFor])].map((id) => correlatable(all, id));
    case 'scales':
      return [withNumbers(all, analysis.variable), ...analysis.others.map((id) => correlatable(all, id))];
    case 'correlation':
      return distinct([...analysis.variables, ...analysis.control]).map((id) => correlatable(all, id));
    case 'pair':
      return distinct([analysis.x, analysis.y, ...analysis.completeFor, ...analysis.control]).map((id) => correlatable(all, id));
    case 'line':
    case 'influence':
    case 'resample':
      return distinct([analysis.x, analysis.y, ...analysis.completeFor]).map((id) => correlatable(all, id));
    case 'by-group':
      return distinctVariables([
        ...[analysis.x, analysis.y, ...analysis.completeFor].map((id) => correlatable(all, id)),
        findVariable(all, analysis.by),
      ]);
    case 'dependent':
      return [analysis.a, analysis.b, analysis.c].map((id) => correlatable(all, id));
    case 'cautions':
      return distinctVariables([
        ...[...analysis.variables, ...analysis.completeFor].map((id) => correlatable(all, id)),
        ...(analysis.groupBy === null ? [] : [findVariable(all, analysis.groupBy)]),
        // Whether one of them repeats tells whether the rows are independent.
        ...all.filter(({ kind }) => kind === 'identifier'),
      ]);
  }
}

function correlatable(all: readonly Variable[], id: string): Variable {
  const variable = findVariable(all, id);
  if (!canBeCorrelated(variable)) {
    throw new DomainError('cannot-be-correlated', `${variable.name} is ${variable.kind} and has no correlation coefficient.`, {
      where: variable.name,
      hint: 'Take it out of the working set, or correct its kind.',
    });
  }
  return variable;
}

function withNumbers(all: readonly Variable[], id: string): Variable {
  const variable = findVariable(all, id);
  if (variable.storage === 'number') return variable;
  throw new DomainError('no-numbers', `${variable.name} holds no numbers that could be described.`, {
    where: variable.name,
    hint: 'Choose another variable.',
  });
}

function findVariable(all: readonly Variable[], id: string): Variable {
  const variable = all.find((item) => item.id === id);
  if (!variable) {
    throw new DomainError('no-such-variable', 'The study has no such variable at this revision.', { where: id, hint: 'Reload the page.' });
  }
  return variable;
}

function distinct(ids: readonly string[]): string[] {
  return [...new Set(ids)];
}

function distinctVariables(variables: readonly Variable[]): Variable[] {
  return [...new Set(variables)];
}
