import { rowsInUse, type Study, type Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../api/queries';
import { useOtherStories } from '../groups/use-other-stories';
import { useShapeMarks } from '../settings/use-shape-marks';
import { useWorkingSet } from '../settings/use-working-set';

/** Something of a stage that wants to be looked at: how many, what they are, and the list of just these. */
export interface Attention {
  readonly count: number;
  readonly words: string;
  /** Under the study's address. */
  readonly to: string;
}

const NONE: readonly Variable[] = [];
/** In larger tables looking through everything takes seconds; there the list itself does it. */
const CELLS_LOOKED_THROUGH = 1_000_000;

/** What wants attention, by stage; a stage without is left out. */
export function useAttention(study: Study): Readonly<Partial<Record<string, Attention>>> {
  const workingSet = useWorkingSet(study);
  const isCheap = rowsInUse(study) * study.state.variables.length <= CELLS_LOOKED_THROUGH;
  const { data } = useQuery({ ...analysisQuery(study.id, study.head, { kind: 'suspicious' }), enabled: isCheap });
  const { marked } = useShapeMarks(study, workingSet?.variables ?? NONE);
  const others = useOtherStories(study, workingSet?.variables ?? NONE, isCheap);
  const toCheck = data ? data.suspicions.length + data.more : 0;
  return {
    ...(toCheck > 0 ? { data: { count: toCheck, words: `${toCheck} to check`, to: 'data?view=check' } } : {}),
    ...(marked.size > 0
      ? {
          shape: {
            count: marked.size,
            words: `${marked.size} marked by ${marked.size === 1 ? 'its shape' : 'their shape'}`,
            to: 'shape?only=marked',
          },
        }
      : {}),
    ...(others > 0 ? { subgroups: { count: others, words: `${others} not the same inside the groups`, to: 'subgroups' } } : {}),
  };
}
