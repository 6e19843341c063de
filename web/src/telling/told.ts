import type { PairCaution, PairCheckResult, Pinned, ReportPart, Variable } from '@ivlen/contract';
import type { Method, ReferenceKey } from '@ivlen/core';
import type { CautionSubject } from '../coefficients/caution-words';
import type { CheckSubject } from '../coefficients/check-words';
import type { BuildFigure } from '../figures/export/figure-options';
import type { TextTable } from '../tables/columns';
import type { Asking } from './asking';

/** A sentence with a name that stays when its numbers change, so that an edited text can go on with them. */
export interface ToldSentence {
  readonly id: string;
  readonly text: string;
  /** Whether its numbers are part of words: years, versions, what people wrote. */
  readonly fixed?: boolean;
}

/** Sentences that stand together. */
export interface ToldParagraph {
  readonly sentences: readonly ToldSentence[];
  /** A line of a list. */
  readonly item?: boolean;
}

/** A table as papers print it, with every digit in a file beside it. */
export interface ToldTable extends TextTable {
  readonly csv: string;
  /** Columns from the left that stand again where the table goes on in another part. */
  readonly repeated?: number;
}

/** A figure that can be drawn for the page and for files. */
export interface ToldFigure {
  readonly caption: string;
  /** What it shows, for those who do not see it. */
  readonly alternative: string;
  readonly draw: BuildFigure;
}

/** A pair that is reported by itself, with what was looked at. */
export interface ToldPair {
  readonly x: Variable;
  readonly y: Variable;
  readonly method: Method;
  /** What the words of its checks and cautions speak of. */
  readonly subject: CheckSubject & CautionSubject;
  /** Level of decisions. */
  readonly alpha: number;
  readonly checks: readonly PairCheckResult[];
  readonly cautions: readonly PairCaution[];
}

/** What something pinned says with the data as they are. */
export interface Told {
  /** A heading, where it is a text; a caption is its table's or figure's. */
  readonly heading: string;
  readonly paragraphs: readonly ToldParagraph[];
  readonly tables: readonly ToldTable[];
  readonly figures: readonly ToldFigure[];
  /** The parts that are shown unless chosen otherwise; all where left out. */
  readonly usual?: readonly ReportPart[];
  /** How it was computed, as the methods line says it; none where a sentence of another kind is enough. */
  readonly methods: readonly string[];
  readonly sources: readonly ReferenceKey[];
  readonly pairs: readonly ToldPair[];
  /** How many p-values stand in it. */
  readonly tests: number;
  /** How they are adjusted for their number, in words; left out where they are not. */
  readonly adjusted?: string;
}

export const NOTHING_TOLD: Told = {
  heading: '',
  paragraphs: [],
  tables: [],
  figures: [],
  methods: [],
  sources: [],
  pairs: [],
  tests: 0,
};

/** Says what something pinned in a stage shows. */
export type Tell = (pinned: Pinned, asking: Asking) => Promise<Told>;

export function sentence(id: string, text: string): ToldSentence {
  return { id, text };
}

/** A sentence of which no number is computed. */
export function fixedSentence(id: string, text: string): ToldSentence {
  return { id, text, fixed: true };
}

export function paragraph(...sentences: readonly (ToldSentence | null)[]): ToldParagraph {
  return { sentences: sentences.filter((item) => item !== null) };
}
