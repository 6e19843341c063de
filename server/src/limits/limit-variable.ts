import type { Variable } from '@ivlen/contract';
import { newVariable } from '../studies/new-variable';

/** What the variable is called that keeps the limits of another. */
export function limitName(name: string): string {
  return `${name} (limit)`;
}

/**
 * The variable that keeps, cell by cell, which limits stood among the numbers of another: what the numbers were read as can
 * be told from them afterwards, rows can be coloured or left out by them, and exports carry them along.
 * @param names names that are taken
 * @returns it, and the other one with a note that it is there
 */
export function withLimitVariable(
  of: Variable,
  { id, version, names }: { id: string; version: number; names: ReadonlySet<string> },
): { limit: Variable; noted: Variable } {
  let name = limitName(of.name);
  for (let copy = 2; names.has(name); copy++) name = `${of.name} (limit ${copy})`;
  const limit = newVariable({
    id,
    name,
    label: `Limit that stood in ${of.name} in place of a value`,
    kind: 'nominal',
    storage: 'code',
    note: `Missing where ${of.name} holds a value that was measured.`,
    version,
  });
  return { limit, noted: { ...of, note: [of.note, `The limits are kept in ${name}.`].filter(Boolean).join(' ') } };
}
