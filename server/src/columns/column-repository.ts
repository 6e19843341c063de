import type { Connection } from '../database/connect';
import { decodeChunks, encodeChunks } from './chunk-codec';

/** A column to be stored: numbers, days, or codes with their dictionary. */
export interface StoredColumn {
  readonly variable: string;
  readonly values: Float64Array;
  /** Texts by code; null for numbers and dates. */
  readonly dictionary: readonly string[] | null;
}

interface Place {
  readonly study: string;
  readonly revision: number;
}

/** Writes a whole column as of a revision. */
export async function insertColumn(db: Connection, { study, revision }: Place, column: StoredColumn): Promise<void> {
  for (const [chunk, data] of encodeChunks(column.values).entries()) {
    await db('column_chunk').insert({ study, variable: column.variable, chunk, revision, data });
  }
  if (column.dictionary) {
    const entries = JSON.stringify(column.dictionary);
    await db('column_dictionary').insert({ study, variable: column.variable, revision, entries });
  }
}

/** The revisions that lead to one: undone branches beside its own ancestry stay readable, but are not in it. */
const LINE = `
  with recursive line as (
    select number, parent from revision where study = :study and number = :revision
    union all
    select r.number, r.parent from revision r join line on r.study = :study and r.number = line.parent
  )`;

/** A column as it was at a revision: of each chunk the newest version along that revision's own ancestry. */
export async function selectColumn(db: Connection, { study, revision }: Place, variable: string, rows: number): Promise<Float64Array> {
  const { rows: chunks } = await db.raw<{ rows: { data: Buffer }[] }>(
    `${LINE}
    select distinct on (chunk) data from column_chunk
    where study = :study and variable = :variable and revision in (select number from line)
    order by chunk, revision desc`,
    { study, revision, variable },
  );
  return decodeChunks(
    chunks.map(({ data }) => data),
    rows,
  );
}

/** Copies all that is visible at a revision of one study to the first revision of another. */
export async function copyColumns(db: Connection, from: Place, to: Place): Promise<void> {
  const names = { study: from.study, revision: from.revision, toStudy: to.study, toRevision: to.revision };
  await db.raw(
    `${LINE}
    insert into column_chunk (study, variable, chunk, revision, data)
    select distinct on (variable, chunk) :toStudy::uuid, variable, chunk, :toRevision::int, data from column_chunk
    where study = :study and revision in (select number from line)
    order by variable, chunk, revision desc`,
    names,
  );
  await db.raw(
    `${LINE}
    insert into column_dictionary (study, variable, revision, entries)
    select distinct on (variable) :toStudy::uuid, variable, :toRevision::int, entries from column_dictionary
    where study = :study and revision in (select number from line)
    order by variable, revision desc`,
    names,
  );
}
