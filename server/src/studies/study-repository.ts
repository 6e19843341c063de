import { type Study, type StudyListItem, type StudyState, studyStateSchema } from '@ivlen/contract';
import type { Table } from '../columns/columns';
import type { Connection } from '../database/connect';
import { DomainError } from '../errors/domain-error';

interface StudyRow {
  id: string;
  name: string;
  head: number;
  changed: Date;
}

/** A revision about to be written. */
export interface NewRevision {
  readonly number: number;
  readonly parent: number | null;
  /** What sort of decision it is: created, duplicated, codebook. */
  readonly kind: string;
  /** What was decided, in one line for the trail. */
  readonly summary: string;
  readonly reason?: string | null;
  readonly rowCount: number;
  readonly state: StudyState;
  /** What goes with the decision beside its words. */
  readonly figures?: object;
}

export interface RevisionRecord {
  readonly number: number;
  readonly rowCount: number;
  readonly state: StudyState;
}

export async function listStudies(db: Connection): Promise<StudyListItem[]> {
  const rows = await db('study')
    .join('revision', (join) => join.on('revision.study', 'study.id').andOn('revision.number', 'study.head'))
    .whereNull('study.deleted')
    .orderBy('study.changed', 'desc')
    .select<(StudyRow & { row_count: number; variables: number })[]>(
      'study.id',
      'study.name',
      'study.head',
      'study.changed',
      'revision.row_count',
      db.raw(`jsonb_array_length(revision.state -> 'variables') as variables`),
    );
  return rows.map(({ id, name, head, changed, row_count, variables }) => ({
    id,
    name,
    head,
    changed: changed.toISOString(),
    rows: row_count,
    variables,
  }));
}

export async function studyNames(db: Connection): Promise<string[]> {
  return db('study').whereNull('deleted').pluck<string[]>('name');
}

/** @throws {DomainError} 'no-such-study' */
export async function getStudy(db: Connection, id: string): Promise<Study> {
  const row = await db('study').where({ id }).whereNull('deleted').first<StudyRow | undefined>();
  if (!row) throw noSuchStudy();
  const { rowCount, state } = await getRevision(db, id, row.head);
  return { id, name: row.name, head: row.head, rows: rowCount, changed: row.changed.toISOString(), state };
}

/** A study as it was at a revision, taken-back ones included. @throws {DomainError} 'no-such-study', 'no-such-revision' */
export async function getStudyAt(db: Connection, id: string, revision: number): Promise<Study> {
  const row = await db('study').where({ id }).whereNull('deleted').first<StudyRow | undefined>();
  if (!row) throw noSuchStudy();
  const { rowCount, state } = await getRevision(db, id, revision);
  return { id, name: row.name, head: revision, rows: rowCount, changed: row.changed.toISOString(), state };
}

/** The revision that a study stands at, without its state. @throws {DomainError} 'no-such-study' */
export async function selectHead(db: Connection, id: string): Promise<number> {
  const row = await db('study').where({ id }).whereNull('deleted').first<{ head: number } | undefined>('head');
  if (!row) throw noSuchStudy();
  return row.head;
}

/** @throws {DomainError} 'no-such-revision' */
export async function getRevision(db: Connection, study: string, number: number): Promise<RevisionRecord> {
  const row = await db('revision').where({ study, number }).first<{ row_count: number; state: unknown } | undefined>('row_count', 'state');
  if (!row) {
    throw new DomainError('no-such-revision', `The study has no revision ${number}.`, { hint: 'Reload the page.' });
  }
  return { number, rowCount: row.row_count, state: studyStateSchema.parse(row.state) };
}

/** A study's table as of a revision. @throws {DomainError} 'no-such-revision' */
export async function getTable(db: Connection, study: string, number: number): Promise<Table> {
  const { rowCount, state } = await getRevision(db, study, number);
  return { study, rows: rowCount, state };
}

export async function insertStudy(db: Connection, id: string, name: string, head: number): Promise<void> {
  await db('study').insert({ id, name, head });
}

export async function insertRevision(db: Connection, study: string, revision: NewRevision): Promise<void> {
  await db('revision').insert({
    study,
    number: revision.number,
    parent: revision.parent,
    kind: revision.kind,
    summary: revision.summary,
    reason: revision.reason ?? null,
    figures: revision.figures ? JSON.stringify(revision.figures) : null,
    row_count: revision.rowCount,
    state: JSON.stringify(revision.state),
  });
}

/** Writes what a revision, inserted before its change was applied, has come to be. */
export async function completeRevision(
  db: Connection,
  study: string,
  number: number,
  { kind, summary, reason, figures, rowCount, state }: Omit<NewRevision, 'number' | 'parent'>,
): Promise<void> {
  await db('revision')
    .where({ study, number })
    .update({
      kind,
      summary,
      reason: reason ?? null,
      figures: figures ? JSON.stringify(figures) : null,
      row_count: rowCount,
      state: JSON.stringify(state),
    });
}

/**
 * Locks a study for a change and checks that it was made at the head.
 * @returns the number that the next revision takes
 * @throws {DomainError} 'no-such-study'; 'head-moved' if another change came first.
 */
export async function lockHead(db: Connection, study: string, expectedHead: number): Promise<number> {
  const row = await db('study').where({ id: study }).whereNull('deleted').forUpdate().first<{ head: number } | undefined>('head');
  if (!row) throw noSuchStudy();
  if (row.head !== expectedHead) {
    throw new DomainError('head-moved', 'The study was changed in another window meanwhile.', {
      where: `revision ${row.head}`,
      hint: 'What you see now is its newest state; make your change again.',
    });
  }
  const last = await db('revision').where({ study }).max<{ last: number }[]>('number as last');
  return (last[0]?.last ?? 0) + 1;
}

export async function moveHead(db: Connection, id: string, head: number): Promise<void> {
  await db('study').where({ id }).update({ head, changed: db.fn.now() });
}

export async function renameStudy(db: Connection, id: string, name: string): Promise<void> {
  const renamed = await db('study').where({ id }).whereNull('deleted').update({ name, changed: db.fn.now() });
  if (renamed === 0) throw noSuchStudy();
}

/** Hides a study; its data stay until it is purged, so that deleting can be undone. */
export async function markDeleted(db: Connection, id: string): Promise<void> {
  const deleted = await db('study').where({ id }).whereNull('deleted').update({ deleted: db.fn.now() });
  if (deleted === 0) throw noSuchStudy();
}

export async function unmarkDeleted(db: Connection, id: string): Promise<void> {
  const restored = await db('study').where({ id }).whereNotNull('deleted').update({ deleted: null });
  if (restored === 0) throw noSuchStudy();
}

function noSuchStudy(): DomainError {
  return new DomainError('no-such-study', 'There is no such study; it may have been deleted.', {
    hint: 'Go to the home page, which lists all studies.',
  });
}
