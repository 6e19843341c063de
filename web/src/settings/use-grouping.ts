import type { Study, Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { categoriesQuery } from '../api/queries';
import { useSettings } from './use-settings';

export interface Group {
  /** The stored value of the grouping variable. */
  readonly value: number;
  readonly label: string;
}

export interface Grouping {
  /** The variable whose groups are compared; null where the study has none that makes groups. */
  readonly by: Variable | null;
  /** Those that make groups. */
  readonly candidates: readonly Variable[];
  choose(variable: string): void;
}

/** The grouping variable of a study, the same for all stages; undefined while it loads. */
export function useGrouping(study: Study): Grouping | undefined {
  const { variables } = study.state;
  const candidates = useMemo(() => variables.filter(makesGroups), [variables]);
  const first = candidates.find(({ role }) => role === 'grouping') ?? candidates[0];
  const defaults = useMemo(() => ({ variable: first?.id ?? null }), [first]);
  const { settings, change } = useSettings(study.id, 'grouping', defaults);
  return useMemo(
    () =>
      settings && {
        by: candidates.find(({ id }) => id === settings.variable) ?? first ?? null,
        candidates,
        choose: (variable) => change({ variable }),
      },
    [settings, candidates, first, change],
  );
}

/** Whether a variable's values are groups. */
export function makesGroups({ kind, role }: Variable): boolean {
  return kind === 'nominal' || kind === 'ordinal' || role === 'grouping';
}

/** The groups of a variable, by the labels of the codebook; undefined while they load, null where there are too many to list. */
export function useGroups(study: Study, by: Variable | null): readonly Group[] | null | undefined {
  const { data } = useQuery({ ...categoriesQuery(study.id, study.head, by?.id ?? ''), enabled: by !== null });
  return useMemo(() => {
    if (!by || !data) return undefined;
    return data.categories?.map(({ text, value }) => ({ value, label: by.valueLabels[text] ?? text })) ?? null;
  }, [by, data]);
}
