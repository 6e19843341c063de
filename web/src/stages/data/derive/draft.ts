import { type Definition, type Derivation, definitionSchema, type Scale, type Variable } from '@ivlen/contract';
import { formulaName, renameInFormula } from '@ivlen/core';

/** Ways to derive a variable. */
export const WAYS = ['formula', 'ratio', 'repeats', 'scale', 'groups', 'categories'] as const;
export type Way = (typeof WAYS)[number];

/** A definition while it is being made. */
export interface Draft {
  readonly way: Way;
  readonly name: string;
  readonly unit: string;
  readonly formula: string;
  /** null for what is usual of the functions in the formula. */
  readonly ignoreMissing: boolean | null;
  readonly above: string;
  readonly below: string;
  /** Repeats of one measurement, and which of them is taken. */
  readonly repeats: readonly string[];
  readonly taken: Taken;
  readonly source: string;
  readonly scale: Scale;
  readonly shift: string;
  readonly groupBy: 'values' | 'size';
  readonly points: string;
  readonly groups: string;
  readonly texts: Readonly<Record<string, string>>;
}

/** An empty draft, or one that starts from a variable. */
export function newDraft(variables: readonly Variable[], from: Variable | null): Draft {
  const numbers = variables.filter(({ storage, kind }) => storage === 'number' && kind !== 'identifier');
  const category = from?.storage === 'code' ? from : variables.find(({ kind }) => kind === 'nominal');
  const number = from?.storage === 'number' ? from : numbers[0];
  const way = from?.storage === 'code' ? 'categories' : 'formula';
  return {
    way,
    name: '',
    unit: '',
    formula: from?.storage === 'number' ? formulaName(from.name) : '',
    ignoreMissing: null,
    above: number?.id ?? '',
    below: numbers.find(({ id }) => id !== number?.id)?.id ?? '',
    repeats: likeNamed(numbers, number).map(({ id }) => id),
    taken: 'max',
    source: (way === 'categories' ? category?.id : number?.id) ?? '',
    scale: 'log10',
    shift: '0',
    groupBy: 'size',
    points: '',
    groups: '3',
    texts: {},
  };
}

/** The draft that a derived variable's definition came from. */
export function draftOf(variable: Variable, variables: readonly Variable[]): Draft {
  const start = { ...newDraft(variables, null), name: variable.name, unit: variable.unit ?? '' };
  const { derivation } = variable;
  if (!derivation) return start;
  const nameOf = (id: string) => variables.find((item) => item.id === id)?.name ?? null;
  switch (derivation.type) {
    case 'formula':
      return { ...start, way: 'formula', formula: renameInFormula(derivation.formula, nameOf), ignoreMissing: derivation.ignoreMissing };
    case 'scale':
      return { ...start, way: 'scale', source: derivation.source, scale: derivation.scale, shift: String(derivation.shift) };
    case 'cut':
      return { ...start, way: 'groups', source: derivation.source, groupBy: 'values', points: derivation.points.join(', ') };
    case 'quantile-groups':
      return { ...start, way: 'groups', source: derivation.source, groupBy: 'size', groups: String(derivation.groups) };
    case 'recode':
      return { ...start, way: 'categories', source: derivation.source, texts: derivation.texts };
    // Made where groups are chosen; otherwise computed it is another variable.
    case 'combine':
      return start;
  }
}

/** The definition that a draft stands for; null while it is not complete. */
export function definitionOf(draft: Draft, variables: readonly Variable[]): Definition | null {
  const derivation = derivationOf(draft, variables);
  const name = draft.name.trim() || suggestedName(draft, variables);
  const checked = definitionSchema.safeParse({ name, unit: draft.unit.trim() || suggestedUnit(draft, variables) || null, derivation });
  return checked.success ? checked.data : null;
}

function derivationOf(draft: Draft, variables: readonly Variable[]): Derivation | null {
  switch (draft.way) {
    case 'formula':
      return { type: 'formula', formula: draft.formula, ignoreMissing: ignoresMissing(draft), sources: [] };
    case 'ratio':
      return { type: 'formula', formula: ratioFormula(draft, variables), ignoreMissing: false, sources: [] };
    case 'repeats':
      if (draft.repeats.length < 2) return null;
      return { type: 'formula', formula: repeatsFormula(draft, variables), ignoreMissing: draft.ignoreMissing ?? true, sources: [] };
    case 'scale':
      return { type: 'scale', source: draft.source, scale: draft.scale, shift: shiftOf(draft.shift) };
    case 'groups':
      return draft.groupBy === 'size'
        ? { type: 'quantile-groups', source: draft.source, groups: Number(draft.groups) }
        : { type: 'cut', source: draft.source, points: pointsOf(draft.points) };
    case 'categories':
      return { type: 'recode', source: draft.source, texts: { ...draft.texts } };
  }
}

