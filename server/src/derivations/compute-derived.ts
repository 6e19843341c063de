import type { Derivation, Scale } from '@ivlen/contract';
import {
  boxCox,
  centre,
  cubeRoot,
  cutAtValues,
  evaluateFormula,
  ln,
  log10,
  parseFormula,
  quantilePoints,
  rankNormal,
  reciprocal,
  reflect,
  sqrt,
  square,
  standardize,
  type Transformed,
  yeoJohnson,
} from '@ivlen/core';
import { DomainError } from '../errors/domain-error';
import { countOf } from '../phrases/phrases';

/** What a derived variable is computed from. */
export interface DerivedSources {
  readonly rows: number;
  /** By the variables' ids. */
  readonly columns: ReadonlyMap<string, Float64Array>;
  /** Rows not set aside, to which scales and groups are fitted; null for all. */
  readonly kept: Uint8Array | null;
  /** Texts by code of the source, for recoding. */
  readonly dictionary: readonly string[];
  /** How values of the sources are called, for combining. */
  readonly names: ReadonlyMap<string, ValueNames>;
}

/** What the values of a variable are called: texts by code, or numbers as they are; each by its label, where it has one. */
export interface ValueNames {
  readonly dictionary: readonly string[] | null;
  readonly labels: Readonly<Record<string, string>>;
}

export interface DerivedColumn {
  readonly values: Float64Array;
  /** Texts by code of a recoded variable. */
  readonly dictionary: readonly string[] | null;
  /** Rows that lack a value which the variable is computed from. */
  readonly missing: number;
  /** Rows with all values but without a result, such as a division by zero; numbers from 0. */
  readonly undefinedRows: readonly number[];
}

/** Each scale as the core computes it. */
export const SCALES: Readonly<Record<Scale, (x: Float64Array) => Transformed>> = {
  log10,
  ln,
  sqrt,
  'cube-root': cubeRoot,
  reciprocal,
  square,
  reflect,
  centre,
  standardize,
  'rank-normal': rankNormal,
  'box-cox': boxCox,
  'yeo-johnson': yeoJohnson,
};

/** @throws {DomainError} a scale that the values do not allow. */
export function computeDerived(derivation: Derivation, sources: DerivedSources): DerivedColumn {
  switch (derivation.type) {
    case 'formula': {
      const { formula, ignoreMissing } = derivation;
      return { ...evaluateFormula(parseFormula(formula), sources.columns, sources.rows, { ignoreMissing }), dictionary: null };
    }
    case 'scale':
      return rescale(derivation.scale, derivation.shift, sourceOf(derivation.source, sources), sources.kept);
    case 'cut':
      return plain(cutAtValues(sourceOf(derivation.source, sources), derivation.points));
    case 'quantile-groups':
      return quantileGroups(sourceOf(derivation.source, sources), derivation.groups, sources.kept);
    case 'recode':
      return recode(sourceOf(derivation.source, sources), sources.dictionary, derivation.texts);
    case 'combine':
      return combine(derivation.sources, sources);
  }
}

function sourceOf(id: string, { columns }: DerivedSources): Float64Array {
  const column = columns.get(id);
  if (!column) throw new Error(`the source ${id} was not loaded`);
  return column;
}

function plain(values: Float64Array): DerivedColumn {
  return { values, dictionary: null, missing: values.reduce((count, value) => count + (value === value ? 0 : 1), 0), undefinedRows: [] };
}

/** Rows set aside have no part in a fit, and no value on the fitted scale. */
function onlyKept(x: Float64Array, kept: Uint8Array | null): Float64Array {
  return kept ? x.map((value, row) => (kept[row] ? value : Number.NaN)) : x;
}

function rescale(scale: Scale, shift: number, source: Float64Array, kept: Uint8Array | null): DerivedColumn {
  const shifted = shift === 0 ? source : source.map((value) => value + shift);
  const { values, refused } = SCALES[scale](onlyKept(shifted, kept));
  if (values) return plain(values);
  const because = {
    'values-not-positive': 'are 0 or less',
    'negative-values': 'are negative',
    'zeros-or-both-signs': 'are 0 or of the other sign',
    'no-variation': 'are all the same',
  }[refused?.because ?? 'no-variation'];
  throw new DomainError('scale-refused', `This scale cannot be taken: ${countOf(refused?.count ?? 0, 'value')} ${because}.`, {
    hint:
      refused?.shift == null
        ? 'Choose another scale.'
        : `Add ${Number((shift + refused.shift).toPrecision(12))} to every value first, or choose another scale.`,
  });
}

function quantileGroups(source: Float64Array, groups: number, kept: Uint8Array | null): DerivedColumn {
  const points = quantilePoints(onlyKept(source, kept), groups);
  if (points.length === 0) {
    throw new DomainError('no-groups', 'The variable has too few different values to be cut into groups.', {
      hint: 'Cut it at chosen values instead.',
    });
  }
  return plain(cutAtValues(source, points));
}

function recode(source: Float64Array, dictionary: readonly string[], texts: Readonly<Record<string, string>>): DerivedColumn {
  const codes = new Map<string, number>();
  const newCode = dictionary.map((text) => {
    const wanted = Object.hasOwn(texts, text) ? (texts[text] ?? '').trim() : text;
    if (wanted === '') return Number.NaN;
    if (!codes.has(wanted)) codes.set(wanted, codes.size);
    return codes.get(wanted) ?? Number.NaN;
  });
  const { values, ...rest } = plain(source.map((code) => (code === code ? (newCode[code] ?? Number.NaN) : code)));
  return { ...rest, values, dictionary: [...codes.keys()] };
}

/** Between the names of the two categories. */
const WITH = ' · ';

function combine([first, second]: readonly [string, string], sources: DerivedSources): DerivedColumn {
  const [a, b] = [sourceOf(first, sources), sourceOf(second, sources)];
  const nameOf = (id: string, value: number) => {
    const { dictionary, labels } = sources.names.get(id) ?? { dictionary: null, labels: {} };
    const text = dictionary ? (dictionary[value] ?? '') : String(value);
    return Object.hasOwn(labels, text) ? (labels[text] ?? text) : text;
  };
  const codes = new Map<string, number>();
  const values = a.map((value, row) => {
    const other = b[row] ?? Number.NaN;
    if (value !== value || other !== other) return Number.NaN;
    const name = nameOf(first, value) + WITH + nameOf(second, other);
    const code = codes.get(name) ?? codes.size;
    codes.set(name, code);
    return code;
  });
  return { ...plain(values), dictionary: [...codes.keys()] };
}
