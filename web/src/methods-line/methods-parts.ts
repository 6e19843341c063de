import type { ReactNode } from 'react';

/** Words of a stage's sentence that stand for a choice. */
export interface ChoiceWords<Choice extends string> {
  readonly choice: Choice;
  readonly text: string;
  /** What the choice is about, for its accessible name. */
  readonly label: string;
  /** Whether it stands as it usually does, which is said more quietly. */
  readonly usual?: boolean;
  /** A choice that says nothing here: it can be made, and is left out where the sentence is taken along, with the words before it. */
  readonly idle?: boolean;
  /** Whether what changes it needs room. */
  readonly wide?: boolean;
}

/** A part of a stage's sentence, which is data: the methods line, its copy, captions and reports follow from it. */
export type SentencePart<Choice extends string> = string | ChoiceWords<Choice>;

/** What changes each choice of a sentence; `close` ends it. */
export type Editors<Choice extends string> = Readonly<Record<Choice, (close: () => void) => ReactNode>>;

/** One part of a methods line: words, or words that are the control which changes them. */
export type MethodsPart =
  | { readonly type: 'text'; readonly text: string }
  | (Omit<ChoiceWords<string>, 'choice'> & { readonly type: 'choice'; readonly content: (close: () => void) => ReactNode });

/** The sentence with its controls in it. */
export function withEditors<Choice extends string>(parts: readonly SentencePart<Choice>[], editors: Editors<Choice>): MethodsPart[] {
  return parts.map((part) => {
    if (typeof part === 'string') return { type: 'text', text: part };
    const { choice, ...words } = part;
    return { type: 'choice', ...words, content: editors[choice] };
  });
}

/** The sentence that the parts make: what is copied, and what a report carries. */
export function sentenceOf(parts: readonly (SentencePart<string> | MethodsPart)[]): string {
  const isIdle = (part: (typeof parts)[number] | undefined) => typeof part === 'object' && 'idle' in part && part.idle === true;
  const isText = (part: (typeof parts)[number]) => typeof part === 'string' || ('type' in part && part.type === 'text');
  return parts
    .filter((part, i) => !isIdle(part) && !(isText(part) && isIdle(parts[i + 1])))
    .map((part) => (typeof part === 'string' ? part : part.text))
    .join('');
}
