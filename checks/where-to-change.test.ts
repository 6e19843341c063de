import { existsSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

/** The changes of the table, and the files that each names. */
function changesIn(page: string): Map<string, string[]> {
  const section = page.split('## Where to change what')[1]?.split('\n## ')[0] ?? '';
  const rows = [...section.matchAll(/^\| (?!Change|-)([^|]+) \| ([^|]+) \|$/gm)];
  return new Map(rows.map(([, change = '', files = '']) => [change, [...files.matchAll(/`([^`]+)`/g)].map(([, path = '']) => path)]));
}

describe('docs/architecture.md, where to change what', () => {
  const changes = changesIn(readFileSync('docs/architecture.md', 'utf8'));

  it('names the likely changes, each with files that exist', () => {
    expect(changes.size).toBe(16);
    const lost = [...changes].flatMap(([change, files]) => files.filter((path) => !existsSync(path)).map((path) => `${change}: ${path}`));
    expect(lost).toEqual([]);
    expect([...changes.values()].every((files) => files.length > 0 && files.length <= 6)).toBe(true);
  });

  it('would notice a file that moved', () => {
    const page = '## Where to change what\n\n| Change | Files |\n|---|---|\n| a word | `core/src/moved.ts`, `README.md` |\n\n## Next\n';
    expect(changesIn(page)).toEqual(new Map([['a word', ['core/src/moved.ts', 'README.md']]]));
  });

  // What a coefficient, a caution or a stage is called where it must be known: a file of the table that does not know it has lost its part.
  it.each([
    ['a coefficient', /kendall/],
    ['a caution', /few-cases|few cases|Remed/i],
    ['an analysis', /influence/],
    ['an export format', /parquet/],
    ['a stage', /collinearity/],
    ['an import format', /parquet/i],
  ])('%s is known in each of its files', (change, known) => {
    const files = changes.get(change) ?? [];
    expect(files.length).toBeGreaterThan(0);
    expect(files.filter((path) => !known.test(readFileSync(path, 'utf8')))).toEqual([]);
  });
});
