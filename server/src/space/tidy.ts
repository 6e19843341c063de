import { DELETED_KEPT_DAYS } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { logError } from '../errors/log';
import { purgeImports } from '../imports/import-repository';
import type { Spool } from '../imports/spool';
import { emptyDeleted } from './empty-deleted';

const EVERY_MS = 6 * 60 * 60 * 1000;

/**
 * Removes what has waited long enough: files that nobody made a study, and studies deleted a month ago; now, and every
 * six hours for as long as the program runs. Nobody waits for it, and a failure is made good by the next time.
 */
export function keepTidy(patient: Database, spool: Spool): void {
  const tidy = async () => {
    for (const id of await purgeImports(patient)) await spool.remove(id);
    await emptyDeleted(patient, DELETED_KEPT_DAYS, { signal: new AbortController().signal, tell: () => {} });
  };
  const begin = () => void tidy().catch((error: unknown) => logError('what has waited long enough could not be removed', error));
  begin();
  setInterval(begin, EVERY_MS).unref();
}
