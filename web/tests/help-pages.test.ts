import { readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { REFERENCES } from '@ivlen/core';
import { describe, expect, it } from 'vitest';
import { DEMO } from '../src/help-texts/demo-values';
import { FIGURES } from '../src/help-texts/figures/figures';
import { findHelp } from '../src/help-texts/find-help';
import { GLOSSARY } from '../src/help-texts/glossary';
import { anchorOf, SECTIONS } from '../src/help-texts/sections';
import { PAGES, TEXTS } from '../src/help-texts/texts';
import { STAGES } from '../src/stages';
import { LISTS, withBlocks } from './help-blocks';

const FOLDER = resolve(import.meta.dirname, '../../docs/help');
const pages = [...TEXTS];
const learning = PAGES.filter(({ group }) => group === 'To learn').map(({ id }) => id);
const textOf = (id: string) => TEXTS.get(id) ?? '';
/** What a page says by itself: without generated parts, figures and the addresses of links. */
const ownWords = (text: string) =>
  text
    .replaceAll(/<!-- generated[\s\S]*?<!-- end -->/g, '')
    .replaceAll(/!\[.*?\]\(.*?\)/g, '')
    .replaceAll(/\]\(.*?\)/g, ']');

describe('the pages of help', () => {
  it('are those of the list, each under its own name', () => {
    expect([...PAGES.map(({ id }) => id), 'README'].toSorted()).toEqual([...TEXTS.keys()].toSorted());
    expect(PAGES.length).toBe(20);
    for (const { id, name } of PAGES) expect(textOf(id).split('\n')[0]).toBe(`# ${name}`);
  });

  it('have one for each stage, by its name', () => {
    expect(PAGES.filter(({ group }) => group === 'Stages').map(({ id, name }) => [id, name])).toEqual(
      STAGES.map(({ id, name }) => [id, name]),
    );
  });

  it.each(pages)('%s: every link leads somewhere', (id, text) => {
    const links = [...text.matchAll(/(?<!!)\[[^\]]+\]\(([^)]+)\)/g)].map(([, to = '']) => to);
    for (const to of links) expect(problemWith(to), `${id}: ${to}`).toBeNull();
  });

  it('would find a link that leads nowhere', () => {
    expect(problemWith('nowhere.md')).toBe('no such page');
    expect(problemWith('glossary.md#nothing')).toBe('no such heading');
    expect(problemWith('demo:shape?view=nothing')).toBe('no such view');
    expect(problemWith('demo:correlations?pair=nitrate~salt')).toBe('no such variable');
    expect(problemWith('https://example.org')).toBe('leads out of the application');
  });

  it.each(learning)('%s has at most 400 words, one figure with words of its own, and something to try', (id) => {
    const text = textOf(id);
    const words = ownWords(text)
      .split(/\s+/)
      .filter((word) => /\p{L}|\p{N}/u.test(word));
    expect(words.length).toBeLessThanOrEqual(400);
    const figures = [...text.matchAll(/!\[(.*?)\]\(figures\/([\w-]+)\.svg\)/g)];
    expect(figures.map(([, , name]) => name).filter((name) => name && FIGURES[name])).toHaveLength(1);
    expect(figures[0]?.[1]?.length).toBeGreaterThan(60);
    expect(text).toMatch(/## Try it\n\n.*\((demo:|\/figures)/s);
    expect(text).toContain('## Sources\n');
  });

  it('draw every figure that there is', () => {
    const drawn = pages.flatMap(([, text]) => [...text.matchAll(/\(figures\/([\w-]+)\.svg\)/g)].map(([, name]) => name));
    expect(drawn.toSorted()).toEqual(Object.keys(FIGURES).toSorted());
  });

  it('speak only of controls that are there: what is set in bold stands in the code', () => {
    const source = sources();
    const named = pages.flatMap(([id, text]) =>
      [...ownWords(text).matchAll(/\*\*(.+?)\*\*/g)].map(([, label = '']) => ({ id, label: label.replace(/[.:]$/, '') })),
    );
    const emphasis = new Set(['The sign', 'The size', '0', 'Quantity', 'Order', 'Two values', 'Category', 'Identifier']);
    const missing = named.filter(({ label }) => !emphasis.has(label) && !isInSource(source, label));
    expect(named.length).toBeGreaterThan(30);
    expect(missing).toEqual([]);
    expect(isInSource(source, 'Compute everything')).toBe(false);
  });
});

