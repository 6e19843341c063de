import type { AnalysisInput, Predictor, Variable } from '@ivlen/contract';
import type { Chosen, ChosenPredictor } from './chosen-predictors';

const asSent = ({ variable, as, reference }: Predictor): Predictor => ({ variable, as, reference });

/** Whose rows have to be complete: all that were chosen, or only those kept where the rows of the others are used again. */
export function looking({ predictors, kept }: Pick<Chosen, 'predictors' | 'kept'>, released: boolean): readonly ChosenPredictor[] {
  return released ? kept : predictors;
}

export function collinearityRequest(predictors: readonly Predictor[], outcome: Variable | null) {
  return { kind: 'collinearity', predictors: predictors.map(asSent), outcome: outcome?.id ?? null } as const satisfies AnalysisInput;
}

interface RegressionOf {
  /** Those in the model. */
  readonly predictors: readonly Predictor[];
  /** All whose rows have to be complete. */
  readonly among: readonly Predictor[];
  readonly outcome: Variable;
  readonly level: number;
  /** Numbers of rows tried without. */
  readonly without?: readonly number[];
}

export function regressionRequest({ predictors, among, outcome, level, without = [] }: RegressionOf) {
  return {
    kind: 'regression',
    predictors: predictors.map(asSent),
    outcome: outcome.id,
    level,
    without: [...without].sort((a, b) => a - b),
    rows: { completeFor: among.map(({ variable }) => variable), group: null },
  } as const satisfies AnalysisInput;
}
