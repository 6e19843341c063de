import { type AnalysisResult, analysisResultSchema } from '@ivlen/contract';
import type { Connection } from '../database/connect';

/** Together the stored results take no more than this. */
const MOST_BYTES = 64 * 1024 * 1024;
const LARGEST_RESULT = MOST_BYTES / 8;
/** Above the limit the longest unused go until this share of it is left, so that this does not happen at each one stored. */
const KEPT_SHARE = 0.8;

/** A stored result, now the last one used; undefined where there is none that can be read. */
export async function selectResult(db: Connection, key: string): Promise<AnalysisResult | undefined> {
  const { rows } = await db.raw<{ rows: { result: unknown }[] }>(
    'update result_cache set used = clock_timestamp() where key = :key returning result',
    { key },
  );
  const parsed = analysisResultSchema.safeParse(rows[0]?.result);
  return parsed.success ? parsed.data : undefined;
}

/** Stores a result, and forgets the longest unused ones where there are too many. */
export async function insertResult(db: Connection, study: string, key: string, result: AnalysisResult): Promise<void> {
  const text = JSON.stringify(result);
  const bytes = Buffer.byteLength(text);
  if (bytes > LARGEST_RESULT) return;
  await db.raw(
    `insert into result_cache (key, study, result, bytes) select :key, id, :text::json, :bytes from study where id = :study
     on conflict (key) do nothing`,
    { key, study, text, bytes },
  );
  const { rows } = await db.raw<{ rows: { total: string | null }[] }>('select sum(bytes) as total from result_cache');
  if (Number(rows[0]?.total ?? 0) > MOST_BYTES) {
    await db.raw(
      `delete from result_cache where key in (
         select key from (select key, sum(bytes) over (order by used desc, key) as newer from result_cache) as kept where newer > :limit
       )`,
      { limit: Math.floor(MOST_BYTES * KEPT_SHARE) },
    );
  }
}
