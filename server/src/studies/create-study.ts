import { randomUUID } from 'node:crypto';
import { firstWorkingSet, type StudyState } from '@ivlen/contract';
import { insertColumn, type StoredColumn } from '../columns/column-repository';
import type { Connection, Database } from '../database/connect';
import { insertSettings } from '../settings/settings-repository';
import { insertRevision, insertStudy } from './study-repository';

export interface NewStudy {
  readonly name: string;
  readonly state: StudyState;
  readonly rowCount: number;
  readonly columns: readonly StoredColumn[];
  readonly summary: string;
}

const FIRST_REVISION = 1;

/** Stores a study with its data as one transaction: all of it or nothing. */
export async function createStudy(
  database: Database,
  study: NewStudy,
  alongside: (db: Connection) => Promise<void> = async () => {},
): Promise<string> {
  const id = randomUUID();
  await database.transaction(async (db) => {
    await insertStudy(db, id, study.name, FIRST_REVISION);
    await insertRevision(db, id, {
      number: FIRST_REVISION,
      parent: null,
      kind: 'created',
      summary: study.summary,
      rowCount: study.rowCount,
      state: study.state,
    });
    for (const column of study.columns) await insertColumn(db, { study: id, revision: FIRST_REVISION }, column);
    await insertSettings(db, id, 'working-set', { variables: firstWorkingSet(study.state.variables) });
    await alongside(db);
  });
  return id;
}
