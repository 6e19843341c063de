import { canBeCorrelated, firstWorkingSet, type Study, type Variable } from '@ivlen/contract';
import { useMemo } from 'react';
import { useSettings } from './use-settings';

export interface WorkingSet {
  /** The ticked variables that can be correlated, in the order of the codebook. */
  readonly variables: readonly Variable[];
  has(id: string): boolean;
  /** Ticks or unticks some variables. */
  set(ids: readonly string[], ticked: boolean): void;
  /** Ticks exactly these; `among` are the variables of a state that is newer than the one on screen. */
  replace(ids: readonly string[], among?: readonly Variable[]): void;
}

/** The working set of a study; undefined while it loads. */
export function useWorkingSet(study: Study): WorkingSet | undefined {
  const all = study.state.variables;
  const defaults = useMemo(() => ({ variables: firstWorkingSet(all) }), [all]);
  const { settings, change } = useSettings(study.id, 'working-set', defaults);
  return useMemo(() => {
    if (!settings) return undefined;
    const ticked = new Set(settings.variables);
    const order = (ids: ReadonlySet<string>, among: readonly Variable[] = all) =>
      among.filter((variable) => ids.has(variable.id) && canBeCorrelated(variable));
    const save = (ids: ReadonlySet<string>, among: readonly Variable[] = all) =>
      change({ variables: order(ids, among).map(({ id }) => id) });
    return {
      variables: order(ticked),
      has: (id) => ticked.has(id),
      set: (ids, on) => {
        const next = new Set(ticked);
        for (const id of ids) {
          if (on) next.add(id);
          else next.delete(id);
        }
        save(next);
      },
      replace: (ids, among) => save(new Set(ids), among),
    };
  }, [all, settings, change]);
}
