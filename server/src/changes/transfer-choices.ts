import {
  type ChoicesPreview,
  type Derivation,
  derivationInWords,
  kindsFor,
  type Settings,
  type SettingsOf,
  type StudyState,
  type Subset,
  subsetInWords,
  subsetVariables,
  type Variable,
} from '@ivlen/contract';
import { renameInFormula } from '@ivlen/core';
import { countOf } from '../phrases/phrases';
import { freeId } from './free-id';

export interface Choices {
  readonly state: StudyState;
  readonly settings: Settings;
}

/** A study's state with the choices of another, and what of them does not fit. */
export interface Transferred extends ChoicesPreview, Choices {}

/** Takes over, by the names of variables, what another study says of them; values stay as they are. */
export function transferChoices(from: Choices, to: Choices, number: number): Transferred {
  const fits: string[] = [];
  const notFitting: string[] = [];
  const ids = new Map<string, string>();
  const sourceOf = new Map<string, Variable>();
  const measured = from.state.variables.filter(({ derivation }) => derivation === null);
  for (const variable of measured) {
    const match = to.state.variables.find(({ name, derivation }) => derivation === null && same(name, variable.name));
    if (!match) notFitting.push(`There is no variable ${variable.name}.`);
    else if (match.storage !== variable.storage)
      notFitting.push(`${variable.name} holds ${content(match)} here, and ${content(variable)} there.`);
    else {
      ids.set(variable.id, match.id);
      sourceOf.set(match.id, variable);
    }
  }
  if (sourceOf.size > 0) fits.push(`the entries of ${countOf(sourceOf.size, 'variable')}`);
  const variables = to.state.variables.map((variable) => withEntryOf(variable, sourceOf.get(variable.id), number));

  for (const variable of from.state.variables) {
    if (!variable.derivation) continue;
    const derivation = derivationFor(variable.derivation, ids);
    const taken = variables.find(({ name }) => same(name, variable.name));
    if (!derivation) notFitting.push(`${variable.name} = ${inWords(variable.derivation, from.state)} needs what is not here.`);
    else if (taken) notFitting.push(`There is a variable ${variable.name} already.`);
    else {
      const id = freeId({ variables }, number);
      ids.set(variable.id, id);
      variables.push({ ...variable, id, derivation, version: number });
      fits.push(`${variable.name} = ${inWords(variable.derivation, from.state)}`);
    }
  }
  const subsetFor = (subset: Subset, words: string): Subset | null => {
    const fitted = mappedSubset(subset, ids);
    if (fitted) fits.push(words);
    else notFitting.push(`${words} needs what is not here.`);
    return fitted;
  };
  const { subset } = from.state;
  const fittedSubset = subset ? subsetFor(subset, `The subset (${subsetInWords(subset, from.state.variables)})`) : null;
  const names = new Set(to.state.namedSubsets.map(({ name }) => name));
  const namedSubsets = from.state.namedSubsets.flatMap((named) => {
    if (names.has(named.name)) return [];
    const fitted = subsetFor(named.subset, `The subset “${named.name}”`);
    return fitted ? [{ ...named, subset: fitted }] : [];
  });
  return {
    fits,
    notFitting,
    settings: transferredSettings(from.settings, to.settings, ids),
    state: {
      ...to.state,
      variables,
      rowMeaning: to.state.rowMeaning ?? from.state.rowMeaning,
      subset: fittedSubset ?? to.state.subset,
      namedSubsets: [...to.state.namedSubsets, ...namedSubsets],
      pairMethods: { ...to.state.pairMethods, ...mappedKeys(from.state.pairMethods, ids) },
      leftOut: [...new Set([...to.state.leftOut, ...from.state.leftOut.flatMap((id) => ids.get(id) ?? [])])],
    },
  };
}

function withEntryOf(variable: Variable, source: Variable | undefined, number: number): Variable {
  if (!source) return variable;
  const { label, unit, kind, decimals, role, highMeans, valueLabels, missingCodes, validRange, note, detectionLimit } = source;
  const fitting = kindsFor(variable.storage).includes(kind) ? kind : variable.kind;
  const entry = { label, unit, kind: fitting, decimals, role, highMeans, valueLabels, missingCodes, validRange, note, detectionLimit };
  const masked = JSON.stringify(missingCodes) !== JSON.stringify(variable.missingCodes);
  return { ...variable, ...entry, version: masked ? number : variable.version };
}

