import { randomUUID } from 'node:crypto';
import {
  correlationSettingsSchema,
  type Decision,
  firstWorkingSet,
  type Settings,
  type SettingsScope,
  type StudyState,
  startsWithRanks,
} from '@ivlen/contract';
import { insertColumn, type NewColumn } from '../columns/column-repository';
import type { Connection, Database } from '../database/connect';
import { insertSettings } from '../settings/settings-repository';
import { FIRST_REVISION } from './first-revision';
import { insertRevision, insertStudy } from './study-repository';

export interface NewStudy {
  readonly name: string;
  readonly state: StudyState;
  readonly rowCount: number;
  readonly columns: readonly NewColumn[];
  readonly summary: string;
  /** What sort of decision brought it in; "created" unless said otherwise. */
  readonly kind?: string;
  /** Settings to begin with; the working set is chosen by itself where it is not among them. */
  readonly settings?: Settings;
  /** Decisions made before this study was, in its archive. */
  readonly earlier?: readonly Decision[];
}

interface CreateOptions {
  /** Called with the rows of each stretch of a column that is stored; what it throws takes everything back. */
  readonly onStored?: (rows: number) => void;
  /** What belongs into the same transaction. */
  readonly alongside?: (db: Connection, study: string) => Promise<void>;
}

/** Stores a study with its data as one transaction: all of it or nothing. */
export async function createStudy(database: Database, study: NewStudy, { onStored, alongside }: CreateOptions = {}): Promise<string> {
  const id = randomUUID();
  await database.transaction(async (db) => {
    await insertStudy(db, id, study.name, FIRST_REVISION);
    await insertRevision(db, id, {
      number: FIRST_REVISION,
      parent: null,
      kind: study.kind ?? 'created',
      summary: study.summary,
      rowCount: study.rowCount,
      state: study.state,
      ...(study.earlier ? { figures: { earlier: study.earlier } } : {}),
    });
    for (const column of study.columns) await insertColumn(db, { study: id, revision: FIRST_REVISION }, column, onStored);
    const settings: Settings = {
      'working-set': { variables: firstWorkingSet(study.state.variables) },
      ...(startsWithRanks(study.state.variables) ? { correlations: correlationSettingsSchema.parse({ methods: ['spearman'] }) } : {}),
      ...study.settings,
    };
    for (const [scope, value] of Object.entries(settings)) await insertSettings(db, id, scope as SettingsScope, value);
    await alongside?.(db, id);
  });
  return id;
}
