import type { MergeMode, MergeSummary, StudyState, Variable } from '@ivlen/contract';
import type { ChangeContext } from '../changes/applied-change';
import { CHUNK_ROWS } from '../columns/chunk-codec';
import { insertChunk, insertDictionary, selectColumn, selectDictionary } from '../columns/column-repository';
import { SET_ASIDE, type Table } from '../columns/columns';
import { DomainError } from '../errors/domain-error';
import { writtenValue } from '../rows/written-value';
import { type ConvertedColumn, convertColumn } from './convert-column';
import { type Fit, fitColumns, type IncomingTable, incomingColumn, type TableWithLimits, withLimitColumns } from './incoming-table';
import { appendRows, matchRows, type RowMatch } from './match-rows';

const EXAMPLES = 3;
const GONE_BECAUSE = 'not in the corrected file';

/** What a merge is made of, before any column is read. */
interface MergePlan {
  readonly mode: MergeMode;
  readonly incoming: TableWithLimits;
  readonly table: Table;
  readonly fit: Fit;
  readonly match: RowMatch;
  readonly identifier: Variable | undefined;
}

type Source = Pick<ChangeContext, 'db' | 'table' | 'columns'>;

/** @throws {DomainError} 'nothing-fits' */
async function planMerge({ db, table, columns }: Source, file: IncomingTable, mode: MergeMode): Promise<MergePlan> {
  const { variables } = table.state;
  const incoming = withLimitColumns(file, variables);
  const fit = fitColumns(incoming, variables);
  if (fit.columns.size === 0) {
    throw new DomainError('nothing-fits', 'No column of the file is called like a variable of the study.', {
      where: fit.notInStudy.slice(0, 5).join(', '),
      hint: 'Give the columns the names that the study’s variables have; or make a study of its own of this file.',
    });
  }
  const [identifier] = variables.filter(({ id, kind }) => kind === 'identifier' && fit.columns.has(id));
  let before: (string | null)[] | null = null;
  let after: (string | null)[] | null = null;
  if (identifier) {
    const dictionary = await columns.dictionary(db, table, identifier.id);
    before = Array.from(await columns.values(db, table, identifier.id), (value) => writtenValue(value, identifier, dictionary));
    const column = fit.columns.get(identifier.id) ?? 0;
    const { values, dictionary: texts } = incomingColumn(incoming, column);
    const storage = incoming.preview.columns[column]?.storage ?? 'code';
    after = Array.from(values, (value) => writtenValue(value, { storage }, texts));
  }
  const rows = incoming.preview.rows;
  const match = (mode === 'add' ? appendRows : matchRows)(table.rows, rows, before, after);
  return { mode, incoming, table, fit, match, identifier };
}

/** What a merge would change; nothing is written. */
export async function previewMerge(source: Source, incoming: IncomingTable, mode: MergeMode): Promise<MergeSummary> {
  return (await runMerge(source, incoming, mode, async () => {})).summary;
}

/** Merges a file into a study: the columns of the revision that is being written. */
export async function applyMerge(context: ChangeContext, incoming: IncomingTable, mode: MergeMode, onColumn: () => void) {
  const { db, table, number } = context;
  const place = { study: table.study, revision: number };
  const { plan, summary } = await runMerge(context, incoming, mode, async (variable, before, merged) => {
    await writeChunks(context, variable.id, before, merged.values);
    if (merged.dictionary) await insertDictionary(db, place, variable.id, merged.dictionary);
    onColumn();
  });
  const state = await withRowsGone(context, plan);
  const variables = state.variables.map((variable) => (variable.derivation ? variable : { ...variable, version: number }));
  return { summary, rowCount: table.rows + summary.rowsAdded, state: { ...state, variables } };
}

interface MergedColumn {
  readonly values: Float64Array;
  readonly dictionary: string[] | null;
}

