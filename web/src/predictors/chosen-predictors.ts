import { type CollinearitySettings, canBeCorrelated, isQuantity, type Predictor, type Study, type Variable } from '@ivlen/contract';

/** A predictor that was chosen, and how it enters. */
export interface ChosenPredictor extends Predictor {
  readonly of: Variable;
  /** An ordinal one of which nobody has said yet whether it is a quantity or made of levels. */
  readonly asked: boolean;
}

export interface Chosen {
  /** All of them, those switched off too. */
  readonly predictors: readonly ChosenPredictor[];
  /** Those not switched off. */
  readonly kept: readonly ChosenPredictor[];
  readonly how: CollinearitySettings['from'];
  /** Of the regression; null without one, or with one that a linear regression cannot have. */
  readonly outcome: Variable | null;
  /** An outcome that was chosen and cannot be one of a linear regression. */
  readonly refused: Variable | null;
  /** Whether nobody has said which of the ticked variables is the outcome, or that none is: it would count as a predictor. */
  readonly outcomeUnsaid: boolean;
  /** Whether the outcome was among the predictors, and was taken out of them. */
  readonly outcomeAmong: boolean;
  /** Left out for good. */
  readonly leftOut: readonly Variable[];
}

const LEVELS_ONLY = new Set(['nominal', 'two-valued']);

/** Whether a variable can stand among the predictors at all. */
export function canEnter(variable: Variable): boolean {
  return canBeCorrelated(variable) || LEVELS_ONLY.has(variable.kind) || variable.kind === 'ordinal';
}

/** How a variable enters: an ordinal one as was said, as a quantity until then. */
function entering(variable: Variable, enter: CollinearitySettings['enter']): ChosenPredictor {
  const said = enter[variable.id];
  const isOrdinal = variable.kind === 'ordinal' && canBeCorrelated(variable);
  const as = isQuantity(variable) ? 'quantity' : isOrdinal ? (said?.as ?? 'quantity') : 'levels';
  return { variable: variable.id, as, reference: said?.reference ?? null, of: variable, asked: isOrdinal && said === undefined };
}

/** Which predictors and which outcome the settings and the study choose. @param ticked the working set */
export function chosenPredictors({ state }: Pick<Study, 'state'>, ticked: readonly Variable[], settings: CollinearitySettings): Chosen {
  const { variables, leftOut } = state;
  const able = variables.filter(canEnter);
  const byRole = able.filter(({ role }) => role === 'predictor');
  const outcome = outcomeOf(variables, settings.outcome);
  const { from } = settings;
  const wanted =
    from === 'ticked'
      ? ticked
      : from === 'role'
        ? byRole
        : settings.predictors.flatMap((id) => able.filter((variable) => variable.id === id));
  const off = new Set(settings.off);
  const predictors = wanted
    .filter((variable) => variable.id !== outcome?.id && !leftOut.includes(variable.id))
    .map((variable) => entering(variable, settings.enter));
  const fits = outcome !== null && canBeCorrelated(outcome) && outcome.kind !== 'two-valued';
  return {
    predictors,
    kept: predictors.filter(({ variable }) => !off.has(variable)),
    how: from,
    outcome: fits ? outcome : null,
    refused: fits ? null : outcome,
    outcomeUnsaid: from === 'ticked' && outcome === null && settings.outcome === 'by-role',
    // Ticked variables are looked at in all stages; only who chose predictors is told that the outcome is none.
    outcomeAmong: from !== 'ticked' && wanted.some(({ id }) => id === outcome?.id),
    leftOut: variables.filter(({ id }) => leftOut.includes(id)),
  };
}

function outcomeOf(variables: readonly Variable[], chosen: CollinearitySettings['outcome']): Variable | null {
  if (chosen === 'by-role') return variables.find((variable) => variable.role === 'outcome' && canEnter(variable)) ?? null;
  return variables.find(({ id }) => id === chosen) ?? null;
}

/** The settings after a switch: the values from before the first one stay as ghosts until they are dismissed. */
export function switched(settings: CollinearitySettings, variable: string, on: boolean): CollinearitySettings {
  const off = on ? settings.off.filter((id) => id !== variable) : [...settings.off.filter((id) => id !== variable), variable];
  const before = settings.before ?? settings.off;
  const same = before.length === off.length && before.every((id) => off.includes(id));
  return { ...settings, off, before: same || settings.released ? null : before, released: settings.released && off.length > 0 };
}
