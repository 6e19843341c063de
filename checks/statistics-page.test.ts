import { readFileSync } from 'node:fs';
import * as core from '@ivlen/core';
import { expect, it } from 'vitest';

const isClass = (name: string) => /^[A-Z]/.test(name);

it('docs/statistics.md lists every public function of core', () => {
  const page = readFileSync('docs/statistics.md', 'utf8');
  const functions = Object.entries(core).flatMap(([name, value]) => (typeof value === 'function' && !isClass(name) ? [name] : []));
  expect(functions.length).toBeGreaterThan(60);
  expect(functions.filter((name) => !page.includes(`| \`${name}\` |`))).toEqual([]);
});
