import { anchorOf } from './sections';
import { TEXTS } from './texts';

/** What a term means, in Markdown. */
export interface GlossaryEntry {
  readonly heading: string;
  readonly anchor: string;
  readonly text: string;
}

/** The entries of the glossary in its order. */
export const GLOSSARY: readonly GlossaryEntry[] = (TEXTS.get('glossary') ?? '')
  .split(/^## /m)
  .slice(1)
  .map((part) => {
    const end = part.indexOf('\n');
    const heading = part.slice(0, end);
    return { heading, anchor: anchorOf(heading), text: part.slice(end + 1).trim() };
  });
