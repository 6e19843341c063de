import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

/** A call with as many arguments as there are values: with some ten thousands of them the stack overruns. */
const SPREAD =
  /\b(?:Math\.(?:max|min|hypot)|\w+(?:\.\w+)*\.(?:push|unshift|concat)|String\.from(?:CharCode|CodePoint))\((?:[^()[\]{}]*,\s*)?\.\.\./;

it('no call has data spread into its arguments', () => {
  const files = ['core/src', 'contract/src', 'server/src', 'web/src'].flatMap((folder) =>
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
      .map((entry) => join(entry.parentPath, entry.name)),
  );
  expect(files.length).toBeGreaterThan(500);
  const found = files.flatMap((file) =>
    readFileSync(file, 'utf8')
      .split('\n')
      .flatMap((line, i) => (SPREAD.test(line) && !line.trim().startsWith('*') ? [`${file}:${i + 1}: ${line.trim()}`] : [])),
  );
  expect(found).toEqual([]);
});

it('would find one', () => {
  for (const line of ['Math.max(...rows)', 'rows.push(...more)', 'Math.min(0, ...rows)']) expect(SPREAD.test(line)).toBe(true);
  for (const line of ['greatest([...rows])', 'rows.push(row)', 'f(...rest)']) expect(SPREAD.test(line)).toBe(false);
});
