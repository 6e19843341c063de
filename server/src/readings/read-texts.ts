import type { Reading, ReadingPreview } from '@ivlen/contract';
import { readLoosely } from '../imports/loose-number';
import { createNumberReader } from '../imports/number-reader';

/** Ways in which numbers are written, the likelier first. */
const READINGS: readonly Omit<Reading, 'limits'>[] = [
  { decimal: '.', thousands: ',' },
  { decimal: ',', thousands: '.' },
  { decimal: '.', thousands: ' ' },
  { decimal: ',', thousands: ' ' },
  { decimal: '.', thousands: "'" },
];
/** Texts and rows that are named. */
const [EXAMPLES, RESISTING, ROWS] = [8, 20, 5];
/** Of the texts with a unit so many must have the same. */
const SAME_UNIT = 0.8;

export interface ReadTexts {
  /** A number for each text; NaN for none. */
  readonly values: Float64Array;
  readonly isLimit: readonly boolean[];
  readonly unit: string;
}

/** The numbers that stand in some texts. */
export function readTexts(texts: readonly string[], { limits, ...marks }: Reading): ReadTexts {
  const readNumber = createNumberReader(marks);
  const found = texts.map((text) => readLoosely(text, readNumber));
  const units = new Map<string, number>();
  for (const number of found) if (number?.unit) units.set(number.unit, (units.get(number.unit) ?? 0) + 1);
  const [commonest] = [...units].sort((a, b) => b[1] - a[1]);
  const all = [...units.values()].reduce((sum, count) => sum + count, 0);
  return {
    values: Float64Array.from(found, (number) => {
      if (!number) return Number.NaN;
      if (!number.limit || limits === 'limit') return number.value;
      // Above a limit there is no half of what is left.
      return limits === 'half' && number.limit === '<' ? number.value / 2 : limits === 'half' ? number.value : Number.NaN;
    }),
    isLimit: found.map((number) => number?.limit != null),
    unit: commonest && commonest[1] >= SAME_UNIT * all ? commonest[0] : '',
  };
}

/** The way by which most texts are numbers. */
export function likeliestReading(texts: readonly string[]): Reading {
  const counted = READINGS.map((marks) => {
    const readNumber = createNumberReader(marks);
    return { marks, read: texts.filter((text) => readLoosely(text, readNumber) !== null).length };
  });
  const best = counted.reduce((a, b) => (b.read > a.read ? b : a));
  return { ...best.marks, limits: 'missing' };
}

/** What reading a column of texts would give. @param codes a text for each row, NaN for a missing cell */
export function previewReading(texts: readonly string[], codes: Float64Array, reading: Reading): ReadingPreview {
  const { values, isLimit, unit } = readTexts(texts, reading);
  const rows = new Map<number, { rows: number[]; count: number }>();
  let [cells, read, limits] = [0, 0, 0];
  for (const [row, code] of codes.entries()) {
    if (code !== code) continue;
    cells++;
    if (isLimit[code]) limits++;
    const value = values[code] ?? Number.NaN;
    if (value === value || isLimit[code]) {
      read++;
      continue;
    }
    const entry = rows.get(code) ?? { rows: [], count: 0 };
    if (entry.rows.length < ROWS) entry.rows.push(row + 1);
    entry.count++;
    rows.set(code, entry);
  }
  const resisting = [...rows].sort((a, b) => b[1].count - a[1].count).slice(0, RESISTING);
  return {
    reading,
    cells,
    read,
    resisting: resisting.map(([code, found]) => ({ text: texts[code] ?? '', ...found })),
    limits,
    unit,
    examples: texts
      .slice(0, EXAMPLES)
      .map((text, code) => ({ text, value: Number.isNaN(values[code] ?? Number.NaN) ? null : (values[code] ?? null) })),
  };
}
