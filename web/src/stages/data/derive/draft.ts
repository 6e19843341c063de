import { type Definition, type Derivation, definitionSchema, type Scale, type Variable } from '@ivlen/contract';
import { formulaName, renameInFormula } from '@ivlen/core';

/** Ways to derive a variable. */
export const WAYS = ['formula', 'ratio', 'scale', 'groups', 'categories'] as const;
export type Way = (typeof WAYS)[number];

/** A definition while it is being made. */
export interface Draft {
  readonly way: Way;
  readonly name: string;
  readonly unit: string;
  readonly formula: string;
  readonly ignoreMissing: boolean;
  readonly above: string;
  readonly below: string;
  readonly source: string;
  readonly scale: Scale;
  readonly shift: string;
  readonly groupBy: 'values' | 'size';
  readonly points: string;
  readonly groups: string;
  readonly texts: Readonly<Record<string, string>>;
}

export const SCALE_NAMES: Readonly<Record<Scale, string>> = {
  log10: 'logarithm to base 10',
  ln: 'natural logarithm',
  sqrt: 'square root',
  'cube-root': 'cube root',
  reciprocal: 'reciprocal, 1/x',
  square: 'square',
  reflect: 'reflected (largest plus smallest less x)',
  standardize: 'standard scores',
  'rank-normal': 'normal scores of the ranks',
  'box-cox': 'Box–Cox',
  'yeo-johnson': 'Yeo–Johnson',
};

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
    ignoreMissing: false,
    above: number?.id ?? '',
    below: numbers.find(({ id }) => id !== number?.id)?.id ?? '',
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
  }
}

/** The definition that a draft stands for; null while it is not complete. */
export function definitionOf(draft: Draft, variables: readonly Variable[]): Definition | null {
  const derivation = derivationOf(draft, variables);
  const name = draft.name.trim() || suggestedName(draft, variables);
  const checked = definitionSchema.safeParse({ name, unit: draft.unit.trim() || null, derivation });
  return checked.success ? checked.data : null;
}

function derivationOf(draft: Draft, variables: readonly Variable[]): Derivation | null {
  const formula = draft.way === 'ratio' ? ratioFormula(draft, variables) : draft.formula;
  switch (draft.way) {
    case 'formula':
    case 'ratio':
      return { type: 'formula', formula, ignoreMissing: draft.ignoreMissing, sources: [] };
    case 'scale':
      return { type: 'scale', source: draft.source, scale: draft.scale, shift: Number(draft.shift.replace(',', '.')) || 0 };
    case 'groups':
      return draft.groupBy === 'size'
        ? { type: 'quantile-groups', source: draft.source, groups: Number(draft.groups) }
        : { type: 'cut', source: draft.source, points: pointsOf(draft.points) };
    case 'categories':
      return { type: 'recode', source: draft.source, texts: { ...draft.texts } };
  }
}

function ratioFormula({ above, below }: Draft, variables: readonly Variable[]): string {
  const name = (id: string) => formulaName(variables.find((variable) => variable.id === id)?.name ?? '');
  return `${name(above)} / ${name(below)}`;
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
    case 'scale':
      return `${draft.scale.replace('-', '_')}_${name(draft.source)}`;
    case 'groups':
      return `${name(draft.source)}_group`;
    case 'categories':
      return `${name(draft.source)}_2`;
  }
}
