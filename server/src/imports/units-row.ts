import { COMMON_MISSING_CODES } from './missing-codes';
import type { NumberReader } from './number-reader';

const LONGEST_UNIT = 20;
const UNIT =
  /^(%|‰|°\s?[CF]|K|count|no\.|ppm|ppb|NTU|pH|yr|years?|days?|h|min|s|ha|([µμumckdhMG]?(g|m|l|L|S|Pa|mol|V|A|W|J|N|Hz|eq|t|bar)|ft|in|oz|lb|lbs|mi|yd|lux|lx|dB|rpm|cal|kcal|weeks?|months?|euros?|EUR|USD|GBP|[€$£]|hands|wk|mo)([²³23]|\s?[/·*]\s?\S+|\s\S+[⁻−-]\S+)?)$/;

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
 * Whether the first of some rows holds units, known or not: short words over most columns that hold numbers below, and a
 * number over none of them. One column alone needs a known unit, since a single word may be a remark.
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
  const short = over.filter(isShortWord);
  // A row of nothing but units may have one for a few columns only.
  const nothingElse = first.every((cell, i) => cell.trim() === '' || (numeric[i] && isShortWord(cell)));
  return (short.length > over.length / 2 || (nothingElse && short.length > 0)) && (short.length > 1 || areUnits(short));
}

/** A word or two without digits that begin it, and no code for missing. */
function isShortWord(cell: string): boolean {
  const text = bareUnit(cell);
  return (
    text !== '' &&
    text.length <= LONGEST_UNIT &&
    text.split(/\s+/).length <= 2 &&
    !COMMON_MISSING_CODES.includes(text) &&
    !/^[<>≤≥]?\s*[\d.,]/.test(text)
  );
}

const IN_BRACKETS = /^(.*\S)\s*[[(]([^[\]()]{1,20})[\])]$/;
const AFTER_COMMA = /^(.*\S),\s*(\S{1,12})$/;
/** What stands in brackets behind a name without being a unit. */
const NO_UNIT = /^(\d.*|mean|average|sd|se|median|min|max|total|sum|n|log|ln|sqrt|old|new|left|right|[a-z]\))$/i;

/** A name that holds its unit too, cut in two: "Depth (cm)", "yield [kg]", "load, kN"; null for others. */
export function nameAndUnit(text: string): { readonly name: string; readonly unit: string } | null {
  const [, name, unit] = IN_BRACKETS.exec(text) ?? [];
  if (name && unit && !NO_UNIT.test(unit.trim())) return { name, unit: unit.trim() };
  const [, before, after] = AFTER_COMMA.exec(text) ?? [];
  return before && after && UNIT.test(after) ? { name: before, unit: after } : null;
}
