import { makesGroups, type Study, type SummaryResult, type Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery, categoriesQuery } from '../api/queries';
import { useSettings } from './use-settings';

export interface Group {
  /** The stored value of the grouping variable. */
  readonly value: number;
  readonly label: string;
}

export interface Grouping {
  /** The variable whose groups are compared; null where none was chosen, and none is fit to begin with. */
  readonly by: Variable | null;
  /** Those that make groups. */
  readonly candidates: readonly Variable[];
  choose(variable: string): void;
}

/** The grouping variable of a study, the same for all stages; undefined while it loads. */
export function useGrouping(study: Study): Grouping | undefined {
  const { variables } = study.state;
  const candidates = useMemo(() => variables.filter(makesGroups), [variables]);
  const { settings, change } = useSettings(study.id, 'grouping', NOTHING_CHOSEN);
  const { data: summary } = useQuery(analysisQuery(study.id, study.head, { kind: 'summary' }));
  return useMemo(() => {
    if (!settings) return undefined;
    const chosen = candidates.find(({ id }) => id === settings.variable);
    if (!chosen && !summary) return undefined;
    return { by: chosen ?? firstGrouping(candidates, summary), candidates, choose: (variable) => change({ variable }) };
  }, [settings, candidates, summary, change]);
}

const NOTHING_CHOSEN = { variable: null };
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
export function useGroups(study: Study, by: Variable | null): readonly Group[] | null | undefined {
  const { data } = useQuery({ ...categoriesQuery(study.id, study.head, by?.id ?? ''), enabled: by !== null });
  return useMemo(() => {
    if (!by || !data) return undefined;
    return data.categories?.map(({ text, value }) => ({ value, label: by.valueLabels[text] ?? text })) ?? null;
  }, [by, data]);
}
