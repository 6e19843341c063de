import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const COLOUR = /#[0-9a-f]{3,8}\b|\brgba?\(\s*\d/i;

it('no component has a colour of its own: they stand in tokens.css', () => {
  const files = readdirSync('web/src', { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.(tsx?|css)$/.test(entry.name) && entry.name !== 'tokens.css')
    .map((entry) => join(entry.parentPath, entry.name));
  expect(files.length).toBeGreaterThan(40);
  expect(files.filter((file) => COLOUR.test(readFileSync(file, 'utf8')))).toEqual([]);
  expect(COLOUR.test('#faf8f3')).toBe(true);
});
