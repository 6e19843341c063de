import { mkdirSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { afterAll, expect } from 'vitest';
import { relativeError } from './tolerance';

/** Where the tests leave what they measured, for the table in docs/statistics.md. */
const FOLDER = '.tsc/accuracy';

/** The largest relative error of a function against a source. */
interface Measured {
  readonly name: string;
  readonly against: string;
  readonly error: number;
  readonly checks: number;
}

const measured = new Map<string, Measured>();
const digits: { set: string; figure: string; digits: number }[] = [];

/**
 * Expects a figure to be within a relative tolerance of one from outside, and keeps the error for the table.
 * @param name the public function that computed it
 * @param against where the wanted value comes from
 */
export function expectFigure(
  name: string,
  against: string,
  got: number,
  wanted: number | null | undefined,
  tolerance: number,
  what = name,
): void {
  const error = relativeError(got, wanted ?? Number.NaN);
  const same = Number.isNaN(got) && (wanted === null || wanted === undefined);
  expect(same ? 0 : error, `${what}: got ${got}, wanted ${wanted}`).toBeLessThanOrEqual(tolerance);
  const key = `${name} ${against}`;
  const before = measured.get(key);
  measured.set(key, { name, against, error: Math.max(same ? 0 : error, before?.error ?? 0), checks: (before?.checks ?? 0) + 1 });
}

/** Several figures of one function. */
export function expectFigures(
  name: string,
  against: string,
  got: ArrayLike<number>,
  wanted: readonly (number | null)[],
  tolerance: number,
  what = name,
): void {
  expect(got.length, what).toBe(wanted.length);
  for (let i = 0; i < wanted.length; i++) expectFigure(name, against, got[i], wanted[i], tolerance, `${what} [${i}]`);
}

/** Keeps the number of correct digits of a certified figure for the table. */
export function recordDigits(set: string, figure: string, value: number): void {
  digits.push({ set, figure, digits: value });
}

afterAll(() => {
  mkdirSync(FOLDER, { recursive: true });
  const file = basename(expect.getState().testPath ?? 'unknown', '.test.ts');
  writeFileSync(join(FOLDER, `${file}.json`), JSON.stringify({ measured: [...measured.values()], digits }));
});
