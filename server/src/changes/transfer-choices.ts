import {
  type ChoicesPreview,
  type Derivation,
  derivationInWords,
  kindsFor,
  pairKey,
  type Remedies,
  type Settings,
  type SettingsOf,
  type StudyState,
  type Subset,
  subsetInWords,
  subsetVariables,
  type TakenRemedy,
  type Variable,
  type VariableReliability,
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
  const reliable = variables.map((variable) => {
    const source = sourceOf.get(variable.id);
    if (!source?.reliability) return variable;
    const reliability = reliabilityFor(source.reliability, ids);
    if (reliability) fits.push(`the reliability of ${variable.name}`);
    else notFitting.push(`The reliability of ${source.name} needs repeated columns that are not here.`);
    return reliability ? { ...variable, reliability } : variable;
  });
  const remedies = transferredRemedies(from.state.remedies, to.state.remedies, ids);
  if (remedies.taken > 0)
    fits.push(countOf(remedies.taken, 'decision on how coefficients are got', 'decisions on how coefficients are got'));
  if (remedies.left > 0)
    notFitting.push(`${countOf(remedies.left, 'decision', 'decisions')} on how coefficients are got needs what is not here.`);
  return {
    fits,
    notFitting,
    settings: transferredSettings(from.settings, to.settings, ids),
    state: {
      ...to.state,
      variables: reliable,
      remedies: remedies.remedies,
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

/** Of repeated columns all must be here, or it would be another reliability. */
function reliabilityFor(reliability: VariableReliability, ids: ReadonlyMap<string, string>): VariableReliability | null {
  if (reliability.kind === 'known') return reliability;
  const columns = reliability.columns.map((id) => ids.get(id));
  return columns.includes(undefined) ? null : { ...reliability, columns: columns.filter((id) => id !== undefined) };
}

function transferredRemedies(from: Remedies, to: Remedies, ids: ReadonlyMap<string, string>) {
  const every = from.every && remedyFor(from.every, ids);
  const pairs = Object.entries(from.pairs).map(([key, remedy]) => {
    const [x, y] = key.split('~').map((id) => ids.get(id));
    const fitted = remedyFor(remedy, ids);
    return x && y && fitted ? ([pairKey(x, y), fitted] as const) : null;
  });
  const taken = pairs.filter((pair) => pair !== null);
  return {
    remedies: { every: every ?? to.every, pairs: { ...to.pairs, ...Object.fromEntries(taken) } },
    taken: taken.length + (every ? 1 : 0),
    left: pairs.length - taken.length + (from.every && !every ? 1 : 0),
  };
}

function remedyFor(remedy: TakenRemedy, ids: ReadonlyMap<string, string>): TakenRemedy | null {
  // Those that only help to tell what is missing are left out where they are not here.
  if (remedy.kind === 'maximum-likelihood') return { ...remedy, among: remedy.among.flatMap((id) => ids.get(id) ?? []) };
  if ('by' in remedy) {
    const by = ids.get(remedy.by);
    return by === undefined ? null : { ...remedy, by };
  }
  if (remedy.kind !== 'constant') return remedy;
  const held = remedy.held.map((id) => ids.get(id));
  return held.includes(undefined) ? null : { ...remedy, held: held.filter((id) => id !== undefined) };
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
