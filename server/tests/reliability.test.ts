import {
  attenuationResultSchema,
  importPreviewSchema,
  reliabilityResultSchema,
  type Study,
  studySchema,
  type VariablePatch,
} from '@ivlen/contract';
import { correctAttenuation, intraclass, pearson } from '@ivlen/core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

const N = 40;
const truth = Array.from({ length: N }, (_, row) => ((row * 17) % N) / 4);
const [first, second] = [3, 7].map((step) => Float64Array.from(truth, (value, row) => value + ((row * step) % 5) / 2)) as [
  Float64Array,
  Float64Array,
];
const flow = Float64Array.from(truth, (value, row) => 2 * value + ((row * 11) % 13));

let app: TestApplication;
let study: Study;
const describeAs = async (variable: string, patch: VariablePatch) => {
  study = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, {
    expectedHead: study.head,
    change: { type: 'edit-variable', variable, patch },
  });
};
const analyse = (analysis: object) => ({ revision: study.head, analysis });
const corrected = () =>
  app.ask(
    attenuationResultSchema,
    'POST',
    `/studies/${study.id}/analyses`,
    analyse({ kind: 'attenuation', x: 'v1', y: 'v3', level: 0.95, replicates: 200, seed: 2 }),
  );
beforeAll(async () => {
  app = await openTestApplication();
  const lines = Array.from(first, (value, row) => `${value},${second[row]},${flow[row]}`);
  const file = await app.ask(
    importPreviewSchema,
    'POST',
    '/imports?name=twice.csv',
    bytesOf(['depth,depth_again,flow', ...lines].join('\n')),
  );
  study = await app.ask(studySchema, 'POST', '/studies', { importId: file.id, name: 'Twice' });
});
afterAll(() => app.close());

it('of repeated columns: all three forms with their limits', async () => {
  const { forms, n } = await app.ask(
    reliabilityResultSchema,
    'POST',
    `/studies/${study.id}/analyses`,
    analyse({ kind: 'reliability', columns: ['v1', 'v2'], level: 0.95 }),
  );
  const { one, alpha } = intraclass([first, second]);
  expect([n, forms.one, forms.alpha]).toEqual([N, one, alpha]);
});

it('a known one divides r and its limits; without any r stays as it is', async () => {
  const r = pearson(first, flow);
  expect(await corrected()).toMatchObject({ corrected: r.coefficient, reliabilities: [1, 1], method: 'known' });
  await describeAs('v1', { reliability: { kind: 'known', value: 0.8 } });
  const found = await corrected();
  expect(found.observed).toBe(r.coefficient);
  expect(found.corrected).toBeCloseTo(r.coefficient / Math.sqrt(0.8), 12);
  expect(found.low).toBeCloseTo((r.interval?.low ?? Number.NaN) / Math.sqrt(0.8), 12);
});

it('one from repeated columns is estimated on the rows in use, and given up when a column goes', async () => {
  await describeAs('v1', { reliability: { kind: 'repeated', columns: ['v1', 'v2'], form: 'one' } });
  const wanted = correctAttenuation(first, flow, { kind: 'repeated', columns: [first, second], form: 'one' }, null, {
    replicates: 200,
    seed: 2,
  });
  expect(await corrected()).toMatchObject({ corrected: wanted.corrected, low: wanted.low, high: wanted.high, method: 'bootstrap' });
  study = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, {
    expectedHead: study.head,
    change: { type: 'remove-variable', variable: 'v2' },
  });
  expect(study.state.variables.find(({ id }) => id === 'v1')?.reliability).toBeNull();
});

it.each([0, -0.2, 1.3])('a reliability of %d is refused', async (value) => {
  const answer = await app.send('POST', `/studies/${study.id}/changes`, {
    expectedHead: study.head,
    change: { type: 'edit-variable', variable: 'v1', patch: { reliability: { kind: 'known', value } } },
  });
  expect(answer.status).toBe(422);
});
