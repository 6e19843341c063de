import { randomUUID } from 'node:crypto';
import { type NewPin, type Pin, pinSchema } from '@ivlen/contract';
import type { Connection } from '../database/connect';
import { DomainError } from '../errors/domain-error';

const COLUMNS = ['id', 'stage', 'thing', 'title', 'request', 'settings', 'revision', 'created'] as const;

/** What is pinned of a study, in the order of the report. A pin that this version does not understand is passed over. */
export async function selectPins(db: Connection, study: string): Promise<Pin[]> {
  const rows = await db('pin')
    .where({ study })
    .orderBy('place')
    .select<{ created: Date }[]>(...COLUMNS);
  return rows.flatMap((row) => {
    const pin = pinSchema.safeParse({ ...row, created: row.created.toISOString() });
    return pin.success ? [pin.data] : [];
  });
}

/** Adds a pin at the end of the report. */
export async function insertPin(db: Connection, study: string, { request, settings, ...pin }: NewPin): Promise<Pin> {
  const id = randomUUID();
  const place = db.raw('(select coalesce(max(place), 0) + 1 from pin where study = ?)', [study]);
  const [row] = await db('pin')
    .insert({ id, study, place, ...pin, request: request && JSON.stringify(request), settings: JSON.stringify(settings) })
    .returning<{ created: Date }[]>('created');
  return { id, ...pin, request, settings, created: (row?.created ?? new Date()).toISOString() };
}

/** @throws {DomainError} 'no-such-pin' */
export async function deletePin(db: Connection, study: string, id: string): Promise<void> {
  const deleted = await db('pin').where({ study, id }).delete();
  if (deleted === 0) throw new DomainError('no-such-pin', 'This is not pinned any more.', { hint: 'Reload the page.' });
}

export async function copyPins(db: Connection, from: string, to: string): Promise<void> {
  await db.raw(
    `insert into pin (id, study, place, stage, thing, title, request, settings, created)
     select gen_random_uuid(), :to::uuid, place, stage, thing, title, request, settings, created from pin where study = :from`,
    { from, to },
  );
}
