import type { Kind, Storage } from '@ivlen/contract';

const FEWEST_FOR_ORDER = 10;
const LONGEST_SCALE = 7;
const IDENTIFIER_SHARE = 0.5;
const IDENTIFIER_NAME = /(^|[^a-z])(id|nr|no|code|key|index|identifier|subject|case|row)([^a-z]|$)/i;

/** What is known of a column once it is read. */
export interface ColumnNumbers {
  readonly name: string;
  readonly storage: Storage;
  readonly present: number;
  /** null where it was not counted, as among many values with decimals. */
  readonly distinct: number | null;
  readonly min: number;
  readonly max: number;
  readonly integers: boolean;
  /** Whether each value is one more than the one before it. */
  readonly running: boolean;
}

/** Whole numbers that run from one such to another are years, as a rule. */
const YEARS = { first: 1800, last: 2100 };

/**
 * Infers what a column is. Numbers are continuous, or discrete where all are whole; a scale of 3 to 7 whole steps from
 * 0 or 1 is an order; whole numbers that never repeat and count the rows (from any number on, as years do not), or are called
 * an id, identify; two whole numbers alone are two-valued. Text that mostly does not repeat identifies, other text is nominal.
 */
export function inferKind({ name, storage, present, distinct, min, max, integers, running }: ColumnNumbers): Kind {
  if (storage === 'day') return 'date';
  if (storage === 'code') return present > 2 && distinct !== null && distinct > present * IDENTIFIER_SHARE ? 'identifier' : 'nominal';
  if (!integers || distinct === null) return 'continuous';
  const counts = distinct === present && present > 2 && max - min === present - 1;
  const years = min >= YEARS.first && max <= YEARS.last;
  if (counts && (min === 0 || min === 1 || (running && !years)) && present >= FEWEST_FOR_ORDER) return 'identifier';
  if (distinct === present && present > 2 && IDENTIFIER_NAME.test(name)) return 'identifier';
  if (distinct === 2 && present >= FEWEST_FOR_ORDER) return 'two-valued';
  const isScale = (min === 0 || min === 1) && distinct === max - min + 1 && distinct >= 3 && distinct <= LONGEST_SCALE;
  return isScale && present >= FEWEST_FOR_ORDER ? 'ordinal' : 'discrete';
}

/** How many different values there are; sorts a copy. */
export function countDistinct(values: Float64Array): number {
  const sorted = values.filter((value) => value === value).sort();
  let distinct = 0;
  for (let i = 0; i < sorted.length; i++) if (i === 0 || sorted[i] !== sorted[i - 1]) distinct++;
  return distinct;
}
