import type { ChangeRequest } from '@ivlen/contract';
import type { Columns } from '../columns/columns';
import type { Database } from '../database/connect';
import { completeRevision, getRevision, insertRevision, lockHead, moveHead } from '../studies/study-repository';
import type { AppliedChange, ChangeContext } from './applied-change';
import { applyChange } from './apply-change';
import { settle } from './settle';

/** Applies one change as a new revision, in one transaction. */
export async function changeStudy(database: Database, columns: Columns, study: string, request: ChangeRequest): Promise<void> {
  const { expectedHead, change, reason } = request;
  await writeRevision(database, columns, study, { expectedHead, reason: reason || null }, (context) => applyChange(context, change));
}

/** Writes a new revision: locks the study, lets `apply` change it, and brings what follows from the change up to date. */
export async function writeRevision(
  database: Database,
  columns: Columns,
  study: string,
  { expectedHead, reason }: { expectedHead: number; reason: string | null },
  apply: (context: ChangeContext) => Promise<AppliedChange>,
): Promise<void> {
  await database.transaction(async (db) => {
    const number = await lockHead(db, study, expectedHead);
    const { state, rowCount } = await getRevision(db, study, expectedHead);
    const pending = columns.during(number);
    const context: ChangeContext = { db, table: { study, rows: rowCount, state }, columns: pending, head: expectedHead, number };
    // The revision comes first, so that the columns written for it can be read back along its ancestry.
    await insertRevision(db, study, { number, parent: expectedHead, kind: 'pending', summary: '', rowCount, state });
    const applied = await apply(context);
    const settled = await settle(context, applied);
    await completeRevision(db, study, number, { ...applied, state: settled, rowCount: applied.rowCount ?? rowCount, reason });
    await moveHead(db, study, number);
  });
}
