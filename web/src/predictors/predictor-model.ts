import { type Categories, type CollinearityResult, labelOf, type Variable } from '@ivlen/contract';
import type { ModelTriangle } from '@ivlen/core';
import { displayName } from '../study/variable-name';

/** A predictor as it stands in the model. */
export interface ModelTerm {
  readonly of: Variable;
  readonly name: string;
  /** Numbers of its columns. */
  readonly columns: readonly number[];
  readonly as: 'quantity' | 'levels';
  readonly levels: CollinearityResult['terms'][number]['levels'];
  readonly reference: number | null;
  /** What the reference level is called; an empty text of a quantity. */
  readonly referenceName: string;
  /** Whether it can be told at all: it varies in these rows. */
  readonly varies: boolean;
}

/** What the rows have left for everything about the predictors. */
export interface PredictorModel {
  readonly triangle: ModelTriangle;
  readonly terms: readonly ModelTerm[];
  /** What each column is called: the variable, or "geology: limestone". */
  readonly columnNames: readonly string[];
  readonly result: CollinearityResult;
}

/** Whether two lists are of the same predictors, entered alike. */
export function sameTerms(a: readonly ModelTerm[], b: readonly ModelTerm[]): boolean {
  return a.length === b.length && a.every((term, k) => term.of.id === b[k]?.of.id && term.columns.length === b[k]?.columns.length);
}

/** The terms before the switches whose ghosts stay: those that vary and were not switched off then. */
export function formerTerms(
  { terms }: PredictorModel,
  chosen: readonly { readonly variable: string }[],
  before: readonly string[] | null,
): ModelTerm[] | null {
  if (!before) return null;
  return terms.filter(({ varies, of: { id } }) => varies && !before.includes(id) && chosen.some(({ variable }) => variable === id));
}

/** Texts of a variable's stored values. */
export type LevelNames = ReadonlyMap<string, ReadonlyMap<number, string>>;

/** Texts of the stored values of variables that enter by levels. @param categories of each of them, in the same order */
export function levelNames(variables: readonly Variable[], categories: readonly (Categories | undefined)[]): LevelNames {
  return new Map(
    variables.map((variable, k) => [
      variable.id,
      new Map(categories[k]?.categories?.map(({ text, value }) => [value, labelOf(variable.valueLabels, text) ?? text] as const)),
    ]),
  );
}

export function predictorModel(result: CollinearityResult, variables: readonly Variable[], levels: LevelNames): PredictorModel {
  const terms = result.terms.map(({ variable: id, columns, as, levels: own, reference }): ModelTerm => {
    const of = variables.find((variable) => variable.id === id);
    if (!of) throw new Error(`the study has no variable ${id}`);
    const varies = columns.length > 0 && columns.every((column) => (result.measured[column]?.length ?? 0) > 0);
    const referenceName = reference === null ? '' : levelName(levels, of, reference);
    return { of, name: displayName(of), columns, as, levels: own, reference, referenceName, varies };
  });
  return {
    result,
    terms,
    triangle: triangleOf(result),
    columnNames: result.columns.map(({ term, level }) => {
      const { name = '', of } = terms[term] ?? {};
      return level === null || !of ? name : `${name}: ${levelName(levels, of, level)}`;
    }),
  };
}

/** A level as the codebook calls it. */
function levelName(levels: LevelNames, { id, valueLabels }: Pick<Variable, 'id' | 'valueLabels'>, value: number): string {
  return levels.get(id)?.get(value) ?? labelOf(valueLabels, String(value)) ?? String(value);
}

/** The upper triangle, row by row, back into a square. */
function triangleOf({ n, measured, columns, triangle: packed }: CollinearityResult): ModelTriangle {
  const size = measured.length;
  const triangle = new Float64Array(size * size);
  let at = 0;
  for (let i = 0; i < size; i++) for (let j = i; j < size; j++) triangle[i * size + j] = packed[at++] ?? 0;
  const of = (field: 'mean' | 'length' | 'tolerance') => Float64Array.from(measured, (column) => column[field]);
  return {
    n,
    triangle,
    lengths: of('length'),
    means: of('mean'),
    tolerances: of('tolerance'),
    predictors: columns.length,
    hasOutcome: size > columns.length,
  };
}
