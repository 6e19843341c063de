import { type ChangeOf, labelOf, type Variable } from '@ivlen/contract';
import { CHUNK_ROWS } from '../columns/chunk-codec';
import { insertChunk, insertDictionary, selectChunk, selectDictionary } from '../columns/column-repository';
import { variableOf } from '../columns/columns';
import { DomainError } from '../errors/domain-error';
import { detectDateReader } from '../imports/date-reader';
import { countOf } from '../phrases/phrases';
import { readPlainNumber } from '../rows/read-plain-number';
import { rowInWords, rowsInWords } from '../rows/row-names';
import { writtenValue } from '../rows/written-value';
import { Turns } from '../workers/turns';
import { type AppliedChange, type ChangeContext, nothingChanges } from './applied-change';
import { assertRow } from './chosen-rows';

const REFUSED_NAMED = 3;
/** Cells between two looks at the clock. */
const CELLS_A_LOOK = 1000;

/** Writes a block of cells: new versions of the chunks that they stand in. */
export async function editCells(context: ChangeContext, change: ChangeOf<'edit-cells'>): Promise<AppliedChange> {
  const { table, number } = context;
  const variables = change.variables.map((id) => variableOf(table, id));
  assertBlock(change, variables, table.rows);
  const parsed: ParsedColumn[] = [];
  for (const [i, variable] of variables.entries())
    parsed.push(
      await parseCells(
        context,
        variable,
        change.cells.map((row) => row[i] ?? ''),
      ),
    );
  refuseUnreadable(parsed, change.rows);

  const before = await oneCellBefore(context, change);
  const edited = new Set<string>();
  let cells = 0;
  for (const column of parsed) {
    const count = await writeColumn(context, column, change.rows);
    if (count > 0) edited.add(column.variable.id);
    cells += count;
  }
  if (cells === 0) throw nothingChanges();
  const state = {
    ...table.state,
    variables: table.state.variables.map((variable) => (edited.has(variable.id) ? { ...variable, version: number } : variable)),
  };
  const summary =
    before ?? `${countOf(cells, 'cell')} of ${countOf(edited.size, 'variable')} corrected in ${rowsInWords(sortedRows(change.rows))}`;
  return { kind: 'cells', summary, state };
}

interface ParsedColumn {
  readonly variable: Variable;
  readonly values: Float64Array;
  /** Texts by code, with new ones at the end; null for numbers and dates. */
  readonly dictionary: string[] | null;
  readonly newTexts: number;
  /** Places in the block whose text could not be read. */
  readonly unreadable: readonly { readonly place: number; readonly text: string }[];
}

function assertBlock({ rows, cells }: ChangeOf<'edit-cells'>, variables: readonly Variable[], tableRows: number): void {
  const derived = variables.find(({ derivation }) => derivation !== null);
  if (derived) {
    throw new DomainError('derived', `${derived.name} is computed from other variables; its cells cannot be written.`, {
      where: derived.name,
      hint: 'Correct the values that it is computed from, or how it is computed.',
    });
  }
  if (cells.length !== rows.length || cells.some((row) => row.length !== variables.length)) {
    throw new DomainError('block-ragged', 'The block does not have the same number of cells in every row.', {
      hint: 'Copy a rectangle of cells.',
    });
  }
  assertRow(
    rows.reduce((last, row) => Math.max(last, row), 0),
    tableRows,
  );
}

async function parseCells({ db, table, head }: ChangeContext, variable: Variable, texts: readonly string[]): Promise<ParsedColumn> {
  const turns = new Turns();
  const dictionary = variable.storage === 'code' ? await selectDictionary(db, { study: table.study, revision: head }, variable.id) : null;
  const known = dictionary?.length ?? 0;
  const codes = new Map(dictionary?.map((text, code) => [text, code]));
  const unreadable: { place: number; text: string }[] = [];
  const read = (text: string, place: number): number => {
    if (text === '') return Number.NaN;
    if (dictionary) {
      if (!codes.has(text)) codes.set(text, dictionary.push(text) - 1);
      return codes.get(text) ?? Number.NaN;
    }
    const value = variable.storage === 'number' ? readPlainNumber(text) : (detectDateReader([text])?.(text) ?? Number.NaN);
    if (!Number.isFinite(value) && !variable.missingCodes.includes(text)) unreadable.push({ place, text });
    return Number.isFinite(value) ? value : Number.NaN;
  };
  const values = new Float64Array(texts.length);
  for (const [place, cell] of texts.entries()) {
    values[place] = read(cell.trim(), place);
    if (place % CELLS_A_LOOK === 0) await turns.pause();
  }
  return { variable, values, dictionary, newTexts: (dictionary?.length ?? 0) - known, unreadable };
}

