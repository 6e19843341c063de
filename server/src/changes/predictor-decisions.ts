import type { ChangeOf, Predictor, StudyState } from '@ivlen/contract';
import { formatFixed, largestInflation, modelTriangle, termInflation } from '@ivlen/core';
import type { AnalysisColumns } from '../analyses/analysis-columns';
import { completePlaces, predictorColumns, predictorVariables } from '../analyses/predictor-columns';
import { variableOf } from '../columns/columns';
import { DomainError } from '../errors/domain-error';
import { countOf } from '../phrases/phrases';
import { type AppliedChange, type ChangeContext, nothingChanges } from './applied-change';

/** More products than this would keep all others waiting; the decision then stands without figures. */
const MOST_PRODUCTS = 1e8;

/** Leaves a variable out of the predictors, with what that does to the largest variance inflation among them. */
export async function leaveOutPredictor(
  context: ChangeContext,
  { variable: id, among }: ChangeOf<'leave-out-predictor'>,
): Promise<AppliedChange> {
  const { state } = context.table;
  const variable = variableOf(context.table, id);
  if (state.leftOut.includes(id)) throw nothingChanges();
  if (!among.some((predictor) => predictor.variable === id)) {
    throw new DomainError('not-a-predictor', `${variable.name} is not among the predictors.`, { hint: 'Reload the page.' });
  }
  const effect = await largestBeforeAndAfter(context, among, id);
  const words = effect
    ? `; largest VIF among ${countOf(among.length, 'predictor')} ${inWords(effect.before)}, then ${inWords(effect.after)}`
    : '';
  return {
    kind: 'predictor',
    summary: `${variable.name} left out of the predictors${words}`,
    ...(effect ? { figures: { largestBefore: orNull(effect.before), largestAfter: orNull(effect.after) } } : {}),
    state: { ...state, leftOut: [...state.leftOut, id] },
  };
}

export function takeInPredictor(state: StudyState, id: string): AppliedChange {
  const variable = variableOf({ state }, id);
  if (!state.leftOut.includes(id)) throw nothingChanges();
  return {
    kind: 'predictor',
    summary: `${variable.name} among the predictors again`,
    state: { ...state, leftOut: state.leftOut.filter((item) => item !== id) },
  };
}

async function largestBeforeAndAfter(
  { db, table, columns }: ChangeContext,
  among: readonly Predictor[],
  id: string,
): Promise<{ before: number; after: number } | null> {
  const rows = await columns.rowsInUse(db, table);
  const rowsInUse = rows?.length ?? table.rows;
  if (rowsInUse * among.length ** 2 > MOST_PRODUCTS) return null;
  const variables = predictorVariables(among, table.state.variables);
  const values: Float64Array[] = [];
  for (const variable of variables) values.push(await columns.used(db, table, variable.id));
  const all: AnalysisColumns = {
    variables: variables.map((variable) => variable.id),
    values,
    numeric: variables.map(({ storage }) => storage === 'number'),
    rows,
    rowsInUse,
    codebook: { variables: [], accepted: [] },
  };
  const { places } = completePlaces(all.variables, all);
  const { columns: made, terms } = predictorColumns(among, all, places);
  if (made.length === 0) return null;
  const model = modelTriangle(made);
  // On the same rows with and without it, so that only the predictor makes the difference.
  const largest = (kept: typeof terms) =>
    largestInflation(
      termInflation(
        model,
        kept.map((term) => term.columns),
      )
        .map(({ inflation }) => inflation)
        .filter((value) => value === value),
    );
  return { before: largest(terms), after: largest(terms.filter(({ variable }) => variable !== id)) };
}

function inWords(value: number): string {
  if (value === Number.POSITIVE_INFINITY) return 'infinite (told exactly)';
  return value < 100 ? formatFixed(value, 2) : formatFixed(value, 0);
}

function orNull(value: number): number | null {
  return Number.isFinite(value) ? value : null;
}
