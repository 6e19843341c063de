import { type ChangeOf, sourcesOf, subsetVariables, type Variable } from '@ivlen/contract';
import type { AppliedChange, ChangeContext } from '../changes/applied-change';
import { freeId } from '../changes/free-id';
import { inChunks } from '../columns/chunk-codec';
import { insertColumn } from '../columns/column-repository';
import { type Columns, type Table, variableOf } from '../columns/columns';
import type { Connection } from '../database/connect';
import { DomainError } from '../errors/domain-error';
import { READ_AS } from '../imports/text-numbers';
import { withLimitVariable } from '../limits/limit-variable';
import { LimitCollector, limitCodes } from '../limits/told-limits';
import { countOf, rowsPhrase } from '../phrases/phrases';
import { previewReading, readTexts } from './read-texts';

const NAMED = 3;

/** The texts of a measured variable with the code of each row. @throws {DomainError} a variable that holds none */
export async function textsOf(db: Connection, columns: Columns, table: Table, id: string) {
  const variable = variableOf(table, id);
  if (variable.storage !== 'code' || variable.derivation) {
    throw new DomainError('no-texts', `${variable.name} holds no texts that could be read as numbers.`, {
      where: variable.name,
      hint: variable.derivation ? 'It is computed from another variable: read that one again.' : 'It is numbers or dates already.',
    });
  }
  return { variable, texts: await columns.dictionary(db, table, id), codes: await columns.values(db, table, id) };
}

/** Reads a variable's texts as numbers from here on; what is none becomes missing, and is told. */
export async function readAsNumbers(
  context: ChangeContext,
  { variable: id, reading }: ChangeOf<'read-as-numbers'>,
): Promise<AppliedChange> {
  const { db, table, columns, number } = context;
  const { variable, texts, codes } = await textsOf(db, columns, table, id);
  refuseWhereUsed(table, variable);
  const { values: byText, isLimit, unit } = readTexts(texts, reading);
  const { cells, read, resisting, limits } = previewReading(texts, codes, reading);
  if (read === 0) {
    throw new DomainError('no-numbers', `None of the ${countOf(cells, 'cell')} of ${variable.name} holds a number.`, {
      where: variable.name,
      hint: 'Choose other marks for decimals and thousands, or keep it as text.',
    });
  }
  const values = codes.map((code) => (code === code ? (byText[code] ?? Number.NaN) : code));
  await insertColumn(db, { study: table.study, revision: number }, { variable: id, chunks: () => inChunks(values), dictionary: null });
  const told =
    limits > 0 ? `${countOf(limits, 'cell')} ${limits === 1 ? 'tells' : 'tell'} a limit only, read ${READ_AS[reading.limits]}.` : null;
  const asNumbers: Variable = {
    ...variable,
    storage: 'number',
    kind: values.every((value) => value !== value || Number.isInteger(value)) ? 'discrete' : 'continuous',
    unit: variable.unit ?? (unit || null),
    role: variable.role === 'grouping' ? null : variable.role,
    valueLabels: {},
    note: [variable.note, told].filter(Boolean).join(' ') || null,
    version: number,
  };
  const { changed, kept } = limits > 0 ? await keepLimits(context, asNumbers, { texts, codes, isLimit }) : { changed: asNumbers, kept: [] };
  const lost = cells - read;
  const named = resisting.slice(0, NAMED).map(({ text, rows, count }) => `“${text.slice(0, 24)}” in ${rowsPhrase(rows, count)}`);
  const missing =
    lost === 0
      ? ''
      : `; ${countOf(lost, 'cell')} of text became missing: ${named.join(', ')}${resisting.length > NAMED ? ' and others' : ''}`;
  return {
    kind: 'read-again',
    summary: `${variable.name} is read as numbers (${countOf(read, 'cell')})${limits > 0 ? `, ${countOf(limits, 'cell')} below or above a limit ${READ_AS[reading.limits]}` : ''}${kept.map(({ name }) => ` (the limits are kept in ${name})`).join('')}${missing}`,
    state: { ...table.state, variables: table.state.variables.flatMap((item) => (item.id === id ? [changed, ...kept] : [item])) },
  };
}

/** Keeps the limits as a variable of its own. */
async function keepLimits(
  { db, table, number }: ChangeContext,
  variable: Variable,
  { texts, codes, isLimit }: { texts: readonly string[]; codes: Float64Array; isLimit: readonly boolean[] },
): Promise<{ changed: Variable; kept: Variable[] }> {
  const collector = new LimitCollector();
  for (const [row, code] of codes.entries()) if (isLimit[code]) collector.add(row, (texts[code] ?? '').trim());
  const { found } = collector;
  const { limit, noted } = withLimitVariable(variable, {
    id: freeId(table.state, number),
    version: number,
    names: new Set(table.state.variables.map(({ name }) => name)),
    texts: found.texts,
  });
  const column = { variable: limit.id, chunks: () => inChunks(limitCodes(found, codes.length)), dictionary: found.texts };
  await insertColumn(db, { study: table.study, revision: number }, column);
  return { changed: noted, kept: [limit] };
}

/** What names its texts would no longer find them. */
function refuseWhereUsed({ state }: Table, { id, name }: Variable): void {
  const named = state.namedSubsets.find(({ subset }) => subsetVariables(subset).includes(id));
  const derived = state.variables.find(({ derivation }) => derivation && sourcesOf(derivation).includes(id));
  const used =
    state.subset && subsetVariables(state.subset).includes(id)
      ? 'the subset in force'
      : named
        ? `the subset “${named.name}”`
        : derived
          ? derived.name
          : null;
  if (used === null) return;
  throw new DomainError('texts-in-use', `${name} cannot be read as numbers while ${used} goes by its texts.`, {
    where: name,
    hint: 'Take that away first; undo brings it back.',
  });
}
