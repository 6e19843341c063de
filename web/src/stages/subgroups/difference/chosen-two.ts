import type { SubgroupSettings } from '@ivlen/contract';
import type { TakingGroup, TakingPart } from '../../../settings/use-grouping';

export const REST = 'rest';

/** The two groups whose difference is shown: those chosen, as long as they take part; else the first two. */
export function chosenTwo(
  { groups }: Pick<TakingPart, 'groups'>,
  { first, second }: Pick<SubgroupSettings, 'first' | 'second'>,
): { readonly first: TakingGroup; readonly second: TakingGroup | typeof REST } {
  const one = groups.find(({ value }) => value === first) ?? groups.find(({ value }) => value !== second) ?? NO_GROUP;
  if (second === REST && groups.length > 2) return { first: one, second: REST };
  const others = groups.filter(({ value }) => value !== one.value);
  return { first: one, second: others.find(({ value }) => value === second) ?? others[0] ?? NO_GROUP };
}

const NO_GROUP: TakingGroup = { value: Number.NaN, label: 'no group', rows: 0, style: 0 };

/** Only the two take part; one against all others needs all that do. */
export function takingTwo(taking: TakingPart, first: TakingGroup, second: TakingGroup | typeof REST): TakingPart {
  if (second === REST) return { ...taking, all: [first, ...taking.all.filter(({ value }) => value !== first.value)] };
  return {
    ...taking,
    // As they are chosen: the first less the second.
    all: [first, second],
    groups: [first, second],
    isSome: true,
    isLargest: false,
    request: { ...taking.request, only: [first.value, second.value].sort((a, b) => a - b), withoutOne: false },
  };
}