function refuseUnreadable(columns: readonly ParsedColumn[], rows: readonly number[]): void {
  const found = columns.flatMap(({ variable, unreadable }) => unreadable.map((cell) => ({ variable, ...cell })));
  if (found.length === 0) return;
  const named = found
    .slice(0, REFUSED_NAMED)
    .map(({ variable, place, text }) => `“${text.slice(0, 24)}” for ${variable.name} in row ${rows[place]}`);
  const more = found.length > REFUSED_NAMED ? ` and ${countOf(found.length - REFUSED_NAMED, 'more', 'more')}` : '';
  const what = found[0]?.variable.storage === 'day' ? 'a date such as 2023-05-31' : 'a number with a decimal point, such as 7.4';
  throw new DomainError('cell-unreadable', `Nothing was written: ${named.join(', ')}${more} cannot be read.`, {
    where: found[0]?.variable.name ?? '',
    hint: `Write ${what}; an empty cell is a missing value.`,
  });
}

async function writeColumn({ db, table, head, number }: ChangeContext, column: ParsedColumn, rows: readonly number[]): Promise<number> {
  const { variable, values, dictionary, newTexts } = column;
  const byChunk = new Map<number, number[]>();
  for (const [place, row] of rows.entries()) {
    const chunk = Math.floor((row - 1) / CHUNK_ROWS);
    const places = byChunk.get(chunk);
    if (places) places.push(place);
    else byChunk.set(chunk, [place]);
  }
  let changed = 0;
  for (const [chunk, places] of byChunk) {
    const stored = await selectChunk(db, { study: table.study, revision: head }, variable.id, chunk);
    let differs = 0;
    for (const place of places) {
      const at = (rows[place] ?? 1) - 1 - chunk * CHUNK_ROWS;
      const value = values[place] ?? Number.NaN;
      if (Object.is(stored[at], value)) continue;
      stored[at] = value;
      differs++;
    }
    if (differs > 0) await insertChunk(db, { study: table.study, revision: number }, variable.id, chunk, stored);
    changed += differs;
  }
  if (changed > 0 && dictionary && newTexts > 0)
    await insertDictionary(db, { study: table.study, revision: number }, variable.id, dictionary);
  return changed;
}

/** "ph in row 74 (AS-031): 74 became 7.4", for a change of one cell. */
async function oneCellBefore(
  { db, columns, table, head }: ChangeContext,
  { variables, rows, cells }: ChangeOf<'edit-cells'>,
): Promise<string | null> {
  const [id, row, text] = [variables[0], rows[0], cells[0]?.[0]];
  if (variables.length !== 1 || rows.length !== 1 || id === undefined || row === undefined || text === undefined) return null;
  const variable = variableOf(table, id);
  const place = { study: table.study, revision: head };
  const chunk = Math.floor((row - 1) / CHUNK_ROWS);
  const value = (await selectChunk(db, place, id, chunk))[row - 1 - chunk * CHUNK_ROWS] ?? Number.NaN;
  const shown = (written: string | null) => (written ? (labelOf(variable.valueLabels, written) ?? written) : 'missing');
  const before = shown(writtenValue(value, variable, await columns.dictionary(db, table, id)));
  return `${variable.name} in ${await rowInWords(db, columns, table, row - 1)}: ${before} became ${shown(text.trim())}`;
}

function sortedRows(rows: readonly number[]): number[] {
  return rows.map((row) => row - 1).sort((a, b) => a - b);
}