/** What is added before a scale is taken; nothing written is 0, and what is no number is NaN, which no definition takes. */
export function shiftOf(text: string): number {
  const plain = text.trim().replace('−', '-').replace(',', '.');
  return plain === '' ? 0 : Number(plain);
}

function ratioFormula({ above, below }: Draft, variables: readonly Variable[]): string {
  const name = (id: string) => formulaName(variables.find((variable) => variable.id === id)?.name ?? '');
  return `${name(above)} / ${name(below)}`;
}

/** Which of several repeats is taken. */
export const TAKEN = ['max', 'min', 'mean', 'last'] as const;
export type Taken = (typeof TAKEN)[number];
export const TAKEN_WORDS: Readonly<Record<Taken, string>> = {
  max: 'the largest',
  min: 'the smallest',
  mean: 'their mean',
  last: 'the last',
};

function repeatsFormula({ repeats, taken }: Draft, variables: readonly Variable[]): string {
  const names = variables.filter(({ id }) => repeats.includes(id)).map(({ name }) => formulaName(name));
  return `${taken}(${names.join(', ')})`;
}

const OVER_A_ROW = /\b(max|min|mean|sum|last)\s*\(/;
const A_SUM = /\bsum\s*\(/;

/** Whether a formula looks over the values of a row, where it matters what is done if some are missing. */
export function looksOverRow(formula: string): boolean {
  return OVER_A_ROW.test(formula);
}

/** The largest, smallest, mean and last are of those there are; a sum of fewer would be a smaller sum. */
export function ignoresMissing({ formula, ignoreMissing }: Pick<Draft, 'formula' | 'ignoreMissing'>): boolean {
  return ignoreMissing ?? (looksOverRow(formula) && !A_SUM.test(formula));
}

/** Names that differ from a variable's in a number alone: visit_1, visit_2, visit_3. */
function likeNamed(numbers: readonly Variable[], of: Variable | undefined): readonly Variable[] {
  const families = new Map<string, Variable[]>();
  for (const variable of numbers) families.set(stemOf(variable.name), [...(families.get(stemOf(variable.name)) ?? []), variable]);
  const own = of ? (families.get(stemOf(of.name)) ?? []) : [];
  return own.length > 1 ? own : ([...families.values()].find((family) => family.length > 1) ?? []);
}

function stemOf(name: string): string {
  return name.toLowerCase().replace(/[\s_.-]*\d+(?=\D*$)/, '');
}

/** The unit that all repeats have; empty where they differ. */
export function suggestedUnit({ way, repeats }: Draft, variables: readonly Variable[]): string {
  if (way !== 'repeats') return '';
  const units = new Set(variables.filter(({ id }) => repeats.includes(id)).map(({ unit }) => unit ?? ''));
  return units.size === 1 ? ([...units][0] ?? '') : '';
}

function pointsOf(text: string): number[] {
  return text
    .split(/[;\s]+|,\s+|,$/)
    .filter(Boolean)
    .map((point) => Number(point.replace(',', '.')));
}

/** A name to start from, where none was written. */
export function suggestedName(draft: Draft, variables: readonly Variable[]): string {
  const name = (id: string) => variables.find((variable) => variable.id === id)?.name ?? '';
  switch (draft.way) {
    case 'formula':
      return '';
    case 'ratio':
      return `${name(draft.above)}_per_${name(draft.below)}`;
    case 'repeats': {
      const stem = stemOf(name(draft.repeats[0] ?? ''));
      return stem && `${stem}_${{ max: 'largest', min: 'smallest', mean: 'mean', last: 'last' }[draft.taken]}`;
    }
    case 'scale':
      return `${draft.scale.replace('-', '_')}_${name(draft.source)}`;
    case 'groups':
      return `${name(draft.source)}_group`;
    case 'categories':
      return `${name(draft.source)}_2`;
  }
}
