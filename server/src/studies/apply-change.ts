import { type Change, kindsFor, type StudyEntryPatch, type StudyState, type Variable, type VariablePatch } from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';
import { definedFields } from './defined-fields';
import { describeEntryPatch, describeVariablePatch } from './describe-change';

/** A study's next state, with what was decided, in one line for the trail. */
export interface AppliedChange {
  readonly kind: string;
  readonly summary: string;
  readonly state: StudyState;
}

/** @throws {DomainError} a change that does not fit the study, or that changes nothing. */
export function applyChange(state: StudyState, change: Change): AppliedChange {
  return change.type === 'edit-study' ? editEntry(state, change.patch) : editVariable(state, change.variable, change.patch);
}

function editEntry(state: StudyState, patch: StudyEntryPatch): AppliedChange {
  const summary = describeEntryPatch(state, patch);
  if (summary === '') throw nothingChanges();
  return { kind: 'study-entry', summary, state: { ...state, ...definedFields(patch) } };
}

function editVariable(state: StudyState, id: string, patch: VariablePatch): AppliedChange {
  const variable = state.variables.find((item) => item.id === id);
  if (!variable) {
    throw new DomainError('no-such-variable', 'The study has no such variable.', { where: id, hint: 'Reload the page.' });
  }
  assertFits(state, variable, patch);
  const summary = describeVariablePatch(variable, patch);
  if (summary === '') throw nothingChanges();
  const edited: Variable = { ...variable, ...definedFields(patch) };
  return {
    kind: 'codebook',
    summary,
    state: { ...state, variables: state.variables.map((item) => (item === variable ? edited : item)) },
  };
}

function assertFits(state: StudyState, variable: Variable, { kind, name, validRange }: VariablePatch): void {
  if (kind !== undefined && !kindsFor(variable.storage).includes(kind)) {
    throw new DomainError('kind-does-not-fit', `${variable.name} holds text, which cannot be ${kind}.`, {
      where: variable.name,
      hint: 'Bring the file in again and correct the column in the preview.',
    });
  }
  if (name !== undefined && state.variables.some((other) => other !== variable && other.name === name)) {
    throw new DomainError('name-taken', `Another variable is called “${name}” already.`, { where: 'name', hint: 'Choose another name.' });
  }
  if (validRange && validRange.low !== null && validRange.high !== null && validRange.low > validRange.high) {
    throw new DomainError('range-turned', `The smallest possible value (${validRange.low}) is above the largest (${validRange.high}).`, {
      where: 'valid range',
      hint: 'Swap the two.',
    });
  }
}

function nothingChanges(): DomainError {
  return new DomainError('nothing-changes', 'Nothing was changed.', { hint: 'The entry stands as it was.' });
}
