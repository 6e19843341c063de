import type { ReactNode } from 'react';

/** One part of a methods line: words, or words that are the control which changes them. */
export type MethodsPart =
  | { readonly type: 'text'; readonly text: string }
  | {
      readonly type: 'choice';
      readonly text: string;
      /** What the control changes, for its accessible name. */
      readonly label: string;
      /** The popover's content; `close` ends it. */
      readonly content: (close: () => void) => ReactNode;
      /** Whether it stands as it usually does, which is said more quietly. */
      readonly usual?: boolean;
    };

/** The sentence that the parts make: what is copied, and what a report carries. */
export function methodsSentence(parts: readonly MethodsPart[]): string {
  return parts.map(({ text }) => text).join('');
}
