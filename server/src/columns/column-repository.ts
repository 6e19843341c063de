import { z } from 'zod';
import type { Connection } from '../database/connect';
import { DomainError } from '../errors/domain-error';
import { CHUNK_ENCODING, CHUNK_ROWS, checksumOf, decodeChunk, decodeChunks, encodeChunk } from './chunk-codec';

/** A column to be stored: numbers, days, or codes with their dictionary. */
export interface NewColumn {
  readonly variable: string;
  /** The values in stretches of one chunk each. */
  chunks(): Iterable<Float64Array>;
  /** Texts by code; null for numbers and dates. */
  readonly dictionary: readonly string[] | null;
}

/** A study as of one of its revisions. */
export interface Place {
  readonly study: string;
  readonly revision: number;
}

/** Writes a whole column as of a revision. */
export async function insertColumn(
  db: Connection,
  place: Place,
  column: NewColumn,
  onStored: (rows: number) => void = () => {},
): Promise<void> {
  let chunk = 0;
  for (const values of column.chunks()) {
    await insertChunk(db, place, column.variable, chunk++, values);
    onStored(values.length);
  }
  if (column.dictionary) await insertDictionary(db, place, column.variable, column.dictionary);
}

/** Writes a new version of one chunk of a column. */
export async function insertChunk(db: Connection, place: Place, variable: string, chunk: number, values: Float64Array): Promise<void> {
  const data = encodeChunk(values);
  await db('column_chunk').insert({ ...place, variable, chunk, data, encoding: CHUNK_ENCODING, checksum: checksumOf(data) });
}

export async function insertDictionary(
  db: Connection,
  { study, revision }: Place,
  variable: string,
  dictionary: readonly string[],
): Promise<void> {
  await db('column_dictionary').insert({ study, variable, revision, entries: JSON.stringify(dictionary) });
}

/** The revisions that lead to one: undone branches beside its own ancestry stay readable, but are not in it. */
const LINE = `
  with recursive line as (
    select number, parent from revision where study = :study and number = :revision
    union all
    select r.number, r.parent from revision r join line on r.study = :study and r.number = line.parent
  )`;

interface StoredChunk {
  readonly chunk: number;
  readonly data: Buffer;
  readonly checksum: Buffer;
}

/** What was stored, if it is still that. @throws {DomainError} 'damaged-data' */
function verified({ chunk, data, checksum }: StoredChunk, variable: string): Buffer {
  if (checksumOf(data).equals(checksum)) return data;
  throw damaged(variable, chunk);
}

function damaged(variable: string, chunk: number): DomainError {
  const [first, last] = [chunk * CHUNK_ROWS + 1, (chunk + 1) * CHUNK_ROWS].map((row) => row.toLocaleString('en-GB'));
  return new DomainError(
    'damaged-data',
    `Stored values are damaged: those of rows ${first} to ${last} are not as they were written, and nothing is computed with them.`,
    {
      where: `variable ${variable}, rows ${first} to ${last}`,
      hint: 'The disk or the database has changed them. Bring the study back from an archive, or the table in again; the other variables are sound.',
    },
  );
}

/** A column as it was at a revision: of each chunk the newest version along that revision's own ancestry. */
export async function selectColumn(db: Connection, place: Place, variable: string, rows: number): Promise<Float64Array> {
  const { rows: chunks } = await db.raw<{ rows: StoredChunk[] }>(
    `${LINE}
    select distinct on (chunk) chunk, data, checksum from column_chunk
    where study = :study and variable = :variable and revision in (select number from line)
    order by chunk, revision desc`,
    { ...place, variable },
  );
  return decodeChunks(
    chunks.map((stored) => verified(stored, variable)),
    rows,
  );
}

