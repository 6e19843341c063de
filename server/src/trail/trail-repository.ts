import { type Decision, decisionSchema, type Trail } from '@ivlen/contract';
import { z } from 'zod';
import type { Connection, Database } from '../database/connect';
import { DomainError } from '../errors/domain-error';
import { lockHead, moveHead, selectHead } from '../studies/study-repository';

interface DecisionRow {
  number: number;
  kind: string;
  summary: string;
  reason: string | null;
  created: Date;
}

/** The decisions that led to a study's head, newest first, and what undo and redo would do. */
export async function selectTrail(db: Connection, study: string): Promise<Trail> {
  const head = await selectHead(db, study);
  const decisions = await selectDecisions(db, study, head);
  const own = decisions.filter(({ earlier }) => !earlier);
  const next = await nextOf(db, study, head);
  return {
    decisions,
    // The first revision brought the data in: there is nothing before it to go back to.
    undo: own.length > 1 ? (own[0]?.summary ?? null) : null,
    redo: next?.summary ?? null,
  };
}

const earlierSchema = z
  .object({ earlier: z.array(decisionSchema) })
  .nullable()
  .catch(null);

/** The decisions that led to a revision, newest first; those made before the study was archived come last. */
export async function selectDecisions(db: Connection, study: string, head: number): Promise<Decision[]> {
  const { rows } = await db.raw<{ rows: (DecisionRow & { parent: number | null; figures: unknown })[] }>(
    `with recursive line as (
       select number, parent, kind, summary, reason, created, figures from revision where study = :study and number = :head
       union all
       select r.number, r.parent, r.kind, r.summary, r.reason, r.created, r.figures from revision r join line on r.study = :study and r.number = line.parent
     )
     select * from line order by number desc`,
    { study, head },
  );
  const earlier = earlierSchema.parse(rows.at(-1)?.figures ?? null)?.earlier ?? [];
  return [...rows.map(toDecision), ...earlier.map((decision) => ({ ...decision, earlier: true }))];
}

function toDecision({ number, kind, summary, reason, created }: DecisionRow): Decision {
  return { number, kind, summary, reason, created: created.toISOString(), earlier: false };
}

/** Moves the head back by one decision; nothing is deleted. */
export async function undo(database: Database, study: string, expectedHead: number): Promise<void> {
  await database.transaction(async (db) => {
    await lockHead(db, study, expectedHead);
    const row = await db('revision').where({ study, number: expectedHead }).first<{ parent: number | null } | undefined>('parent');
    if (!row?.parent)
      throw new DomainError('nothing-to-undo', 'There is no decision to take back.', { hint: 'The study stands as it was brought in.' });
    await moveHead(db, study, row.parent);
  });
}

/** Moves the head forward again, to the decision made last from here. */
export async function redo(database: Database, study: string, expectedHead: number): Promise<void> {
  await database.transaction(async (db) => {
    await lockHead(db, study, expectedHead);
    const next = await nextOf(db, study, expectedHead);
    if (!next)
      throw new DomainError('nothing-to-redo', 'There is no decision to make again.', { hint: 'Nothing was taken back from here.' });
    await moveHead(db, study, next.number);
  });
}

/** Writes or corrects the reason of a decision; the decision itself stays as it is. */
export async function setReason(db: Connection, study: string, number: number, reason: string): Promise<void> {
  const updated = await db('revision')
    .where({ study, number })
    .update({ reason: reason || null });
  if (updated === 0) throw new DomainError('no-such-revision', `The study has no revision ${number}.`, { hint: 'Reload the page.' });
}

async function nextOf(db: Connection, study: string, head: number): Promise<{ number: number; summary: string } | undefined> {
  return db('revision')
    .where({ study, parent: head })
    .orderBy('number', 'desc')
    .first<{ number: number; summary: string } | undefined>('number', 'summary');
}
