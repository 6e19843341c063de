import type { ShapeSettings, Study } from '@ivlen/contract';
import type { Group, Grouping } from '../../settings/use-grouping';
import type { WorkingSet } from '../../settings/use-working-set';

/** What every part of the Shape stage works with. */
export interface ShapeViewProps {
  readonly study: Study;
  readonly workingSet: WorkingSet;
  readonly settings: ShapeSettings;
  /** undefined while it loads. */
  readonly grouping: Grouping | undefined;
  /** Those shown apart, none where all rows are together; undefined while they load, null where there are too many. */
  readonly groups: readonly Group[] | null | undefined;
  readonly patch: (part: Partial<ShapeSettings>) => void;
}

const NONE: readonly Group[] = [];

/** Groups shown apart at the most. */
const MOST_GROUPS = 40;

/** The groups that can be shown, and a sentence where they cannot. */
export function showableGroups({ groups, grouping, settings }: ShapeViewProps): { groups: readonly Group[]; problem: string | null } {
  if (!settings.perGroup || groups === undefined) return { groups: NONE, problem: null };
  if (groups === null || groups.length > MOST_GROUPS) {
    const many = groups === null ? 'more than 500' : String(groups.length);
    return {
      groups: NONE,
      problem: `${grouping?.by?.name} has ${many} groups; up to ${MOST_GROUPS} are shown apart. Choose another variable in the sentence above, or cut this one into fewer groups among the data.`,
    };
  }
  return { groups, problem: null };
}
