import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import type { useMatrix } from '../coefficients/use-matrix';
import type { WorkingSet } from '../settings/use-working-set';
import type { usePairSelection } from './use-pair-selection';

/** What every arrangement of the coefficients works with. */
export interface ArrangementProps {
  readonly study: Study;
  readonly workingSet: WorkingSet;
  /** Those that are correlated, in the order of the working set. */
  readonly variables: readonly Variable[];
  readonly settings: CorrelationSettings;
  readonly patch: (part: Partial<CorrelationSettings>) => void;
  readonly state: ReturnType<typeof useMatrix>;
  readonly selection: ReturnType<typeof usePairSelection>;
}
