import type { Rule, Subset, Variable } from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';
import { readPlainNumber } from './read-plain-number';

/** A variable with its values and, for texts, their dictionary. */
export interface RuleColumn {
  readonly variable: Variable;
  readonly values: Float64Array;
  readonly dictionary: readonly string[];
}

/** Which rows fulfil a subset's rules, a byte for each. @throws {DomainError} a rule that does not fit its variable. */
export function rowsInSubset({ join, rules }: Subset, columns: ReadonlyMap<string, RuleColumn>, rows: number): Uint8Array {
  const masks = rules.map((rule) => rowsUnderRule(rule, columns, rows));
  const result = new Uint8Array(rows).fill(join === 'all' ? 1 : 0);
  for (const mask of masks) {
    for (let row = 0; row < rows; row++) {
      const [sofar, under] = [result[row] ?? 0, mask[row] ?? 0];
      result[row] = join === 'all' ? sofar & under : sofar | under;
    }
  }
  return result;
}

function rowsUnderRule(rule: Rule, columns: ReadonlyMap<string, RuleColumn>, rows: number): Uint8Array {
  const mask = new Uint8Array(rows);
  if (rule.type === 'rows') {
    if (rule.from > rule.to)
      throw new DomainError('range-turned', `Row ${rule.from} comes after row ${rule.to}.`, { hint: 'Swap the two.' });
    for (let row = 0; row < rows; row++) mask[row] = (row >= rule.from - 1 && row <= rule.to - 1) !== rule.not ? 1 : 0;
    return mask;
  }
  const column = columns.get(rule.variable);
  if (!column)
    throw new DomainError('no-such-variable', 'A rule is about a variable that the study does not have.', {
      where: rule.variable,
      hint: 'Remove the rule.',
    });
  const { values } = column;
  if (rule.type === 'missing') {
    for (let row = 0; row < rows; row++) mask[row] = Number.isNaN(values[row]) !== rule.not ? 1 : 0;
    return mask;
  }
  const fulfils = rule.type === 'between' ? within(rule, column.variable) : isOneOf(rule.values, column);
  for (let row = 0; row < rows; row++) {
    const value = values[row] ?? Number.NaN;
    // A missing value is neither among some values nor outside them.
    mask[row] = value === value && fulfils(value) !== rule.not ? 1 : 0;
  }
  return mask;
}

function within({ low, high }: { low: number | null; high: number | null }, variable: Variable): (value: number) => boolean {
  if (variable.storage === 'code') {
    throw new DomainError('rule-does-not-fit', `${variable.name} holds text, which has no size.`, {
      where: variable.name,
      hint: 'Choose some of its values instead.',
    });
  }
  if (low !== null && high !== null && low > high) {
    throw new DomainError('range-turned', `${variable.name}: ${low} is above ${high}.`, { where: variable.name, hint: 'Swap the two.' });
  }
  return (value) => (low === null || value >= low) && (high === null || value <= high);
}

function isOneOf(texts: readonly string[], { variable, dictionary }: RuleColumn): (value: number) => boolean {
  const wanted = new Set(variable.storage === 'code' ? texts.map((text) => dictionary.indexOf(text)) : texts.map(readPlainNumber));
  return (value) => wanted.has(value);
}
