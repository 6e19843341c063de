import {
  ADJUSTMENT_SOURCES,
  CAUTION_SOURCES,
  CHECK_SOURCES,
  COEFFICIENTS,
  citationOf,
  INTERVAL_SOURCES,
  METHOD_SOURCES,
  type Method,
  REFERENCES,
  type ReferenceKey,
  RULE_SOURCES,
} from '@ivlen/core';
import { CAUTION_WORDS } from '../src/coefficients/caution-words';
import { ADJUSTMENTS } from '../src/coefficients/sentence-parts';
import { INTERVAL_WORDS } from './help-names';

type Listed = Readonly<Record<string, readonly ReferenceKey[]>>;

/** Every list of sources that the core has, by the word that a block of help names it with. */
export const LISTS: Readonly<Record<string, Listed>> = {
  method: METHOD_SOURCES,
  interval: INTERVAL_SOURCES,
  adjustment: ADJUSTMENT_SOURCES,
  rule: RULE_SOURCES,
  caution: CAUTION_SOURCES,
  check: CHECK_SOURCES,
};

const BLOCK = /<!-- generated: (.+) -->\n[\s\S]*?<!-- end -->/g;

/** A page of help with its generated parts as the lists of the code have them. */
export function withBlocks(text: string): string {
  return text.replaceAll(BLOCK, (_, what: string) => `<!-- generated: ${what} -->\n\n${block(what)}\n\n<!-- end -->`);
}

function block(what: string): string {
  const [kind, ...keys] = what.split(' ');
  if (kind === 'cautions') return cautions();
  if (kind === 'all-sources') return allSources();
  if (kind === 'sources') return `## Sources\n\n${references(keys.flatMap(keysOf))}`;
  throw new Error(`Help has no generated part “${what}”.`);
}

/** "rule:variance-inflation" → its references; blanks stand as hyphens. */
function keysOf(named: string): readonly ReferenceKey[] {
  const [list = '', ...rest] = named.split(':');
  const name = rest.join(':');
  const found = Object.entries(LISTS[list] ?? {}).find(([key]) => key.replaceAll(' ', '-') === name);
  if (!found) throw new Error(`The core lists no ${named}.`);
  return found[1];
}

function references(keys: readonly ReferenceKey[]): string {
  return [...new Set(keys)]
    .map((key) => REFERENCES[key].full)
    .toSorted((a, b) => a.localeCompare(b, 'en'))
    .map((full) => `- ${full}`)
    .join('\n');
}

function cautions(): string {
  const rows = Object.entries(CAUTION_WORDS).map(([code, { short, threshold, remedy }]) => [
    short,
    threshold,
    remedy,
    citationOf(CAUTION_SOURCES[code as keyof typeof CAUTION_SOURCES]) || 'our own rule',
  ]);
  return table(['caution', 'raised when', 'what is done about it', 'source'], rows);
}

function allSources(): string {
  const part = (title: string, list: Listed, name: (key: string) => string = (key) => key) =>
    `## ${title}\n\n${table(
      ['what', 'source'],
      Object.entries(list).map(([key, keys]) => [name(key), citationOf(keys) || 'our own rule']),
    )}`;
  const all = Object.values(LISTS).flatMap((list) => Object.values(list).flat());
  return [
    part('Coefficients', METHOD_SOURCES, (key) => COEFFICIENTS[key as Method].name),
    part('Intervals', INTERVAL_SOURCES, (key) => INTERVAL_WORDS[key as keyof typeof INTERVAL_WORDS]),
    part('Adjustments for many tests', ADJUSTMENT_SOURCES, (key) => ADJUSTMENTS.find(({ value }) => value === key)?.name ?? key),
    part('Rules, tests and comparisons', RULE_SOURCES),
    part('Cautions', CAUTION_SOURCES, (key) => CAUTION_WORDS[key as keyof typeof CAUTION_WORDS].short),
    part('Checks', CHECK_SOURCES, (key) => key.replaceAll('-', ' ')),
    `## References\n\n${references(all)}`,
  ].join('\n\n');
}

function table(head: readonly string[], rows: readonly (readonly string[])[]): string {
  const line = (cells: readonly string[]) => `| ${cells.map((cell) => cell.replaceAll('|', '\\|')).join(' | ')} |`;
  return [line(head), line(head.map(() => '---')), ...rows.map(line)].join('\n');
}