function derivationFor(derivation: Derivation, ids: ReadonlyMap<string, string>): Derivation | null {
  if (derivation.type === 'combine') {
    const [first, second] = derivation.sources.map((id) => ids.get(id));
    return first && second ? { ...derivation, sources: [first, second] } : null;
  }
  if (derivation.type !== 'formula') {
    const source = ids.get(derivation.source);
    return source === undefined ? null : { ...derivation, source };
  }
  const sources = derivation.sources.map((id) => ids.get(id));
  if (sources.includes(undefined)) return null;
  const formula = renameInFormula(derivation.formula, (id) => ids.get(id) ?? null);
  return { ...derivation, formula, sources: sources.filter((id) => id !== undefined) };
}

function mappedSubset(subset: Subset, ids: ReadonlyMap<string, string>): Subset | null {
  if (!subsetVariables(subset).every((id) => ids.has(id))) return null;
  const rules = subset.rules.map((rule) => (rule.type === 'rows' ? rule : { ...rule, variable: ids.get(rule.variable) ?? rule.variable }));
  return { ...subset, rules };
}

function mappedKeys<T>(record: Readonly<Record<string, T>>, ids: ReadonlyMap<string, string>): Record<string, T> {
  return Object.fromEntries(Object.entries(record).flatMap(([id, value]) => (ids.has(id) ? [[ids.get(id), value]] : [])));
}

function transferredSettings(from: Settings, to: Settings, ids: ReadonlyMap<string, string>): Settings {
  const ticked = from['working-set']?.variables.flatMap((id) => ids.get(id) ?? []) ?? [];
  const workingSet = ticked.length > 0 ? { variables: ticked } : to['working-set'];
  const groups = from.grouping?.variable ? ids.get(from.grouping.variable) : undefined;
  // Groups are named by stored values, which are another table's own.
  const withoutOne = from.grouping?.withoutOne ?? false;
  const grouping = groups === undefined ? to.grouping : { variable: groups, groups: null, withoutOne };
  const known = (id: string | null) => (id === null ? null : (ids.get(id) ?? null));
  const { correlations, scatterplots, subgroups, collinearity } = from;
  return {
    ...to,
    ...from,
    ...(workingSet ? { 'working-set': workingSet } : {}),
    ...(grouping ? { grouping } : {}),
    ...(correlations ? { correlations: { ...correlations, control: correlations.control.flatMap((id) => ids.get(id) ?? []) } } : {}),
    ...(subgroups ? { subgroups: { ...subgroups, onlyWith: known(subgroups.onlyWith), first: null, second: null } } : {}),
    ...(collinearity ? { collinearity: transferredCollinearity(collinearity, ids) } : {}),
    ...(scatterplots ? { scatterplots: transferredScatterplots(scatterplots, known) } : {}),
  };
}

/** Groups are hidden and rows named by what the other table holds: neither goes with the choices. */
function transferredScatterplots(settings: SettingsOf<'scatterplots'>, known: (id: string | null) => string | null) {
  const { single, bulk } = settings;
  return {
    ...settings,
    hidden: [],
    bulk: bulk.flatMap((id) => known(id) ?? []),
    single: { ...single, x: known(single.x), y: known(single.y), third: known(single.third), labels: [] },
  };
}

/** Reference levels are stored values, which are another table's own; ghosts are of numbers that it does not have. */
function transferredCollinearity(settings: SettingsOf<'collinearity'>, ids: ReadonlyMap<string, string>): SettingsOf<'collinearity'> {
  const { predictors, outcome, enter, off, sets } = settings;
  const known = (list: readonly string[]) => list.flatMap((id) => ids.get(id) ?? []);
  return {
    ...settings,
    predictors: known(predictors),
    outcome: outcome === null || outcome === 'by-role' ? outcome : (ids.get(outcome) ?? 'by-role'),
    enter: mappedKeys(Object.fromEntries(Object.entries(enter).map(([id, { as }]) => [id, { as, reference: null }])), ids),
    off: known(off),
    before: null,
    sets: mappedKeys(sets, ids),
  };
}

function inWords(derivation: Derivation, { variables }: StudyState): string {
  return derivationInWords(derivation, variables, renameInFormula);
}

function content({ storage }: Variable): string {
  return { number: 'numbers', code: 'text', day: 'dates' }[storage];
}

function same(a: string, b: string): boolean {
  return a.trim().toLowerCase() === b.trim().toLowerCase();
}
