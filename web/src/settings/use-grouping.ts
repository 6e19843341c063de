import { type GroupsOf, labelOf, MOST_COMPARED, makesGroups, type Study, type SummaryResult, type Variable } from '@ivlen/contract';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery, categoriesQuery } from '../api/queries';
import { useSettings } from './use-settings';

export interface Group {
  /** The stored value of the grouping variable. */
  readonly value: number;
  readonly label: string;
}

export interface CountedGroup extends Group {
  /** Rows of the table that have it. */
  readonly rows: number;
}

export interface Grouping {
  /** The variable whose groups are compared; null where none was chosen, and none is fit to begin with. */
  readonly by: Variable | null;
  /** Those that make groups. */
  readonly candidates: readonly Variable[];
  /** Stored values of the groups that were chosen to take part; null where none were. */
  readonly chosen: readonly number[] | null;
  /** Whether the rows without a group are one of their own. */
  readonly withoutOne: boolean;
  choose(variable: string): void;
  /** Which groups take part; null for all, or the largest of many. */
  take(groups: readonly number[] | null): void;
  takeWithoutOne(on: boolean): void;
}

/** The grouping variable of a study, the same for all stages; undefined while it loads. */
export function useGrouping(study: Study): Grouping | undefined {
  const { variables } = study.state;
  const candidates = useMemo(() => variables.filter(makesGroups), [variables]);
  const { settings, change } = useSettings(study.id, 'grouping', NOTHING_CHOSEN);
  // After a decision the grouping stays what it was until the new head is summed up: what it is chosen in stays open.
  const { data: summary } = useQuery({ ...analysisQuery(study.id, study.head, { kind: 'summary' }), placeholderData: keepPreviousData });
  return useMemo(() => {
    if (!settings) return undefined;
    const set = candidates.find(({ id }) => id === settings.variable);
    if (!set && !summary) return undefined;
    const by = set ?? firstGrouping(candidates, summary);
    const variable = by?.id ?? null;
    return {
      by,
      candidates,
      chosen: settings.groups,
      withoutOne: settings.withoutOne,
      choose: (next) => change({ variable: next, groups: next === variable ? settings.groups : null, withoutOne: settings.withoutOne }),
      take: (groups) => change({ ...settings, variable, groups: groups && [...groups] }),
      takeWithoutOne: (withoutOne) => change({ ...settings, variable, withoutOne }),
    };
  }, [settings, candidates, summary, change]);
}

const NOTHING_CHOSEN = { variable: null, groups: null, withoutOne: false };
/** Groups that a study begins with: not more, and of so many rows on the average. */
const [MOST_GROUPS, FEWEST_ROWS] = [12, 5];

/** The variable said to be one, or else the first nominal one with a few groups of enough rows; null if there is none. */
export function firstGrouping(candidates: readonly Variable[], summary: SummaryResult | undefined): Variable | null {
  const fits = ({ id, kind }: Variable) => {
    const { n = 0, distinct = 0, missing = 0 } = summary?.variables.find((item) => item.id === id) ?? {};
    // One that most rows lack, such as a limit of measurement, would leave most rows out.
    return kind === 'nominal' && distinct > 1 && distinct <= MOST_GROUPS && n >= FEWEST_ROWS * distinct && n >= missing;
  };
  return candidates.find(({ role }) => role === 'grouping') ?? candidates.find(fits) ?? null;
}

/** The groups of a variable, by the labels of the codebook; undefined while they load, null where there are too many to list. */
export function useGroups(study: Study, by: Variable | null): readonly CountedGroup[] | null | undefined {
  const { data } = useQuery({ ...categoriesQuery(study.id, study.head, by?.id ?? ''), enabled: by !== null });
  return useMemo(() => {
    if (!by || !data) return undefined;
    return data.categories?.map(({ text, value, rows }) => ({ value, label: labelOf(by.valueLabels, text) ?? text, rows })) ?? null;
  }, [by, data]);
}

/** A group that takes part, with the number that gives it its colour and shape. */
export interface TakingGroup extends CountedGroup {
  readonly style: number;
}

/** The groups of the grouping variable that take part, the same on all stages. */
export interface TakingPart {
  readonly by: Variable;
  /** All groups of the variable. */
  readonly all: readonly CountedGroup[];
  readonly groups: readonly TakingGroup[];
  /** Whether some groups take no part. */
  readonly isSome: boolean;
  /** Whether they are the largest of many, since nobody chose. */
  readonly isLargest: boolean;
  /** As a request names them. */
  readonly request: Pick<GroupsOf, 'by' | 'only' | 'withoutOne'>;
}

/** undefined while it loads; null where nothing makes groups, or too many groups to be listed. */
export function useTakingPart(study: Study, grouping: Grouping | undefined): TakingPart | null | undefined {
  const by = grouping?.by ?? null;
  const all = useGroups(study, by);
  return useMemo(() => {
    if (!grouping || (by && all === undefined)) return undefined;
    return by && all ? takingPart(by, all, grouping.chosen, grouping.withoutOne) : null;
  }, [grouping, by, all]);
}

/** Those chosen that are still there; without a choice all, or of more than twelve the twelve largest. */
export function takingPart(by: Variable, all: readonly CountedGroup[], chosen: readonly number[] | null, withoutOne: boolean): TakingPart {
  const wanted = new Set(chosen);
  const there = all.filter(({ value }) => wanted.has(value)).slice(0, MOST_COMPARED);
  const isChosen = there.length >= 2;
  const largest = new Set(
    all
      .toSorted((a, b) => b.rows - a.rows)
      .slice(0, MOST_GROUPS)
      .map(({ value }) => value),
  );
  const taking = isChosen ? there : all.filter(({ value }) => largest.has(value));
  // A group keeps its colour and shape whichever others take part, as long as there are enough of them for all.
  const styled = all.length <= MOST_COMPARED ? all : taking;
  const places = new Map(styled.map(({ value }, place) => [value, place]));
  const isSome = taking.length < all.length;
  return {
    by,
    all,
    groups: taking.map((group) => ({ ...group, style: places.get(group.value) ?? 0 })),
    isSome,
    isLargest: isSome && !isChosen,
    request: { by: by.id, only: isSome ? taking.map(({ value }) => value).sort((a, b) => a - b) : null, withoutOne },
  };
}
