import type { ChangeOf } from '@ivlen/contract';
import { inChunks } from '../columns/chunk-codec';
import { insertColumn } from '../columns/column-repository';
import { DomainError } from '../errors/domain-error';
import { countOf } from '../phrases/phrases';
import { newVariable } from '../studies/new-variable';
import type { AppliedChange, ChangeContext } from './applied-change';
import { chosenRows } from './chosen-rows';
import { assertNameFree } from './edit-entries';
import { freeId } from './free-id';
import { setSubset } from './subsets';

/** Codes of the two groups, in the order of their texts. */
const CHOSEN = 0;
const OTHERS = 1;

/** Keeps some rows as one of the two groups of a new nominal variable, so that they can be found, named and compared again. */
export async function keepSelection(
  context: ChangeContext,
  { name, choice, chosen, others, useOnly }: ChangeOf<'keep-selection'>,
): Promise<AppliedChange> {
  const { db, table, number } = context;
  assertNameFree(table.state, name, null);
  if (chosen === others) {
    throw new DomainError('groups-alike', `Both groups would be called “${chosen}”.`, { hint: 'Give the two different words.' });
  }
  const rows = await chosenRows(context, choice);
  if (rows.length === 0) throw new DomainError('no-rows', 'No row is chosen.', { hint: 'Choose some rows first.' });
  const codes = new Float64Array(table.rows).fill(OTHERS);
  for (const row of rows) codes[row] = CHOSEN;
  const variable = newVariable({ id: freeId(table.state, number), name, kind: 'nominal', storage: 'code', version: number });
  const chunks = () => inChunks(codes);
  await insertColumn(db, { study: table.study, revision: number }, { variable: variable.id, chunks, dictionary: [chosen, others] });
  const state = { ...table.state, variables: [...table.state.variables, variable] };
  const summary = `${name} tells ${countOf(rows.length, 'row')} (${chosen}) from all others (${others})`;
  if (!useOnly) return { kind: 'selection', summary, state };
  const rule = { type: 'one-of' as const, variable: variable.id, values: [chosen], not: false };
  const narrowed = await setSubset({ ...context, table: { ...table, state } }, { join: 'all', rules: [rule] });
  return { kind: 'selection', summary: `${summary}; only the ${chosen} ones are used`, state: narrowed.state };
}
