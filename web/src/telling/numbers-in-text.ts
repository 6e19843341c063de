/** A piece of a sentence: words, or a number with the relation before it. */
export type TextPiece =
  | { readonly from: number; readonly words: string }
  | { readonly value: string; readonly key: string; readonly name: string };

/** A number as sentences write it, with its relation; not one that is part of a word. */
const NUMBER = /(?:[<>=≤≥] ?)?(?<![\p{L}\p{N}_.])[−-]?(?:\d[\d,]*(?:\.\d+)?|\.\d+)(?: × 10[⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+)?(?![\p{L}\p{N}_])/gu;
/** So many letters before and after a number say what it is of: whole texts would be searched again for each number. */
const AROUND = 80;
const LAST_WORD = /([\p{L}²’]+)[^\p{L}]*$/u;

/**
 * A sentence cut at its numbers. Each number has a key of the sentence's name, its place and how many there are: where a sentence
 * is built otherwise, its former numbers are none of the new ones.
 * @param names words in which digits are no numbers: names of variables and their categories
 */
export function numbersInText(id: string, text: string, names: readonly string[]): TextPiece[] {
  const taken = namedStretches(text, names);
  const found = [...text.matchAll(NUMBER)].filter(
    ({ 0: match, index }) => !taken.some(([from, to]) => index < to && index + match.length > from),
  );
  let at = 0;
  const pieces = found.flatMap(({ 0: match, index }, k): TextPiece[] => {
    const [from, before] = [at, text.slice(at, index)];
    at = index + match.length;
    const name = nameOf(text.slice(Math.max(0, index - AROUND), index), text.slice(index + match.length, at + AROUND));
    const value = { value: match, key: `${id}.${k + 1}/${found.length}`, name };
    return before ? [{ from, words: before }, value] : [value];
  });
  return at < text.length ? [...pieces, { from: at, words: text.slice(at) }] : pieces;
}

/** What a number is of, from the words around it: "r", "df of r", "the lower limit". */
function nameOf(before: string, after: string): string {
  const ofSymbol = /([\p{L}²]+)\((?:\d+, )?$/u.exec(before)?.[1];
  if (ofSymbol && after.startsWith(')')) return `df of ${ofSymbol}`;
  if (before.endsWith('[')) return 'the lower limit';
  if (/\[[^\]]*, $/.test(before) && after.startsWith(']')) return 'the upper limit';
  if (/\p{L}\(\d+(?:, \d+)?\) $/u.test(before)) return /([\p{L}²]+)\([\d, ]+\) $/u.exec(before)?.[1] ?? '';
  const share = /^ % (of \p{L}+(?: \p{L}+)?|CI|more)/u.exec(after)?.[1];
  if (share) return `% ${share}`;
  return LAST_WORD.exec(before)?.[1] ?? '';
}

/** Where a text speaks of something by a name with digits in it. */
function namedStretches(text: string, names: readonly string[]): [number, number][] {
  return names
    .filter((name) => /\d/.test(name))
    .flatMap((name) => {
      const stretches: [number, number][] = [];
      for (let from = text.indexOf(name); from >= 0; from = text.indexOf(name, from + name.length))
        stretches.push([from, from + name.length]);
      return stretches;
    });
}
