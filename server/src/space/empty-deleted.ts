import type { Emptied } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { logError } from '../errors/log';
import type { JobTools } from '../jobs/jobs';
import { databaseBytes, deletedLongAgo, LARGE_TABLES } from './space-repository';

const MEGABYTE = 1024 * 1024;
/** A table is written anew if it is larger than what it holds by this factor, and by so many bytes. */
const SPARSE = 1.5;
const WORTH_IT = 8 * MEGABYTE;
/** Nobody reads a table while it is written anew, which for so much takes about three seconds. */
const LARGEST_WRITTEN_ANEW = 400 * MEGABYTE;

/**
 * Removes for good what was deleted, and gives its room on the disk back.
 * @param db a patient connection: deleting and clearing up take their time
 * @param keptDays what was deleted less long ago stays
 */
export async function emptyDeleted(db: Database, keptDays: number, { signal, tell }: JobTools): Promise<Emptied> {
  const before = await databaseBytes(db);
  const deleted = await deletedLongAgo(db, keptDays).pluck<string[]>('id');
  let done = 0;
  tell(() => ({ what: 'studies', done, total: deleted.length }));
  // One at a time, so that none has to share a statement's time with the others; what is done when it is stopped stays done.
  for (const id of deleted) {
    if (signal.aborted) break;
    // Judged again at the moment it goes: it may have been restored meanwhile, or restored and deleted anew.
    done += await deletedLongAgo(db, keptDays).where({ id }).delete();
  }
  if (done > 0) await clearUp(db);
  return { studies: done, bytes: Math.max(0, before - (await databaseBytes(db))) };
}

async function clearUp(db: Database): Promise<void> {
  await db.raw(`vacuum study, stage_setting, ${Object.keys(LARGE_TABLES).join(', ')}`);
  for (const [table, payload] of Object.entries(LARGE_TABLES)) {
    const { rows } = await db.raw<{ rows: { size: string; held: string }[] }>(
      `select pg_total_relation_size('${table}') as size, coalesce(sum(pg_column_size(${payload})), 0) as held from ${table}`,
    );
    const [size, held] = [Number(rows[0]?.size), Number(rows[0]?.held)];
    if (size > held * SPARSE + WORTH_IT && held < LARGEST_WRITTEN_ANEW) await db.raw(`vacuum full ${table}`);
  }
  await shrinkLog(db).catch((error: unknown) => logError('what was written ahead could not be shrunk', error));
}

/**
 * What was written ahead of all this is not needed once it is in place. The database keeps such files to use them again, as
 * many as it may: for a moment it may keep two.
 */
async function shrinkLog(db: Database): Promise<void> {
  const { rows } = await db.raw<{ rows: { bytes: string }[] }>(`select pg_size_bytes(current_setting('wal_segment_size')) as bytes`);
  const kilobytes = (2 * Number(rows[0]?.bytes)) / 1024;
  await db.raw(`alter system set max_wal_size = '${kilobytes}kB'`);
  try {
    await db.raw('select pg_reload_conf()');
    // The first moves on to a new file, the second lets go of those before.
    for (let step = 0; step < 2; step++) {
      await db.raw('select pg_switch_wal()');
      await db.raw('checkpoint');
    }
  } finally {
    await db.raw('alter system reset max_wal_size');
    await db.raw('select pg_reload_conf()');
  }
}
