import type { ChangeOf } from '@ivlen/contract';
import { CHUNK_ROWS } from '../columns/chunk-codec';
import { insertChunk } from '../columns/column-repository';
import { SET_ASIDE } from '../columns/columns';
import { DomainError } from '../errors/domain-error';
import { rowInWords, rowsInWords } from '../rows/row-names';
import type { AppliedChange, ChangeContext } from './applied-change';
import { chosenRows } from './chosen-rows';

/** Leaves rows out of all computing; they stay in the table with the reason. */
export async function setAside(context: ChangeContext, { choice, because }: ChangeOf<'set-aside'>): Promise<AppliedChange> {
  const rows = await chosenRows(context, choice);
  const reasons = [...(context.table.state.setAside?.reasons ?? [])];
  if (!reasons.includes(because)) reasons.push(because);
  const changed = await writeCodes(context, rows, reasons.indexOf(because) + 1, reasons);
  return { ...changed, kind: 'set-aside', summary: `${await inWords(context, changed.rows)} set aside: ${because}` };
}

/** Takes rows back in. */
export async function bringBack(context: ChangeContext, { choice }: ChangeOf<'bring-back'>): Promise<AppliedChange> {
  const { setAside: before } = context.table.state;
  const rows = before ? await chosenRows(context, choice) : [];
  const changed = await writeCodes(context, rows, 0, before?.reasons ?? []);
  return { ...changed, kind: 'bring-back', summary: `${await inWords(context, changed.rows)} brought back` };
}

async function writeCodes(context: ChangeContext, rows: readonly number[], code: number, reasons: readonly string[]) {
  const { db, table, columns, number } = context;
  const before = await columns.reasonCodes(db, table);
  const codes = before ? before.slice() : new Float64Array(table.rows);
  const changed = rows.filter((row) => codes[row] !== code);
  if (changed.length === 0) {
    throw new DomainError(
      'nothing-changes',
      code === 0 ? 'None of these rows is set aside.' : 'No row is chosen that is not set aside already.',
      {
        hint: 'Choose other rows.',
      },
    );
  }
  for (const row of changed) codes[row] = code;
  const touched = new Set(changed.map((row) => Math.floor(row / CHUNK_ROWS)));
  for (let chunk = 0; chunk * CHUNK_ROWS < codes.length; chunk++) {
    if (before && !touched.has(chunk)) continue;
    const part = codes.subarray(chunk * CHUNK_ROWS, (chunk + 1) * CHUNK_ROWS);
    await insertChunk(db, { study: table.study, revision: number }, SET_ASIDE, chunk, part);
  }
  const count = codes.reduce((sum, value) => sum + (value === 0 ? 0 : 1), 0);
  return { rows: changed, state: { ...table.state, setAside: { reasons: [...reasons], count, version: number } } };
}

async function inWords({ db, columns, table }: ChangeContext, rows: readonly number[]): Promise<string> {
  const [only] = rows;
  const words = rows.length === 1 && only !== undefined ? await rowInWords(db, columns, table, only) : rowsInWords(rows);
  return words.charAt(0).toUpperCase() + words.slice(1);
}
