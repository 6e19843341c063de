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

it('docs/statistics.md gives every published source of the core’s list, and what was simulated', () => {
  const page = readFileSync('docs/statistics.md', 'utf8');
  const references = Object.values(core.REFERENCES);
  expect(references.length).toBeGreaterThan(40);
  expect(references.filter(({ full }) => !page.includes(`- ${full}`))).toEqual([]);
  const cited = [core.METHOD_SOURCES, core.INTERVAL_SOURCES, core.ADJUSTMENT_SOURCES, core.RULE_SOURCES, core.CAUTION_SOURCES].flatMap(
    (list) => Object.entries(list).map(([what, keys]) => [what, core.citationOf(keys as readonly core.ReferenceKey[])] as const),
  );
  expect(cited.filter(([what, sources]) => sources !== '' && !page.includes(`| ${what} | ${sources} |`))).toEqual([]);
  const simulated: { what: string; setting: string; share: number }[] = JSON.parse(readFileSync('reference/simulated.json', 'utf8'));
  expect(simulated.length).toBeGreaterThan(40);
  const rowOf = ({ what, setting, share }: (typeof simulated)[number]) =>
    `| ${what} | ${setting} | ${share.toFixed(3).replace(/^0/, '')} |`;
  expect(simulated.map(rowOf).filter((row) => !page.includes(row))).toEqual([]);
});
