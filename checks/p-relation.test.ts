import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

/** "p " before a number that is written without its "=": pText and formatP give the number alone. */
const WITHOUT_RELATION = /\bp (?:\$\{(?:pText|formatP|fineCoefficientText|formatFixed)\(|\{(?:pText|formatP)\()/;

it('no sentence says "p .103": p = .103, p < .001', () => {
  const files = ['core/src', 'contract/src', 'server/src', 'web/src'].flatMap((folder) =>
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
      .map((entry) => join(entry.parentPath, entry.name)),
  );
  expect(files.length).toBeGreaterThan(500);
  const found = files.flatMap((file) =>
    readFileSync(file, 'utf8')
      .split('\n')
      .flatMap((line, i) => (WITHOUT_RELATION.test(line) ? [`${file}:${i + 1}: ${line.trim()}`] : [])),
  );
  expect(found).toEqual([]);
});

it('would find one', () => {
  const inText = (call: string) => `F = 3, p $\{${call}}.`.replace('\\', '');
  for (const line of [inText('pText(p)'), '<td>p {pText(p)}</td>']) expect(WITHOUT_RELATION.test(line)).toBe(true);
  expect(WITHOUT_RELATION.test(inText('x').replace('p $', '$'))).toBe(false);
});
