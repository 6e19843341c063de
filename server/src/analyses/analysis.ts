import type { AnalysisKind, RequestOf, ResultOfKind, Variable } from '@ivlen/contract';
import type { AnalysisColumns, CodebookField } from './analysis-columns';

/** Told while an analysis goes on: how much is done, and of how much. */
export type Tell = (done: number, total: number) => void;

/** What a row number, from 0, is called by the identifier; null where nothing names it. */
export type NameOf = (row: number) => string | null;

/** One kind of analysis. Listed in `analyses.ts`; request and result stand in the contract. */
export interface AnalysisModule<K extends AnalysisKind> {
  /** The variables whose columns it needs, besides those that its rows depend on. @throws {DomainError} one that cannot serve */
  needs(request: RequestOf<K>, all: readonly Variable[]): Variable[];
  /** What it reads of the codebook: a change of anything else leaves its results as they are. */
  readonly looksAt?: readonly CodebookField[];
  /** @param columns only the rows that the request is about */
  run(request: RequestOf<K>, columns: AnalysisColumns, tell: Tell): ResultOfKind<K>;
  /** What its progress counts, if it can take long. */
  readonly counts?: string;
  /** Puts the names of rows into a result that lists rows, which are numbered from 1. */
  namesRows?(result: ResultOfKind<K>, nameOf: NameOf): ResultOfKind<K>;
}
