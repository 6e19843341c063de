import { type ChangeOf, type NamedSubset, type StudyState, type Subset, subsetInWords } from '@ivlen/contract';
import { variableOf } from '../columns/columns';
import { DomainError } from '../errors/domain-error';
import { rowInWords } from '../rows/row-names';
import { type AppliedChange, type ChangeContext, nothingChanges } from './applied-change';

/** Uses only the rows that fulfil the rules, or all rows again. */
export async function setSubset({ db, table, columns }: ChangeContext, subset: Subset | null): Promise<AppliedChange> {
  const { state } = table;
  if (JSON.stringify(subset) === JSON.stringify(state.subset)) throw nothingChanges();
  if (!subset) return { kind: 'subset', summary: 'All rows in, no subset', state: { ...state, subset: null } };
  const mask = await columns.inSubset(db, table, subset);
  if (!mask.includes(1)) {
    throw new DomainError('subset-empty', `No row fulfils “${subsetInWords(subset, state.variables)}”.`, {
      hint: 'Loosen one of the rules.',
    });
  }
  return { kind: 'subset', summary: `Only rows where ${subsetInWords(subset, state.variables)}`, state: { ...state, subset } };
}

/** Keeps a subset under a name; one of the same name is replaced. */
export async function nameSubset({ db, table, columns }: ChangeContext, named: NamedSubset): Promise<AppliedChange> {
  const { state } = table;
  await columns.inSubset(db, table, named.subset);
  const others = state.namedSubsets.filter(({ name }) => name !== named.name);
  const summary = `Subset “${named.name}” kept: ${subsetInWords(named.subset, state.variables)}`;
  return { kind: 'subset-name', summary, state: { ...state, namedSubsets: [...others, named] } };
}

export function forgetSubset(state: StudyState, name: string): AppliedChange {
  const namedSubsets = state.namedSubsets.filter((named) => named.name !== name);
  if (namedSubsets.length === state.namedSubsets.length) throw nothingChanges();
  return { kind: 'subset-name', summary: `Subset “${name}” forgotten`, state: { ...state, namedSubsets } };
}

/** Writes down that a suspicious value was looked at and is right. */
export async function acceptValue(
  { db, table, columns }: ChangeContext,
  { variable: id, row, value }: ChangeOf<'accept-value'>,
): Promise<AppliedChange> {
  const variable = variableOf(table, id);
  const accepted = [...table.state.accepted.filter((item) => item.variable !== id || item.row !== row), { variable: id, row, value }];
  const summary = `${variable.name} in ${await rowInWords(db, columns, table, row - 1)}: ${value ?? 'missing'} is right`;
  return { kind: 'accepted', summary, state: { ...table.state, accepted } };
}