describe('what is generated in them', () => {
  it.each([...readdirSync(FOLDER)].filter((name) => name.endsWith('.md')))('%s is as the code has it', async (name) => {
    const file = join(FOLDER, name);
    await expect(withBlocks(readFileSync(file, 'utf8'))).toMatchFileSnapshot(file);
  });

  it('names every method, interval, adjustment, rule, caution and check that the core lists, and every reference', () => {
    const text = textOf('sources');
    const counts = Object.entries(LISTS).map(([, list]) => Object.keys(list).length);
    const lines = text.split('\n').filter((line) => line.startsWith('| ') && !/^\| (what|---)/.test(line));
    expect(lines).toHaveLength(counts.reduce((sum, count) => sum + count, 0));
    const used = new Set(Object.values(LISTS).flatMap((list) => Object.values(list).flat()));
    for (const key of used) expect(text).toContain(`- ${REFERENCES[key].full}`);
  });

  it('gives every list of the core a place in a page that explains it', () => {
    const explained = new Set(
      pages.flatMap(([, text]) => [...text.matchAll(/<!-- generated: sources (.+) -->/g)].flatMap(([, keys = '']) => keys.split(' '))),
    );
    const wanted = ['method', 'interval', 'adjustment', 'rule'].flatMap((list) =>
      Object.keys(LISTS[list] ?? {}).map((key) => `${list}:${key.replaceAll(' ', '-')}`),
    );
    expect(wanted.filter((key) => !explained.has(key))).toEqual([]);
  });
});

describe('the search', () => {
  const names = (typed: string) => findHelp(typed).map(({ section: { pageName, heading } }) => `${pageName}: ${heading}`);

  it('finds a term by its name first, and by a word of a text', () => {
    expect(names('VIF')[0]).toBe('Glossary: VIF');
    expect(names('kurtosis')[0]).toBe('Glossary: excess kurtosis');
    expect(names('one-sided')[0]).toBe('Glossary: one-sided');
    expect(names('towns')).toEqual(['Reading a matrix: Reading a matrix']);
    expect(findHelp('towns')[0]?.excerpt).toContain('distances between towns');
  });

  it('asks for every word, at the beginning of one', () => {
    expect(names('median stays')).toEqual(['Glossary: mean']);
    expect(names('owns')).toEqual([]);
    expect(names('   ')).toEqual([]);
  });

  it('looks through every page', () => {
    expect(new Set(SECTIONS.map(({ page }) => page)).size).toBe(PAGES.length);
  });
});

/** Why a link of a page leads nowhere; null if it does. */
function problemWith(to: string): string | null {
  const [, page, anchor] = /^([\w-]+)\.md(?:#(.+))?$/.exec(to) ?? [];
  if (page) {
    const text = TEXTS.get(page);
    if (text === undefined) return 'no such page';
    const headings = [...text.matchAll(/^## (.+)$/gm)].map(([, heading = '']) => anchorOf(heading));
    return anchor && !headings.includes(anchor) ? 'no such heading' : null;
  }
  if (to === '/figures') return null;
  if (!to.startsWith('demo:')) return 'leads out of the application';
  const [stage, search = ''] = to.slice('demo:'.length).split('?');
  const found = STAGES.find(({ id }) => id === stage);
  if (!found) return 'no such stage';
  const params = new URLSearchParams(search);
  const view = params.get('view');
  if (view !== null && !found.views.some(({ id }) => id === view)) return 'no such view';
  const pair = params.get('pair')?.split('~') ?? [];
  return pair.every((name) => DEMO.names.includes(name)) ? null : 'no such variable';
}

function sources(): string {
  return readdirSync('web/src', { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name) && !entry.parentPath.includes('help'))
    .map((entry) => readFileSync(join(entry.parentPath, entry.name), 'utf8'))
    .join('\n');
}

/** Whether words are a text of their own in the code: in quotes, or between tags. */
function isInSource(source: string, label: string): boolean {
  const words = label.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&').replaceAll(' ', '\\s+');
  return new RegExp(`['"\`>}]\\s*${words}( …)?\\s*['"\`<{]`).test(source);
}

describe('the glossary', () => {
  it('says of each term what it is and how it is misread, and where there is more', () => {
    expect(GLOSSARY.length).toBeGreaterThanOrEqual(30);
    for (const { heading, text } of GLOSSARY) {
      const [meaning = '', misread = '', more = ''] = text.split('\n\n');
      expect(misread, heading).toMatch(/^\*Misread\*/);
      expect(more, heading).toMatch(/^\*More:\* \[.+\]\([a-z-]+\.md\)$/);
      const sentences = `${meaning} ${misread}`.split(/[.:] /).length;
      expect(sentences, heading).toBeGreaterThanOrEqual(2);
      expect(`${meaning} ${misread}`.split(' ').length, heading).toBeLessThan(75);
    }
  });
});
