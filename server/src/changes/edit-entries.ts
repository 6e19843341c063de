import { type ChangeOf, kindsFor, type StudyEntryPatch, type StudyState, type Variable, type VariablePatch } from '@ivlen/contract';
import { variableOf } from '../columns/columns';
import { DomainError } from '../errors/domain-error';
import { definedFields } from '../studies/defined-fields';
import { type AppliedChange, nothingChanges } from './applied-change';
import { describeEntryPatch, describeVariablePatch } from './describe-change';

/** @throws {DomainError} an entry that does not change. */
export function editEntry(state: StudyState, patch: StudyEntryPatch): AppliedChange {
  const summary = describeEntryPatch(state, patch);
  if (summary === '') throw nothingChanges();
  return { kind: 'study-entry', summary, state: { ...state, ...definedFields(patch) } };
}

/** @throws {DomainError} a change that does not fit the variable, or that changes nothing. */
export function editVariable(state: StudyState, id: string, patch: VariablePatch, number: number): AppliedChange {
  const variable = state.variables.find((item) => item.id === id);
  if (!variable) {
    throw new DomainError('no-such-variable', 'The study has no such variable.', { where: id, hint: 'Reload the page.' });
  }
  assertFits(state, variable, patch);
  const summary = describeVariablePatch(variable, patch);
  if (summary === '') throw nothingChanges();
  const edited: Variable = { ...variable, ...definedFields(patch) };
  // Other codes for missing values make other values.
  if (patch.missingCodes !== undefined) edited.version = number;
  return {
    kind: 'codebook',
    summary,
    state: { ...state, variables: state.variables.map((item) => (item === variable ? edited : item)) },
  };
}

/** @throws {DomainError} a variable that the study does not have, or a code that all of them have already. */
export function meanMissing(state: StudyState, { code, variables }: ChangeOf<'mean-missing'>, number: number): AppliedChange {
  const changed = variables.map((id) => variableOf({ state }, id)).filter(({ missingCodes }) => !missingCodes.includes(code));
  if (changed.length === 0) throw nothingChanges();
  const ids = new Set(changed.map(({ id }) => id));
  return {
    kind: 'codebook',
    summary: `${code.replace(/^-/, '−')} means missing in ${changed.map(({ name }) => name).join(', ')}`,
    state: {
      ...state,
      variables: state.variables.map((item) =>
        ids.has(item.id) ? { ...item, missingCodes: [...item.missingCodes, code], version: number } : item,
      ),
    },
  };
}

function assertFits(state: StudyState, variable: Variable, { kind, name, validRange }: VariablePatch): void {
  if (kind !== undefined && !kindsFor(variable.storage).includes(kind)) {
    throw new DomainError('kind-does-not-fit', `${variable.name} holds text, which cannot be ${kind}.`, {
      where: variable.name,
      hint: 'Read it again as numbers, from its entry in the codebook.',
    });
  }
  if (name !== undefined) assertNameFree(state, name, variable);
  if (validRange && validRange.low !== null && validRange.high !== null && validRange.low > validRange.high) {
    throw new DomainError('range-turned', `The smallest possible value (${validRange.low}) is above the largest (${validRange.high}).`, {
      where: 'valid range',
      hint: 'Swap the two.',
    });
  }
}

/** @param own the variable that may keep the name @throws {DomainError} 'name-taken' */
export function assertNameFree({ variables }: StudyState, name: string, own: Variable | null): void {
  if (!variables.some((other) => other !== own && other.name === name)) return;
  throw new DomainError('name-taken', `Another variable is called “${name}” already.`, { where: 'name', hint: 'Choose another name.' });
}
