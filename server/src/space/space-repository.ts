import { DELETED_KEPT_DAYS, type Space } from '@ivlen/contract';
import type { Connection } from '../database/connect';

/** The tables that hold what is large, each with what makes its rows large. */
export const LARGE_TABLES = {
  column_chunk: 'data',
  column_dictionary: 'entries',
  revision: 'state',
  result_cache: 'result',
  report_block: 'content',
} as const;

const MEASURED = Object.entries(LARGE_TABLES)
  .map(([table, payload]) => `select study, sum(pg_column_size(${payload})) as bytes from ${table} group by study`)
  .join(' union all ');

interface SpaceRow {
  deleted: boolean;
  studies: string;
  bytes: string;
  first: Date | null;
  last: Date | null;
}

/** How much the studies take, and those that were deleted and can still be brought back. */
export async function selectSpace(db: Connection): Promise<Space> {
  const { rows } = await db.raw<{ rows: SpaceRow[] }>(
    `select deleted is not null as deleted, count(*) as studies, coalesce(sum(bytes), 0) as bytes, min(deleted) as first, max(deleted) as last
     from study left join (select study, sum(bytes) as bytes from (${MEASURED}) part group by study) whole on whole.study = study.id
     group by 1`,
  );
  const [live, gone] = [rows.find(({ deleted }) => !deleted), rows.find(({ deleted }) => deleted)];
  return {
    studies: Number(live?.studies ?? 0),
    bytes: Number(live?.bytes ?? 0),
    deleted: gone
      ? { studies: Number(gone.studies), bytes: Number(gone.bytes), firstGoes: goes(gone.first), lastGoes: goes(gone.last) }
      : null,
  };
}

const DAY_MS = 24 * 60 * 60 * 1000;

function goes(deleted: Date | null): string {
  return new Date((deleted ?? new Date()).getTime() + DELETED_KEPT_DAYS * DAY_MS).toISOString();
}

/** Studies that were deleted and have been kept for the days given. */
export function deletedLongAgo(db: Connection, keptDays: number) {
  return db('study')
    .whereNotNull('deleted')
    .where('deleted', '<=', db.raw('now() - make_interval(days => ?)', [keptDays]));
}

/** @returns the bytes of the database's files */
export async function databaseBytes(db: Connection): Promise<number> {
  const { rows } = await db.raw<{ rows: { bytes: string }[] }>('select pg_database_size(current_database()) as bytes');
  return Number(rows[0]?.bytes ?? 0);
}
