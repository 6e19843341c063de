const DAY_MS = 86_400_000;

/** Reads a date as days since 1970-01-01; NaN for what is not one. */
export type DateReader = (text: string) => number;

const ISO = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ]\d{1,2}:\d{2}.*)?$/;
const DOTTED = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/;
const SLASHED = /^(\d{1,2})\/(\d{1,2})\/(\d{4})$/;

/** 2024-05-31. */
export const readIso: DateReader = (text) => {
  const match = ISO.exec(text);
  return match ? toDay(Number(match[1]), Number(match[2]), Number(match[3])) : Number.NaN;
};

function readDayFirst(pattern: RegExp): DateReader {
  return (text) => {
    const match = pattern.exec(text);
    return match ? toDay(Number(match[3]), Number(match[2]), Number(match[1])) : Number.NaN;
  };
}

const readMonthFirst: DateReader = (text) => {
  const match = SLASHED.exec(text);
  return match ? toDay(Number(match[3]), Number(match[1]), Number(match[2])) : Number.NaN;
};

/**
 * The reader under which every one of the texts is a date, if there is exactly one: 2024-05-31, 31.5.2024, 31/5/2024 or
 * 5/31/2024. Dates that could be read day first as well as month first give null; they are not guessed.
 */
export function detectDateReader(texts: readonly string[]): DateReader | null {
  if (texts.length === 0) return null;
  const readsAll = (reader: DateReader) => texts.every((text) => !Number.isNaN(reader(text)));
  const dayFirst = readDayFirst(SLASHED);
  if (readsAll(readIso)) return readIso;
  if (readsAll(readDayFirst(DOTTED))) return readDayFirst(DOTTED);
  if (readsAll(dayFirst) !== readsAll(readMonthFirst)) return readsAll(dayFirst) ? dayFirst : readMonthFirst;
  return null;
}

function toDay(year: number, month: number, day: number): number {
  const time = Date.UTC(year, month - 1, day);
  const date = new Date(time);
  // Date.UTC carries 31 February over into March.
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day ? time / DAY_MS : Number.NaN;
}
