import { labelOf, makesGroups } from '@ivlen/contract';
import { firstGrouping, type TakingPart, takingPart } from '../settings/use-grouping';
import type { Asking } from './asking';

/** The groups that take part by the study's own choice; null where nothing makes groups, or too many to be listed. */
export async function groupingOf(asking: Asking): Promise<TakingPart | null> {
  const { study } = asking;
  const { variable, groups, withoutOne } = await asking.settings('grouping');
  const candidates = study.state.variables.filter(makesGroups);
  const set = candidates.find(({ id }) => id === variable);
  const by = set ?? firstGrouping(candidates, await asking.ask({ kind: 'summary' }));
  return by ? takingPartOf(asking, by.id, groups, withoutOne) : null;
}

/** Some groups of a variable, with their names, colours and shapes. */
export async function takingPartOf(
  asking: Asking,
  variable: string,
  chosen: readonly number[] | null,
  withoutOne: boolean,
): Promise<TakingPart | null> {
  const by = asking.study.state.variables.find(({ id }) => id === variable);
  const { categories } = await asking.categories(variable);
  if (!by || !categories) return null;
  const all = categories.map(({ text, value, rows }) => ({ value, label: labelOf(by.valueLabels, text) ?? text, rows }));
  return takingPart(by, all, chosen, withoutOne);
}
