import type { ScatterplotSettings, Study, Variable } from '@ivlen/contract';
import { useMemo } from 'react';
import { MOST_GROUPS } from '../../figures/group-styles';
import { type Group, type Grouping, type TakingPart, useTakingPart } from '../../settings/use-grouping';
import { displayName } from '../../study/variable-name';

/** The groups that are told apart in the panels. */
export interface GroupsShown {
  /** The variable that makes them; null where groups are not told apart, or are too many to be. */
  readonly by: Variable | null;
  /** Those that have a place, whether they take part or not. */
  readonly all: readonly Group[];
  /** Which of them take part; null where groups are not told apart. */
  readonly taking: TakingPart | null;
  /** Places in the list of those drawn, and of those that are not. */
  readonly shown: readonly number[];
  readonly hidden: readonly number[];
  /** Says why they are not told apart though that was asked for. */
  readonly refusal: string | null;
  readonly isLoading: boolean;
}

const NO_GROUPS: readonly Group[] = [];
const NO_GROUPING = undefined;

export function useGroupsShown(study: Study, grouping: Grouping | undefined, { perGroup, hidden }: ScatterplotSettings): GroupsShown {
  const wanted = perGroup ? (grouping?.by ?? null) : null;
  const taking = useTakingPart(study, wanted ? grouping : NO_GROUPING);
  return useMemo(() => {
    const none = NO_GROUPS_SHOWN;
    if (!wanted) return { ...none, isLoading: perGroup && grouping === undefined };
    if (taking === undefined) return { ...none, isLoading: true };
    if (taking === null) {
      return {
        ...none,
        refusal: `${displayName(wanted)} has more groups than can be listed; up to ${MOST_GROUPS} can be told apart by colour and shape.`,
      };
    }
    return groupsShown(wanted, taking, hidden);
  }, [wanted, taking, grouping, perGroup, hidden]);
}

/** The groups that take part, in all stages alike; where there are styles for all, each keeps its own. @param hidden stored values of those not drawn */
export function groupsShown(by: Variable, taking: TakingPart, hidden: readonly number[]): GroupsShown {
  const groups = taking.all.length <= MOST_GROUPS ? taking.all : taking.groups;
  const takes = new Set(taking.groups.map(({ value }) => value));
  const places = [...groups.keys()];
  const isShown = (place: number) => {
    const value = groups[place]?.value ?? Number.NaN;
    return takes.has(value) && !hidden.includes(value);
  };
  return {
    by,
    all: groups,
    taking,
    shown: places.filter(isShown),
    hidden: places.filter((place) => !isShown(place)),
    refusal: null,
    isLoading: false,
  };
}

/** Groups are not told apart. */
export const NO_GROUPS_SHOWN: GroupsShown = {
  by: null,
  all: NO_GROUPS,
  taking: null,
  shown: [],
  hidden: [],
  refusal: null,
  isLoading: false,
};
