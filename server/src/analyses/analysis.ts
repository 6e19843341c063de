import type { AnalysisKind, RequestOf, ResultOfKind, Variable } from '@ivlen/contract';
import type { ColumnSums, RankColumn } from '@ivlen/core';
import type { AnalysisColumns, CodebookField } from './analysis-columns';

/** Told while an analysis goes on: how much is done, and of how much. */
export type Tell = (done: number, total: number) => void;

/** What a row number, from 0, is called by the identifier; null where nothing names it. */
export type NameOf = (row: number) => string | null;

/**
 * Some of the parts that a result is made of: where each stands in the list that its kind gives, and, field by field, what
 * it is. Fields go between threads much faster than an object for each part. The kind alone knows what they hold.
 */
export interface Pieces {
  readonly places: readonly number[];
  readonly fields: Readonly<Record<string, readonly unknown[]>>;
}

export const NO_PIECES: Pieces = { places: [], fields: {} };

/** What a part is, told apart from all others of the same rows, and the variables it rests on. */
export interface PieceKey {
  readonly key: string;
  readonly variables: readonly string[];
}

/** How a kind of result falls into parts, which are kept by themselves and can be computed apart. */
export interface InPieces<K extends AnalysisKind> {
  of(request: RequestOf<K>): readonly PieceKey[];
  /** All parts of a result. */
  from(request: RequestOf<K>, result: ResultOfKind<K>): Pieces;
  /** What is to be made of the columns for the parts at some places. */
  needs(request: RequestOf<K>, places: readonly number[], rows: number): PieceNeeds;
  /** @param columns only the rows that the request is about */
  compute(request: RequestOf<K>, columns: AnalysisColumns, places: readonly number[], prepared: PreparedVariables, tell: Tell): Pieces;
}

export interface PieceNeeds {
  /** Variables that are to be ranked. */
  readonly ranks: readonly string[];
  /** Variables whose sums and products are to be taken, together. */
  readonly sums: readonly string[];
  /** How many numbers are gone through. */
  readonly effort: number;
}

/** What was made of columns before pieces are computed. */
export interface PreparedVariables {
  readonly ranks: ReadonlyMap<string, RankColumn>;
  readonly sums: { readonly of: readonly string[]; readonly sums: ColumnSums } | null;
}

/** One kind of analysis. Listed in `analyses.ts`; request and result stand in the contract. */
export interface AnalysisModule<K extends AnalysisKind> {
  /** The variables whose columns it needs, besides those that its rows depend on. @throws {DomainError} one that cannot serve */
  needs(request: RequestOf<K>, all: readonly Variable[]): Variable[];
  /** What it reads of the codebook: a change of anything else leaves its results as they are. */
  readonly looksAt?: readonly CodebookField[];
  /**
   * @param columns only the rows that the request is about
   * @param known parts that were computed before
   */
  run(request: RequestOf<K>, columns: AnalysisColumns, tell: Tell, known: Pieces): ResultOfKind<K>;
  /** Parts that are kept by themselves, so that a request which shares some of them computes only the others. */
  readonly pieces?: InPieces<K>;
  /** Whether it is about all rows of the study, those set aside and those outside the subset with them. */
  readonly allRows?: true;
  /** What its progress counts, if it can take long. */
  readonly counts?: string;
  /** Puts the names of rows into a result that lists rows, which are numbered from 1. */
  namesRows?(result: ResultOfKind<K>, nameOf: NameOf): ResultOfKind<K>;
}
