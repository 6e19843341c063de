import { randomUUID } from 'node:crypto';
import { copyColumns } from '../columns/column-repository';
import type { Database } from '../database/connect';
import { copyReport } from '../report/report-repository';
import { copySettings } from '../settings/settings-repository';
import { atFirstRevision, FIRST_REVISION } from './first-revision';
import { getStudy, insertRevision, insertStudy, studyNames } from './study-repository';

const LONGEST_STEM = 105;

/** Makes a new study of another's head: data, codebook and settings, with a trail of its own. */
export async function duplicateStudy(database: Database, id: string): Promise<string> {
  const copy = randomUUID();
  await database.transaction(async (db) => {
    const study = await getStudy(db, id);
    await insertStudy(db, copy, freeCopyName(study.name, new Set(await studyNames(db))), FIRST_REVISION);
    await insertRevision(db, copy, {
      number: FIRST_REVISION,
      parent: null,
      kind: 'duplicated',
      summary: `Duplicated from “${study.name}”`,
      rowCount: study.rows,
      state: atFirstRevision(study.state),
    });
    await copyColumns(db, { study: id, revision: study.head }, { study: copy, revision: FIRST_REVISION });
    await copySettings(db, id, copy);
    await copyReport(db, id, copy);
  });
  return copy;
}

/** "Streams (copy)", "Streams (copy 2)" and so on: the first that no study has; a copy of a copy is no "(copy) (copy)". */
function freeCopyName(name: string, taken: ReadonlySet<string>): string {
  const stem = name.replace(/ \(copy(?: \d+)?\)$/, '').slice(0, LONGEST_STEM);
  for (let number = 1; ; number++) {
    const candidate = number === 1 ? `${stem} (copy)` : `${stem} (copy ${number})`;
    if (!taken.has(candidate)) return candidate;
  }
}
