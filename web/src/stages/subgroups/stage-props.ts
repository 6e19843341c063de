import type { CorrelationSettings, Study, SubgroupSettings, Variable } from '@ivlen/contract';
import type { Compared } from '../../groups/compared-pairs';
import type { TakingPart } from '../../settings/use-grouping';

/** What every part of the stage works with. */
export interface SubgroupProps {
  readonly study: Study;
  readonly variables: readonly Variable[];
  /** How coefficients are computed and marked. */
  readonly settings: CorrelationSettings;
  /** How the stage is laid out. */
  readonly layout: SubgroupSettings;
  readonly patch: (part: Partial<SubgroupSettings>) => void;
  readonly taking: TakingPart;
  readonly compared: Compared;
}
