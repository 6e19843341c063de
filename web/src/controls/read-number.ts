/** Reads a number as people write it: with a true minus, a decimal comma, without the leading zero. null for nothing. */
export function readNumber(text: string): number | null {
  const plain = text.trim().replace('−', '-').replace(',', '.');
  return plain === '' ? null : Number(plain);
}

/** What is wrong with a coefficient, in a sentence; null where nothing is. */
export function coefficientProblem(value: number | null): string | null {
  return value === null || Math.abs(value) < 1 ? null : 'A coefficient lies between −1 and 1, such as −.45.';
}

/** What is wrong with a number of rows. */
export function sizeProblem(n: number | null, fewest = 4): string | null {
  return n === null || (Number.isInteger(n) && n >= fewest && n <= 10_000_000) ? null : `n is a whole number of at least ${fewest}.`;
}
