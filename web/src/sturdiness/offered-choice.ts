import type { CautionsResult, PairCaution, Study, Variable, WayChoice } from '@ivlen/contract';
import type { Method } from '@ivlen/core';
import { CAUTION_WORDS } from '../coefficients/caution-words';

/** One option of a choice as it is offered. */
export interface OfferedOption {
  /** Stays the same whatever else is offered. */
  readonly key: string;
  /** In the list of options: "ρ", "out". */
  readonly label: string;
  /** After "with" in a sentence: "Spearman’s ρ", "row 118 (CO-018) out". */
  readonly inWords: string;
  /** Why it is ticked before anybody touched it; null where it is not. */
  readonly because: string | null;
}

/** A choice that bears on a pair, with all options that are offered; which of them are defensible is for the researcher to say. */
export interface OfferedChoice {
  readonly key: string;
  readonly title: string;
  /** With all options. */
  readonly choice: WayChoice;
  readonly options: readonly OfferedOption[];
  /** The place of the option in force, which is always ticked. */
  readonly own: number;
}

/** What choices of a pair hang on. */
export interface PairInQuestion {
  readonly study: Study;
  readonly x: Variable;
  readonly y: Variable;
  readonly method: Method;
  readonly missing: 'pairwise' | 'listwise';
  /** Variables that are correlated, for listwise deletion. */
  readonly among: readonly Variable[];
  /** Ids of the variables held constant. */
  readonly control: readonly string[];
  /** The variable whose groups the cautions looked at; null for none. */
  readonly groupBy: Variable | null;
  readonly cautions: CautionsResult | undefined;
}

export const IN_FORCE = 'in force';

/** The first caution whose remedy is one of some kinds, as a reason. */
export function remedyOf(found: readonly PairCaution[], ...kinds: readonly string[]): string | null {
  const caution = found.find(({ remedy }) => remedy !== null && kinds.includes(remedy.kind));
  return caution ? `remedy of “${CAUTION_WORDS[caution.code].short}”` : null;
}
