import { TERMS, type TermId } from './terms';

/** A term within a text, and what stands around it. */
export interface TermPlace {
  readonly term: TermId;
  readonly before: string;
  readonly word: string;
  readonly after: string;
}

/** The longest first, so that "adjusted R²" is not taken for "adjusted". */
const WORDS = (Object.keys(TERMS) as TermId[])
  .flatMap((term) => TERMS[term].words.map((word) => ({ term, word })))
  .toSorted((a, b) => b.word.length - a.word.length);
const IN_WORD = /[\p{L}\p{N}²-]/u;

/** The first term of a text: the one that begins furthest to the left, and of these the longest; null where it holds none. */
export function termIn(text: string): TermPlace | null {
  let found: { readonly at: number; readonly word: string; readonly term: TermId } | null = null;
  for (const { term, word } of WORDS) {
    const at = placeOf(text, word);
    if (at >= 0 && (found === null || at < found.at)) found = { at, word: text.slice(at, at + word.length), term };
  }
  if (!found) return null;
  const { at, word, term } = found;
  return { term, before: text.slice(0, at), word, after: text.slice(at + word.length) };
}

/** Where a word stands as a whole word. A sentence may begin with it; a symbol means what its case says. */
function placeOf(text: string, word: string): number {
  const isSymbol = word.length <= 2;
  const [where, what] = isSymbol ? [text, word] : [text.toLowerCase(), word.toLowerCase()];
  for (let at = where.indexOf(what); at >= 0; at = where.indexOf(what, at + 1)) {
    const [before = ' ', after = ' '] = [where[at - 1], where[at + what.length]];
    if (!IN_WORD.test(before) && !IN_WORD.test(after)) return at;
  }
  return -1;
}
