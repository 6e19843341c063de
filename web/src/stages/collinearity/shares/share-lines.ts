import type { ChosenPredictor } from '../../../predictors/chosen-predictors';
import type { Shares } from '../../../predictors/find-shares';
import type { ModelTerm } from '../../../predictors/predictor-model';
import { displayName } from '../../../study/variable-name';
import type { PredictorsViewProps } from '../stage-props';

/** A predictor with what is known of it: its place among the terms, or why it has none. */
export interface ShareLine {
  readonly predictor: ChosenPredictor;
  readonly term: ModelTerm | null;
  /** Place among the terms on screen; −1 of one that is switched off or does not vary. */
  readonly place: number;
}

export interface SharesSectionProps extends PredictorsViewProps {
  readonly shares: Shares | null;
  /** Former inflations by variable; null without ghosts. */
  readonly former: ReadonlyMap<string, number> | null;
}

/** All that were chosen, in their order or the most told first; those switched off keep their former place. */
export function linesOf({ chosen, settings, model, terms, shares, former }: SharesSectionProps): ShareLine[] {
  const lines = chosen.predictors.map((predictor): ShareLine => {
    const term = model.terms.find(({ of }) => of.id === predictor.variable) ?? null;
    return { predictor, term, place: terms.findIndex(({ of }) => of.id === predictor.variable) };
  });
  if (settings.order === 'listed') return lines;
  const size = ({ predictor, place }: ShareLine) => {
    const own = former?.get(predictor.variable) ?? shares?.inflation[place]?.inflation;
    return own === undefined || Number.isNaN(own) ? 0 : own;
  };
  return lines.toSorted((a, b) => size(b) - size(a) || displayName(a.predictor.of).localeCompare(displayName(b.predictor.of)));
}
