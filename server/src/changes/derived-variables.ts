import type { Definition, Derivation, Kind, StudyState, Variable } from '@ivlen/contract';
import { derivationInWords, sourcesOf } from '@ivlen/contract';
import { renameInFormula } from '@ivlen/core';
import { variableOf } from '../columns/columns';
import { groupLabels } from '../derivations/group-labels';
import { circleThrough, resolveDefinition } from '../derivations/resolve-definition';
import { DomainError } from '../errors/domain-error';
import { countOf } from '../phrases/phrases';
import { newVariable } from '../studies/new-variable';
import type { AppliedChange, ChangeContext } from './applied-change';
import { assertNameFree } from './edit-entries';
import { freeId } from './free-id';
import { skewnessBeforeAndAfter } from './scale-decisions';

/** Adds a derived variable, after the last of its sources. */
export async function defineVariable(context: ChangeContext, definition: Definition): Promise<AppliedChange> {
  const { state } = context.table;
  assertNameFree(state, definition.name, null);
  const derivation = resolveDefinition(state, definition);
  const variable = await derivedVariable(context, freeId(state, context.number), definition, derivation);
  const after = sourcesOf(derivation).reduce(
    (last, source) =>
      Math.max(
        last,
        state.variables.findIndex(({ id }) => id === source),
      ),
    -1,
  );
  const at = after < 0 ? state.variables.length : after + 1;
  const inWords = (how: Derivation) => derivationInWords(how, state.variables, renameInFormula);
  const summary = `${variable.name} = ${inWords(derivation)}`;
  const next = { ...state, variables: state.variables.toSpliced(at, 0, variable) };
  if (derivation.type !== 'scale') return { kind: 'derived', summary, state: next };
  const { values } = await context.columns.compute(context.db, context.table, { derivation });
  const effect = await skewnessBeforeAndAfter(context, derivation.source, values);
  return { kind: 'derived', summary: `${summary}; ${effect.words}`, figures: effect.figures, state: next };
}

/** Computes a derived variable in another way. @throws {DomainError} 'circular' */
export async function redefineVariable(context: ChangeContext, id: string, definition: Definition): Promise<AppliedChange> {
  const { state } = context.table;
  const before = variableOf(context.table, id);
  if (!before.derivation)
    throw new DomainError('not-derived', `${before.name} was measured, not computed.`, { hint: 'Make a derived variable of it instead.' });
  assertNameFree(state, definition.name, before);
  const derivation = resolveDefinition(state, definition);
  const circle = circleThrough(state.variables, id, derivation);
  if (circle) {
    throw new DomainError('circular', `${before.name} would be computed from itself: ${[before.name, ...circle].join(' from ')}.`, {
      where: before.name,
      hint: 'Use other variables in it.',
    });
  }
  const computed = await derivedVariable(context, id, definition, derivation);
  const { label, decimals, role, highMeans, note } = before;
  const variable: Variable = { ...computed, label, decimals, role, highMeans, note };
  const inWords = (how: Derivation) => derivationInWords(how, state.variables, renameInFormula);
  const summary = `${variable.name} = ${inWords(derivation)}, no longer ${inWords(before.derivation)}`;
  return { kind: 'derived', summary, state: withVariable(state, variable) };
}

function withVariable(state: StudyState, variable: Variable): StudyState {
  return { ...state, variables: state.variables.map((item) => (item.id === variable.id ? variable : item)) };
}

async function derivedVariable(
  { db, table, columns, number }: ChangeContext,
  id: string,
  { name, unit }: Definition,
  derivation: Derivation,
): Promise<Variable> {
  const { values, missing, undefinedRows } = await columns.compute(db, table, { derivation });
  if (values.every((value) => value !== value)) {
    throw new DomainError('nothing-computed', 'No row has a result.', {
      hint: `${countOf(missing, 'row')} lack a value; ${countOf(undefinedRows.length, 'row')} have no result, such as a division by zero.`,
    });
  }
  return newVariable({
    id,
    name,
    unit,
    kind: kindOf(derivation, values),
    storage: derivation.type === 'recode' || derivation.type === 'combine' ? 'code' : 'number',
    valueLabels: groupLabels(derivation),
    derivation,
    version: number,
  });
}

function kindOf({ type }: Derivation, values: Float64Array): Kind {
  if (type === 'recode' || type === 'combine') return 'nominal';
  if (type === 'cut' || type === 'quantile-groups') return 'ordinal';
  return values.every((value) => value !== value || Number.isInteger(value)) ? 'discrete' : 'continuous';
}
