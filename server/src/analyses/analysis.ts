import type { AnalysisKind, RequestOf, ResultOfKind, Variable } from '@ivlen/contract';
import type { ColumnSums, RankColumn } from '@ivlen/core';
import type { AnalysisColumns, CodebookField } from './analysis-columns';

/** Told while an analysis goes on: how much is done, and of how much. */
export type Tell = (done: number, total: number) => void;

/** What a row number, from 0, is called by the identifier; null where nothing names it. */
export type NameOf = (row: number) => string | null;

/** A part of a result, as it is kept; its kind alone knows what it holds. */
export type Piece = Readonly<Record<string, unknown>>;

export interface Pieces<K extends AnalysisKind> {
  /** The parts of a request that are worth keeping: what each is, and the variables it rests on. */
  of(request: RequestOf<K>): { readonly key: string; readonly variables: readonly string[] }[];
  /** The same parts of a result, by their keys. */
  from(request: RequestOf<K>, result: ResultOfKind<K>): ReadonlyMap<string, Piece>;
  /** Present where some of them can be computed apart, so that threads share the work. */
  readonly apart?: PiecesApart<K>;
}

/** What was made of columns before pieces are computed. */
export interface PreparedVariables {
  readonly ranks: ReadonlyMap<string, RankColumn>;
  /** Of several variables together, in the order of the request. */
  readonly sums: { readonly of: readonly string[]; readonly sums: ColumnSums } | null;
}

export interface PiecesApart<K extends AnalysisKind> {
  /** The variables that are to be ranked, those whose sums are to be taken, and how many numbers are gone through after that. */
  needs(request: RequestOf<K>, wanted: ReadonlySet<string>, rows: number): PieceNeeds;
  /** @param columns only the rows that the request is about */
  compute(
    request: RequestOf<K>,
    columns: AnalysisColumns,
    wanted: ReadonlySet<string>,
    prepared: PreparedVariables,
    tell: Tell,
  ): ReadonlyMap<string, Piece>;
}

export interface PieceNeeds {
  readonly ranks: readonly string[];
  readonly sums: readonly string[];
  /** How many numbers are gone through. */
  readonly effort: number;
}

/** One kind of analysis. Listed in `analyses.ts`; request and result stand in the contract. */
export interface AnalysisModule<K extends AnalysisKind> {
  /** The variables whose columns it needs, besides those that its rows depend on. @throws {DomainError} one that cannot serve */
  needs(request: RequestOf<K>, all: readonly Variable[]): Variable[];
  /** What it reads of the codebook: a change of anything else leaves its results as they are. */
  readonly looksAt?: readonly CodebookField[];
  /**
   * @param columns only the rows that the request is about
   * @param known pieces that were computed before, by their keys
   */
  run(request: RequestOf<K>, columns: AnalysisColumns, tell: Tell, known: ReadonlyMap<string, Piece>): ResultOfKind<K>;
  /** Parts that are kept by themselves, so that a request which shares some of them computes only the others. */
  readonly pieces?: Pieces<K>;
  /** What its progress counts, if it can take long. */
  readonly counts?: string;
  /** Puts the names of rows into a result that lists rows, which are numbered from 1. */
  namesRows?(result: ResultOfKind<K>, nameOf: NameOf): ResultOfKind<K>;
}
