import type { NumberReader } from './number-reader';

const LONGEST_UNIT = 20;
const UNIT =
  /^(%|‰|°\s?[CF]|K|count|no\.|ppm|ppb|NTU|pH|yr|years?|days?|h|min|s|ha|[µμumckMG]?(g|m|l|L|S|Pa|mol|V|A|W|J|N|Hz|eq)([²³23]|\s?[/·*]\s?\S+|\s\S+[⁻−-]\S+)?)$/;

/** A unit without the brackets that it is often written in. */
export function bareUnit(text: string): string {
  return /^[[(](.*)[\])]$/.exec(text.trim())?.[1]?.trim() ?? text.trim();
}

/** Whether texts, at the place of names, are units. */
export function areUnits(texts: readonly string[]): boolean {
  const written = texts.map(bareUnit).filter((text) => text !== '');
  return written.length > 0 && written.filter((text) => UNIT.test(text)).length > written.length / 2;
}

/**
 * Whether the first of some rows holds units: short texts over most columns that hold numbers below, and a number over
 * none of them.
 */
export function looksLikeUnits(rows: readonly (readonly string[])[], readNumber: NumberReader): boolean {
  const [first = [], ...below] = rows;
  if (below.length === 0) return false;
  const isNumber = (cell: string | undefined) => cell !== undefined && !Number.isNaN(readNumber(cell.trim()));
  const numeric = first.map((_, i) => {
    const cells = below.map((row) => row[i]?.trim() ?? '').filter((cell) => cell !== '');
    return cells.length > 0 && cells.filter(isNumber).length > cells.length / 2;
  });
  const over = first.filter((_, i) => numeric[i]).map((cell) => cell.trim());
  if (over.length === 0 || over.some(isNumber)) return false;
  const short = over.filter((cell) => cell !== '' && cell.length <= LONGEST_UNIT);
  return short.length > over.length / 2 && areUnits(short);
}
