import { expect, it } from 'vitest';
import { linesWhere } from './source-lines';

/** A call with as many arguments as there are values: with some ten thousands of them the stack overruns. */
const SPREAD =
  /\b(?:Math\.(?:max|min|hypot)|\w+(?:\.\w+)*\.(?:push|unshift|concat)|String\.from(?:CharCode|CodePoint))\((?:[^()[\]{}]*,\s*)?\.\.\./;

it('no call has data spread into its arguments', () => {
  const { files, found } = linesWhere((line) => SPREAD.test(line) && !line.trim().startsWith('*'));
  expect(files).toBeGreaterThan(500);
  expect(found).toEqual([]);
});

it('would find one', () => {
  for (const line of ['Math.max(...rows)', 'rows.push(...more)', 'Math.min(0, ...rows)']) expect(SPREAD.test(line)).toBe(true);
  for (const line of ['greatest([...rows])', 'rows.push(row)', 'f(...rest)']) expect(SPREAD.test(line)).toBe(false);
});
