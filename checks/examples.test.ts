import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as core from '@ivlen/core';
import { expect, it } from 'vitest';
import { written } from './written';

interface Example {
  readonly name: string;
  readonly code: string;
  readonly result: string;
}

/** The examples in the comments over exported functions: code over one line or more, and behind it what it gives. */
function examplesIn(source: string): Example[] {
  const documented = /\/\*\*((?:(?!\*\/)[\s\S])*)\*\/\s*export (?:async )?function (\w+)/g;
  return [...source.matchAll(documented)].flatMap(([, comment = '', name = '']) => {
    const [, example] = comment.split('@example');
    const text = (example ?? '').replaceAll(/\n \* ?/g, '\n').trim();
    const at = text.lastIndexOf('; // ');
    return at < 0 ? [] : [{ name, code: text.slice(0, at), result: text.slice(at + '; // '.length).trim() }];
  });
}

const sources = readdirSync('core/src', { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isFile() && entry.name.endsWith('.ts'))
  .map((entry) => readFileSync(join(entry.parentPath, entry.name), 'utf8'));
const examples = sources.flatMap(examplesIn);

it('are found in comments, over several lines too', () => {
  const source = '/**\n * Adds.\n *\n * @example\n * add(1,\n *   2); // 3\n */\nexport function add() {}';
  expect(examplesIn(source)).toEqual([{ name: 'add', code: 'add(1,\n  2)', result: '3' }]);
});

it('every public function of the core has one', () => {
  const functions = Object.entries(core).flatMap(([name, value]) => (typeof value === 'function' && !/^[A-Z]/.test(name) ? [name] : []));
  const shown = new Set(examples.map(({ name }) => name));
  expect(functions.length).toBeGreaterThan(100);
  expect(functions.filter((name) => !shown.has(name))).toEqual([]);
});

const published = examples.filter(({ name }) => Object.hasOwn(core, name));
it.each(published)('$name gives what its example says', ({ code, result }) => {
  const run = new Function(...Object.keys(core), `return (${code});`);
  expect(written(run(...Object.values(core)))).toBe(result);
});