async function runMerge(
  source: Source,
  incoming: IncomingTable,
  mode: MergeMode,
  onMerged: (variable: Variable, before: Float64Array, merged: MergedColumn) => Promise<void>,
): Promise<{ plan: MergePlan; summary: MergeSummary }> {
  const plan = await planMerge(source, incoming, mode);
  const { db, table } = source;
  const variables: MergeSummary['variables'] = [];
  for (const variable of table.state.variables) {
    if (variable.derivation) continue;
    const place = { study: table.study, revision: variable.version };
    const before = await selectColumn(db, place, variable.id, table.rows);
    const known = variable.storage === 'code' ? await selectDictionary(db, place, variable.id) : [];
    const column = plan.fit.columns.get(variable.id);
    const merged = merge(before, column === undefined ? null : convertedFor(plan, column, variable, known), plan);
    for (const change of changesOf(variable, before, merged, known, plan)) variables.push(change);
    await onMerged(variable, before, merged);
  }
  const { match } = plan;
  return {
    plan,
    summary: {
      mode,
      matchedBy: match.byIdentifier ? (plan.identifier?.name ?? null) : null,
      notInFile: plan.fit.notInFile,
      notInStudy: plan.fit.notInStudy,
      rowsBefore: table.rows,
      rowsAdded: match.added,
      rowsGone: match.gone.length,
      repeated: match.repeated,
      cellsChanged: variables.reduce((sum, { changed }) => sum + changed, 0),
      variables,
    },
  };
}

function convertedFor({ incoming }: MergePlan, column: number, variable: Variable, known: readonly string[]): ConvertedColumn {
  const storage = incoming.preview.columns[column]?.storage ?? 'code';
  return convertColumn({ storage, ...incomingColumn(incoming, column) }, variable, known);
}

function merge(before: Float64Array, incoming: ConvertedColumn | null, { table, match }: MergePlan): MergedColumn & { unreadable: number } {
  const values = new Float64Array(table.rows + match.added).fill(Number.NaN, table.rows);
  values.set(before);
  if (incoming) for (let i = 0; i < match.targets.length; i++) values[match.targets[i] ?? 0] = incoming.values[i] ?? Number.NaN;
  return { values, dictionary: incoming?.dictionary ?? null, unreadable: incoming?.unreadable ?? 0 };
}

/** Cells of rows that were there before and now hold something else; what stood for missing and is missing now is the same. */
function changesOf(
  variable: Variable,
  before: Float64Array,
  { values, dictionary, unreadable }: MergedColumn & { unreadable: number },
  known: readonly string[],
  { mode }: MergePlan,
): MergeSummary['variables'] {
  const text = (value: number, texts: readonly string[]) => {
    const written = writtenValue(value, variable, texts);
    return written !== null && variable.missingCodes.includes(written) ? null : written;
  };
  let changed = 0;
  const examples: { row: number; before: string | null; after: string | null }[] = [];
  if (mode === 'replace') {
    for (let row = 0; row < before.length; row++) {
      const [was, is] = [before[row] ?? Number.NaN, values[row] ?? Number.NaN];
      if (Object.is(was, is)) continue;
      const [wasText, isText] = [text(was, known), text(is, dictionary ?? known)];
      if (wasText === isText) {
        values[row] = was;
        continue;
      }
      changed++;
      if (examples.length < EXAMPLES) examples.push({ row: row + 1, before: wasText, after: isText });
    }
  }
  return changed + unreadable > 0 ? [{ id: variable.id, changed, unreadable, examples }] : [];
}

/** Writes the chunks that differ, and those of added rows. */
async function writeChunks({ db, table, number }: ChangeContext, id: string, before: Float64Array, values: Float64Array): Promise<void> {
  for (let chunk = 0; chunk * CHUNK_ROWS < values.length; chunk++) {
    const [start, end] = [chunk * CHUNK_ROWS, Math.min(values.length, (chunk + 1) * CHUNK_ROWS)];
    const part = values.subarray(start, end);
    if (end <= before.length && part.every((value, i) => Object.is(value, before[start + i]))) continue;
    await insertChunk(db, { study: table.study, revision: number }, id, chunk, part);
  }
}

/** Sets rows aside that the file has no longer, and gives new rows their place in that column. */
async function withRowsGone(context: ChangeContext, { match }: MergePlan): Promise<StudyState> {
  const { db, table, columns, number } = context;
  const { setAside } = table.state;
  if (!setAside && match.gone.length === 0) return table.state;
  const before = (await columns.reasonCodes(db, table)) ?? new Float64Array(0);
  const codes = new Float64Array(table.rows + match.added);
  codes.set(before);
  const reasons = [...(setAside?.reasons ?? [])];
  if (match.gone.length > 0 && !reasons.includes(GONE_BECAUSE)) reasons.push(GONE_BECAUSE);
  for (const row of match.gone) if (codes[row] === 0) codes[row] = reasons.indexOf(GONE_BECAUSE) + 1;
  await writeChunks(context, SET_ASIDE, before, codes);
  const count = codes.reduce((sum, code) => sum + (code === 0 ? 0 : 1), 0);
  return { ...table.state, setAside: { reasons, count, version: number } };
}
