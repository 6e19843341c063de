import type { ChangeRequest } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { applyChange } from './apply-change';
import { getRevision, insertRevision, lockHead, moveHead } from './study-repository';

/** Applies one change as a new revision, in one transaction. */
export async function changeStudy(database: Database, study: string, { expectedHead, change, reason }: ChangeRequest): Promise<void> {
  await database.transaction(async (db) => {
    const number = await lockHead(db, study, expectedHead);
    const { state, rowCount } = await getRevision(db, study, expectedHead);
    const changed = applyChange(state, change);
    await insertRevision(db, study, { number, parent: expectedHead, rowCount, reason: reason || null, ...changed });
    await moveHead(db, study, number);
  });
}
