import { randomUUID } from 'node:crypto';
import { type ChangeBlock, MOST_BLOCKS, type NewBlock, type ReportBlock, reportBlockSchema } from '@ivlen/contract';
import type { Connection } from '../database/connect';
import { DomainError } from '../errors/domain-error';

const COLUMNS = ['id', 'version', 'content', 'title', 'text', 'shows', 'beside'] as const;
type StoredBlock = Pick<ReportBlock, 'id' | 'version'>;

/** The blocks of a study's report in their order. One that this version does not understand is passed over, and stays stored. */
export async function selectReport(db: Connection, study: string): Promise<ReportBlock[]> {
  const rows = await db('report_block')
    .where({ study })
    .orderBy('place')
    .select<StoredBlock[]>(...COLUMNS);
  return rows.flatMap((row) => {
    const block = reportBlockSchema.safeParse(row);
    return block.success ? [block.data] : [];
  });
}

interface Place {
  /** The block after which new ones stand; null for the end. */
  readonly after: string | null;
  readonly first?: boolean;
  /** The block of which the first of them is the other text. */
  readonly beside?: string;
}

/**
 * Adds blocks to a report.
 * @throws {DomainError} 'report-full'
 */
export async function insertBlocks(db: Connection, study: string, blocks: readonly NewBlock[], place: Place): Promise<string[]> {
  const ids = await lockedOrder(db, study);
  if (ids.length + blocks.length > MOST_BLOCKS) {
    throw new DomainError('report-full', `A report has up to ${MOST_BLOCKS} parts, and this one has ${ids.length}.`, {
      hint: 'Remove what is no longer needed.',
    });
  }
  const at = place.first ? 0 : place.after === null ? ids.length : ids.indexOf(place.after) + 1 || ids.length;
  const added = blocks.map(() => randomUUID());
  await db('report_block').insert(
    blocks.map(({ content, title, text, shows }, i) => ({
      id: added[i],
      study,
      place: ids.length + i,
      content: JSON.stringify(content),
      title,
      text: text && JSON.stringify(text),
      shows: shows && JSON.stringify(shows),
      beside: i === 0 ? (place.beside ?? null) : null,
    })),
  );
  await writeOrder(db, study, ids.toSpliced(at, 0, ...added));
  return added;
}

/**
 * Changes a block. A text that was made from an older version is not written over the newer one: it becomes a block below it.
 * @returns whether both texts stand now
 * @throws {DomainError} 'no-such-block', 'block-moved'
 */
export async function updateBlock(
  db: Connection,
  study: string,
  id: string,
  { version, title, text, shows, pin }: ChangeBlock,
): Promise<boolean> {
  const row = await db('report_block')
    .where({ study, id })
    .forUpdate()
    .first<StoredBlock | undefined>(...COLUMNS);
  const current = row && reportBlockSchema.safeParse(row).data;
  if (!current) throw gone();
  if (current.version !== version) {
    if (text === undefined || JSON.stringify(text) === JSON.stringify(current.text)) {
      throw new DomainError('block-moved', 'This part of the report was changed in another window meanwhile.', {
        hint: 'What you see now is what was saved last; make your change again.',
      });
    }
    const other: NewBlock = { content: { kind: 'paragraph', of: 'own' }, title: null, text, shows: null };
    await insertBlocks(db, study, [other], { after: id, beside: id });
    return true;
  }
  await db('report_block')
    .where({ study, id })
    .update({
      version: version + 1,
      ...(title === undefined ? {} : { title }),
      ...(text === undefined ? {} : { text: text && JSON.stringify(text) }),
      ...(shows === undefined ? {} : { shows: shows && JSON.stringify(shows) }),
      ...(pin === undefined || current.content.kind !== 'pin' ? {} : { content: JSON.stringify({ kind: 'pin', pin }) }),
    });
  return false;
}

/** @throws {DomainError} 'no-such-block' */
export async function deleteBlock(db: Connection, study: string, id: string): Promise<void> {
  const deleted = await db('report_block').where({ study, id }).delete();
  if (deleted === 0) throw gone();
  await db('report_block').where({ study, beside: id }).update({ beside: null });
}

/** Puts blocks into an order; those that are not named keep their places behind them. */
export async function orderBlocks(db: Connection, study: string, ids: readonly string[]): Promise<void> {
  const known = await lockedOrder(db, study);
  const named = new Set(ids);
  await writeOrder(db, study, [...ids.filter((id) => known.includes(id)), ...known.filter((id) => !named.has(id))]);
}

/** Puts a report into a study that has none, with ids of its own; numbers in its texts go along. */
export async function writeReport(db: Connection, study: string, blocks: readonly ReportBlock[]): Promise<void> {
  if (blocks.length === 0) return;
  const renamed = blocks.reduce((json, { id }) => json.replaceAll(id, randomUUID()), JSON.stringify(blocks));
  const copies = reportBlockSchema.array().parse(JSON.parse(renamed));
  await db('report_block').insert(
    copies.map(({ id, content, title, text, shows, beside }, place) => ({
      id,
      study,
      place,
      // Decisions stay with the original: what was held at one of them follows the data.
      content: JSON.stringify(content.kind === 'pin' ? { ...content, pin: { ...content.pin, revision: null } } : content),
      title,
      text: text && JSON.stringify(text),
      shows: shows && JSON.stringify(shows),
      beside,
    })),
  );
}

export async function copyReport(db: Connection, from: string, to: string): Promise<void> {
  await writeReport(db, to, await selectReport(db, from));
}

/** All ids in their order, which nobody else changes until the transaction ends. */
async function lockedOrder(db: Connection, study: string): Promise<string[]> {
  await db('study').where({ id: study }).forUpdate().first('id');
  const rows = await db('report_block').where({ study }).orderBy('place').select<{ id: string }[]>('id');
  return rows.map(({ id }) => id);
}

async function writeOrder(db: Connection, study: string, ids: readonly string[]): Promise<void> {
  await db.raw(
    `update report_block set place = ordered.place::int - 1
     from unnest(?::uuid[]) with ordinality as ordered (id, place)
     where report_block.id = ordered.id and report_block.study = ?`,
    [[...ids], study],
  );
}

function gone(): DomainError {
  return new DomainError('no-such-block', 'This part of the report is no longer there.', {
    hint: 'It was removed in another window; reload the page.',
  });
}