/** One chunk of a column as it was at a revision. */
export async function selectChunk(db: Connection, place: Place, variable: string, chunk: number): Promise<Float64Array> {
  const { rows } = await db.raw<{ rows: StoredChunk[] }>(
    `${LINE}
    select chunk, data, checksum from column_chunk
    where study = :study and variable = :variable and chunk = :chunk and revision in (select number from line)
    order by revision desc limit 1`,
    { ...place, variable, chunk },
  );
  const [found] = rows;
  if (!found) throw new Error(`chunk ${chunk} of ${variable} is not stored`);
  return decodeChunk(verified(found, variable));
}

/**
 * A stretch of rows of every column in one chunk, by variable, without fetching the whole chunk; whether it is as it was
 * written, the database itself looks up the first time that this program reads of it.
 * @throws {DomainError} 'damaged-data'
 */
export async function selectSlices(
  db: Connection,
  place: Place,
  chunk: number,
  start: number,
  count: number,
): Promise<Map<string, Float64Array>> {
  const bytes = Float64Array.BYTES_PER_ELEMENT;
  const { rows } = await db.raw<{ rows: { variable: string; revision: number; data: Buffer }[] }>(
    `${LINE}
    select distinct on (variable) variable, revision, substring(data from :from::int for :length::int) as data from column_chunk
    where study = :study and chunk = :chunk and revision in (select number from line)
    order by variable, revision desc`,
    { ...place, chunk, from: start * bytes + 1, length: count * bytes },
  );
  await verifyOnce(
    db,
    rows.map(({ variable, revision }) => ({ study: place.study, variable, chunk, revision })),
  );
  return new Map(rows.map(({ variable, data }) => [variable, decodeChunk(data)]));
}

interface ChunkName {
  readonly study: string;
  readonly variable: string;
  readonly chunk: number;
  readonly revision: number;
}

/** Chunks that were found as they were written; a chunk never changes, and another version of it has another name. */
const sound = new Set<string>();
const MOST_REMEMBERED = 200_000;

async function verifyOnce(db: Connection, names: readonly ChunkName[]): Promise<void> {
  const keyOf = ({ study, variable, chunk, revision }: ChunkName) => `${study}/${variable}/${chunk}/${revision}`;
  const unknown = names.filter((name) => !sound.has(keyOf(name)));
  if (unknown.length === 0) return;
  const { rows } = await db.raw<{ rows: { variable: string; revision: number; same: boolean }[] }>(
    `select variable, revision, sha256(data) = checksum as same from column_chunk
     where study = ? and chunk = ? and (variable, revision) in (${unknown.map(() => '(?, ?)').join(', ')})`,
    [unknown[0]?.study ?? '', unknown[0]?.chunk ?? 0, ...unknown.flatMap(({ variable, revision }) => [variable, revision])],
  );
  const wrong = rows.find(({ same }) => !same);
  if (wrong) throw damaged(wrong.variable, unknown[0]?.chunk ?? 0);
  if (sound.size > MOST_REMEMBERED) sound.clear();
  for (const name of unknown) sound.add(keyOf(name));
}

const entriesSchema = z.array(z.string());

/** Texts by code as they were at a revision; empty for a column that has none. */
export async function selectDictionary(db: Connection, place: Place, variable: string): Promise<string[]> {
  const { rows } = await db.raw<{ rows: { entries: unknown }[] }>(
    `${LINE}
    select entries from column_dictionary
    where study = :study and variable = :variable and revision in (select number from line)
    order by revision desc limit 1`,
    { ...place, variable },
  );
  return rows[0] ? entriesSchema.parse(rows[0].entries) : [];
}

/** Copies all that is visible at a revision of one study to the first revision of another. */
export async function copyColumns(db: Connection, from: Place, to: Place): Promise<void> {
  const names = { study: from.study, revision: from.revision, toStudy: to.study, toRevision: to.revision };
  await db.raw(
    `${LINE}
    insert into column_chunk (study, variable, chunk, revision, data, encoding, checksum)
    select distinct on (variable, chunk) :toStudy::uuid, variable, chunk, :toRevision::int, data, encoding, checksum from column_chunk
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
