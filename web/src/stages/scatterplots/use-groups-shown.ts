import type { ScatterplotSettings, Study, Variable } from '@ivlen/contract';
import { useMemo } from 'react';
import { MOST_GROUPS } from '../../figures/group-styles';
import { type Group, type Grouping, useGroups } from '../../settings/use-grouping';
import { displayName } from '../../study/variable-name';

/** The groups that are told apart in the panels. */
export interface GroupsShown {
  /** The variable that makes them; null where groups are not told apart, or are too many to be. */
  readonly by: Variable | null;
  readonly all: readonly Group[];
  /** Places in the list of those drawn, and of those that are not. */
  readonly shown: readonly number[];
  readonly hidden: readonly number[];
  /** Says why they are not told apart though that was asked for. */
  readonly refusal: string | null;
  readonly isLoading: boolean;
}

const NO_GROUPS: readonly Group[] = [];

export function useGroupsShown(study: Study, grouping: Grouping | undefined, { perGroup, hidden }: ScatterplotSettings): GroupsShown {
  const wanted = perGroup ? (grouping?.by ?? null) : null;
  const groups = useGroups(study, wanted);
  return useMemo(() => {
    const none = { by: null, all: NO_GROUPS, shown: [], hidden: [], refusal: null, isLoading: false };
    if (!wanted) return { ...none, isLoading: perGroup && grouping === undefined };
    if (groups === undefined) return { ...none, isLoading: true };
    if (groups === null || groups.length > MOST_GROUPS) {
      const count = groups === null ? 'more groups than can be listed' : `${groups.length} groups`;
      return {
        ...none,
        refusal: `${displayName(wanted)} has ${count}; up to ${MOST_GROUPS} can be told apart by colour and shape.`,
      };
    }
    const places = [...groups.keys()];
    const isHidden = (place: number) => hidden.includes(groups[place]?.value ?? Number.NaN);
    return { ...none, by: wanted, all: groups, shown: places.filter((place) => !isHidden(place)), hidden: places.filter(isHidden) };
  }, [wanted, groups, grouping, perGroup, hidden]);
}
