import { type Change, type ChangeRequest, kindsFor, type StudyState } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { DomainError } from '../errors/domain-error';
import { getRevision, insertRevision, lockHead, moveHead } from './study-repository';

/** Applies one change as a new revision, in one transaction. */
export async function changeStudy(database: Database, study: string, { expectedHead, change }: ChangeRequest): Promise<void> {
  await database.transaction(async (db) => {
    const number = await lockHead(db, study, expectedHead);
    const { state, rowCount } = await getRevision(db, study, expectedHead);
    const changed = applyChange(state, change);
    await insertRevision(db, study, { number, parent: expectedHead, rowCount, ...changed });
    await moveHead(db, study, number);
  });
}

function applyChange(state: StudyState, change: Change): { kind: string; summary: string; state: StudyState } {
  const variable = state.variables.find(({ id }) => id === change.variable);
  if (!variable) {
    throw new DomainError('no-such-variable', 'The study has no such variable.', { where: change.variable, hint: 'Reload the page.' });
  }
  if (!kindsFor(variable.storage).includes(change.kind)) {
    throw new DomainError('kind-does-not-fit', `${variable.name} holds text, which cannot be ${change.kind}.`, {
      where: variable.name,
      hint: 'Bring the file in again and correct the column in the preview.',
    });
  }
  return {
    kind: 'codebook',
    summary: `${variable.name} is ${change.kind}, no longer ${variable.kind}`,
    state: {
      ...state,
      variables: state.variables.map((item) => (item === variable ? { ...item, kind: change.kind } : item)),
    },
  };
}
