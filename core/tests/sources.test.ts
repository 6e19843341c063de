import { mkdirSync, writeFileSync } from 'node:fs';
import {
  ADJUSTMENT_SOURCES,
  CAUTION_SOURCES,
  COEFFICIENTS,
  citationOf,
  INTERVAL_KINDS,
  INTERVAL_SOURCES,
  METHOD_NAMES,
  METHOD_SOURCES,
  REFERENCES,
  type ReferenceKey,
  RULE_SOURCES,
} from '@ivlen/core';
import { describe, expect, it } from 'vitest';
import { METHODS } from '../src/correlation/methods';

const LISTS = {
  coefficients: METHOD_SOURCES,
  intervals: INTERVAL_SOURCES,
  adjustments: ADJUSTMENT_SOURCES,
  'rules and comparisons': RULE_SOURCES,
  cautions: CAUTION_SOURCES,
} as const;
const lines = Object.entries(LISTS).flatMap(([list, sources]) =>
  Object.entries(sources).map(([what, keys]) => ({ list, what, cited: citationOf(keys as readonly ReferenceKey[]) })),
);
// For the page that `npm run accuracy` writes.
mkdirSync('.tsc', { recursive: true });
writeFileSync('.tsc/sources.json', JSON.stringify({ lines, references: Object.values(REFERENCES).map(({ full }) => full) }));

describe('one list of sources', () => {
  it('cites nothing that is not in the list of references, and lists nothing that is not cited', () => {
    const cited = new Set(Object.values(LISTS).flatMap((sources) => Object.values(sources).flat() as ReferenceKey[]));
    expect(Object.keys(REFERENCES).filter((key) => !cited.has(key as ReferenceKey))).toEqual([]);
    for (const key of cited) expect(REFERENCES[key].full).toContain(`(${key.slice(-4)})`);
  });

  it('names every interval of every coefficient', () => {
    for (const method of METHOD_NAMES) for (const kind of INTERVAL_KINDS[method]) expect(INTERVAL_SOURCES[kind].length).toBeGreaterThan(0);
  });
});

describe('words and computing know the same of a coefficient', () => {
  it.each(METHOD_NAMES)('%s', (method) => {
    const [words, entry] = [COEFFICIENTS[method], METHODS[method]];
    expect(Object.keys(METHODS)).toEqual(METHOD_NAMES);
    expect(entry.method).toBe(method);
    expect(words.ofRanks).toBe(entry.looksAt === 'ranks');
    expect(words.squareIsShared).toBe(entry.looksAt === 'values');
    expect(COEFFICIENTS[words.onRanks].ofRanks).toBe(true);
    expect(entry.zVariance(0.2, words.fewestForInterval, 'default')).toBeGreaterThan(0);
    expect(entry.zVariance(0.2, words.fewestForInterval - 1, 'default')).toBeNaN();
  });
});
