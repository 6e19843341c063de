import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { lazy, Suspense } from 'react';
import { useMatrix } from '../coefficients/use-matrix';
import type { usePairSelection } from './use-pair-selection';

const PairCard = lazy(async () => ({ default: (await import('./pair-card')).PairCard }));

/** More than these are no neighbours to go through. */
const MOST_VARIABLES = 60;

interface OpenPairProps {
  readonly study: Study;
  /** The card's neighbours come from the matrix of these. */
  readonly variables: readonly Variable[];
  readonly settings: CorrelationSettings;
  readonly selection: ReturnType<typeof usePairSelection>;
}

/** The card of the selected pair, where a stage has no matrix of its own. */
export function OpenPair({ study, variables, settings, selection }: OpenPairProps) {
  const enough = variables.length >= 2 && variables.length <= MOST_VARIABLES;
  const state = useMatrix(study, variables, settings, enough && selection.pair !== null, false);
  if (!selection.pair) return null;
  const { x, y } = selection.pair;
  const known = [x, y].every((item) => state.matrix?.variables.includes(item));
  const adjusted = known && state.matrix && settings.adjust !== 'none' ? state.matrix.cell(y, x).adjustedP : Number.NaN;
  return (
    <Suspense fallback={null}>
      <PairCard
        study={study}
        pair={selection.pair}
        settings={settings}
        variables={variables}
        selection={selection}
        state={state}
        adjustedP={Number.isNaN(adjusted) ? null : adjusted}
        onSwap={selection.swap}
        onClose={selection.close}
      />
    </Suspense>
  );
}
