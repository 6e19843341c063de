import type { CollinearitySettings, Study, Variable } from '@ivlen/contract';
import type { Chosen, ChosenPredictor } from '../../predictors/chosen-predictors';
import type { ModelTerm, PredictorModel } from '../../predictors/predictor-model';

/** What the parts of the stage have in common. */
export interface PartProps {
  readonly study: Study;
  readonly settings: CollinearitySettings;
  readonly patch: (part: Partial<CollinearitySettings>) => void;
  readonly chosen: Chosen;
  /** Those whose rows have to be complete. */
  readonly among: readonly ChosenPredictor[];
  readonly model: PredictorModel;
  /** Those that are switched on and vary: the terms of the model. */
  readonly terms: readonly ModelTerm[];
  /** What the model is of, by which what is computed from it is kept. */
  readonly of: readonly unknown[];
  /** Levels at which p is marked, as in Correlations. */
  readonly levels: readonly number[];
}

/** What the part about the predictors needs besides. */
export interface PredictorsViewProps extends PartProps {
  readonly onSwitch: (variable: string, on: boolean) => void;
  readonly onOpen: (a: Variable, b: Variable) => void;
}
