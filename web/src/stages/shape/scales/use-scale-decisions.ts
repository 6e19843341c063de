import type { ComparedScale, Study, Variable } from '@ivlen/contract';
import { useWorkingSet } from '../../../settings/use-working-set';
import { useStudyChanges } from '../../../study/use-study-changes';

export type OtherScale = Exclude<ComparedScale, 'raw'>;

export interface ScaleChoice {
  readonly variable: Variable;
  readonly scale: OtherScale;
  /** Added to every value first. */
  readonly shift: number;
}

/** Deciding on the scale of variables: each decision is a line in the trail, with the numbers it rests on. */
export function useScaleDecisions(study: Study) {
  const workingSet = useWorkingSet(study);
  const { change } = useStudyChanges(study);

  /** Makes a derived variable of each choice and puts it in the place of the raw one among the ticked. */
  const keep = async (choices: readonly ScaleChoice[]): Promise<void> => {
    let ticked = (workingSet?.variables ?? []).map(({ id }) => id);
    let state = study.state;
    try {
      for (const { variable, scale, shift } of choices) {
        ({ state } = await change.mutateAsync({
          change: {
            type: 'derive',
            definition: {
              name: `${scale.replace('-', '_')}_${variable.name}`,
              unit: null,
              derivation: { type: 'scale', source: variable.id, scale, shift },
            },
          },
        }));
        const kept = state.variables.find(
          ({ derivation }) => derivation?.type === 'scale' && derivation.source === variable.id && derivation.scale === scale,
        );
        if (!kept) continue;
        // In the raw variable's place; one that was not ticked comes last.
        ticked = ticked.includes(variable.id) ? ticked.map((id) => (id === variable.id ? kept.id : id)) : [...ticked, kept.id];
      }
    } catch {
      // The failure was told already; what was kept before it stays.
    }
    if (state !== study.state) workingSet?.replace(ticked, state.variables);
  };

  /** Writes down that none helped, and where wanted has the variable's pairs correlated by ranks. */
  const keepNone = async (variable: Variable, byRanks: { readonly because: string } | null): Promise<void> => {
    try {
      await change.mutateAsync({ change: { type: 'no-scale-kept', variable: variable.id } });
      if (!byRanks) return;
      await change.mutateAsync({
        change: { type: 'set-pair-method', variable: variable.id, method: 'spearman' },
        reason: byRanks.because,
      });
    } catch {
      // The failure was told already.
    }
  };
  return { keep, keepNone, pending: change.isPending };
}
