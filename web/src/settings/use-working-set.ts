import { canBeCorrelated, firstWorkingSet, MOST_TICKED, type Study, type Variable } from '@ivlen/contract';
import { useMemo } from 'react';
import { toast } from 'sonner';
import { useSettings } from './use-settings';

export interface WorkingSet {
  /** The ticked variables that can be correlated, in their order: that of the codebook until it is changed. */
  readonly variables: readonly Variable[];
  has(id: string): boolean;
  /** Ticks or unticks some variables. */
  set(ids: readonly string[], ticked: boolean): void;
  /** Ticks exactly these, in this order; `among` are the variables of a state that is newer than the one on screen. */
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
    const usable = (ids: readonly string[], among: readonly Variable[] = all) =>
      ids.flatMap((id) => among.filter((variable) => variable.id === id && canBeCorrelated(variable)));
    const save = (ids: readonly string[], among: readonly Variable[] = all) => {
      const wanted = usable(ids, among).map(({ id }) => id);
      if (wanted.length > MOST_TICKED) tellNotTicked(wanted.length - MOST_TICKED);
      change({ variables: wanted.slice(0, MOST_TICKED) });
    };
    return {
      variables: usable(settings.variables),
      has: (id) => ticked.has(id),
      set: (ids, on) => {
        if (!on) return save(settings.variables.filter((id) => !ids.includes(id)));
        const codebook = all.map(({ id }) => id);
        const more = ids.filter((id) => !ticked.has(id));
        // What is ticked already stays: the new ones wait.
        const room = Math.max(0, MOST_TICKED - usable(settings.variables).length);
        if (more.length > room) tellNotTicked(more.length - room);
        save(more.slice(0, room).reduce((order, id) => placed(order, id, codebook), settings.variables));
      },
      replace: (ids, among) => save([...new Set(ids)], among),
    };
  }, [all, settings, change]);
}

function tellNotTicked(count: number): void {
  toast.warning(`Up to ${MOST_TICKED} variables can be ticked: ${count.toLocaleString('en-GB')} more ${count === 1 ? 'was' : 'were'} not.`);
}

/** An order with one more: after the last of those that stand before it in the codebook, so that all else stays. */
function placed(order: readonly string[], id: string, codebook: readonly string[]): string[] {
  const place = codebook.indexOf(id);
  const before = order.findLastIndex((item) => codebook.indexOf(item) < place);
  return [...order.slice(0, before + 1), id, ...order.slice(before + 1)];
}
