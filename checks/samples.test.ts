import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { aldermereBeds } from '../samples/aldermere-beds';
import { aldermereKickSamples } from '../samples/aldermere-kick-samples';
import { aldermereStreams } from '../samples/aldermere-streams';
import { toCodebookJson, toCsv } from '../samples/sample';

test.each([aldermereStreams(), aldermereKickSamples(), aldermereBeds()])('$file on disk is what its seeded generator writes', (sample) => {
  expect(readFileSync(`samples/${sample.file}.csv`, 'utf8')).toBe(toCsv(sample));
  expect(readFileSync(`samples/${sample.file}.json`, 'utf8')).toBe(toCodebookJson(sample));
});

test('the stream survey holds what it was designed to hold', () => {
  const { rows } = aldermereStreams();
  expect(rows).toHaveLength(248);
  expect(new Set(rows.map(({ station }) => station)).size).toBe(236);
  expect(rows.map(({ ph }) => ph)).toContain('74');
  expect(rows.filter(({ chlorophyll }) => chlorophyll === '')).toHaveLength(9);
});

test('the beds hold a dependence of three that no pair shows', () => {
  const { rows } = aldermereBeds();
  expect(rows).toHaveLength(60);
  const sums = rows.map(({ gravel, sand, silt }) => Number(gravel) + Number(sand) + Number(silt));
  expect(Math.min(...sums)).toBeGreaterThanOrEqual(97.9);
  expect(Math.max(...sums)).toBeLessThanOrEqual(100.1);
});
