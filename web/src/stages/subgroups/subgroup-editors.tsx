import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { coefficientEditors, type SettingsChange } from '../../coefficients/coefficient-editors';
import { inUseEditors } from '../../in-use/in-use-editors';
import type { Editors } from '../../methods-line/methods-parts';
import type { Grouping, TakingPart } from '../../settings/use-grouping';
import type { WorkingSet } from '../../settings/use-working-set';
import { GroupsEditor } from './groups-editor';
import type { SubgroupChoice } from './sentence';

interface Facts {
  readonly study: Study;
  readonly workingSet: WorkingSet;
  readonly candidates: readonly Variable[];
  readonly grouping: Grouping;
  readonly taking: TakingPart | null;
}

/** What changes the choices of the stage’s sentence. */
export function subgroupEditors(
  { study, workingSet, candidates, grouping, taking }: Facts,
  settings: CorrelationSettings,
  change: SettingsChange,
): Editors<SubgroupChoice> {
  return {
    ...inUseEditors(study, workingSet),
    ...coefficientEditors(settings, candidates, change),
    groups: () => <GroupsEditor study={study} grouping={grouping} taking={taking} />,
  };
}
