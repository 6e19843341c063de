import { dependenceResultSchema, importPreviewSchema, type Study, studySchema, unseenResultSchema } from '@ivlen/contract';
import { distanceCorrelation, rankDependence } from '@ivlen/core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

const N = 80;
const depth = Float64Array.from({ length: N }, (_, row) => ((row * 37) % N) - 39.5);
const wave = depth.map((value) => Math.round(1000 * Math.cos(value / 8)) / 1000);
const along = depth.map((value, row) => value + ((row * 7) % 11));
const shuffles = { permutations: 199, seed: 3 };

let app: TestApplication;
let study: Study;
beforeAll(async () => {
  app = await openTestApplication();
  const lines = Array.from(depth, (value, row) => `${value},${wave[row]},${along[row]}`);
  const file = await app.ask(importPreviewSchema, 'POST', '/imports?name=waves.csv', bytesOf(['depth,wave,along', ...lines].join('\n')));
  study = await app.ask(studySchema, 'POST', '/studies', { importId: file.id, name: 'Waves' });
});
afterAll(() => app.close());

it('of a pair: distance correlation and ξ as the core gives them', async () => {
  const found = await app.ask(dependenceResultSchema, 'POST', `/studies/${study.id}/analyses`, {
    revision: study.head,
    analysis: { kind: 'dependence', x: 'v1', y: 'v2', ...shuffles },
  });
  const [distance, ranks] = [distanceCorrelation(depth, wave, shuffles), rankDependence(depth, wave, shuffles)];
  expect(found.distance).toEqual({
    coefficient: distance.coefficient,
    corrected: distance.corrected,
    pValue: distance.pValue,
    pMethod: 'permutation',
    correctedUndefined: null,
  });
  expect([found.ranks.yOnX, found.ranks.xOnY, found.ranks.pValue, found.n]).toEqual([ranks.yOnX, ranks.xOnY, ranks.pValue, N]);
});

it('of a set: the pair that neither r nor ρ sees, and not the straight one', async () => {
  const found = await app.ask(unseenResultSchema, 'POST', `/studies/${study.id}/analyses`, {
    revision: study.head,
    analysis: { kind: 'unseen', variables: ['v1', 'v2', 'v3'], alpha: 0.05, ...shuffles },
  });
  expect(found.looked).toBe(3);
  const pairs = found.pairs.map(({ x, y }) => `${x} ${y}`);
  expect(pairs).toContain('v1 v2');
  expect(pairs).not.toContain('v1 v3');
  expect(found.pairs.every(({ anyP }) => (anyP ?? 1) <= 0.05)).toBe(true);
});
