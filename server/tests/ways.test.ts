import { importPreviewSchema, studySchema, type WayChoice, waysResultSchema } from '@ivlen/contract';
import { pearson, spearman } from '@ivlen/core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

const N = 30;
const depth = Float64Array.from({ length: N }, (_, row) => 1 + ((row * 7) % 29) + (row === 4 ? 40 : 0));
const flow = depth.map((value, row) => 2 + ((row * 11) % 31) / 3 + value * (row === 4 ? -0.5 : 0.3));
let app: TestApplication;
let id: string;
let head: number;
beforeAll(async () => {
  app = await openTestApplication();
  const lines = Array.from(depth, (value, row) => [`B-${row + 1}`, value, flow[row], row % 2 === 0 ? 'upper' : 'lower'].join(','));
  const file = await app.ask(importPreviewSchema, 'POST', '/imports?name=beds.csv', bytesOf(`bed,depth,flow,part\n${lines.join('\n')}\n`));
  ({ id, head } = await app.ask(studySchema, 'POST', '/studies', { importId: file.id, name: 'beds' }));
  const change = async (changed: object) => {
    ({ head } = await app.ask(studySchema, 'POST', `/studies/${id}/changes`, { expectedHead: head, change: changed }));
  };
  await change({ type: 'set-aside', choice: { rows: [[5, 5]] }, because: 'misread' });
  await change({ type: 'set-aside', choice: { rows: [[20, 22]] }, because: 'other population' });
});
afterAll(() => app.close());

const ask = (choices: WayChoice[], own: number[], more: object = {}) =>
  app.ask(waysResultSchema, 'POST', `/studies/${id}/analyses`, {
    revision: head,
    analysis: { kind: 'ways', x: 'v2', y: 'v3', choices, own, alternative: 'two-sided', level: 0.95, alpha: 0.05, seed: 1, ...more },
  });
const without = (column: Float64Array, ...rows: number[]) => column.filter((_, row) => !rows.includes(row + 1));

it('takes rows that are set aside in again, reason by reason, and single rows out', async () => {
  const choices: WayChoice[] = [
    { kind: 'coefficient', options: ['pearson', 'spearman'] },
    { kind: 'set-aside', reason: 1, options: ['out', 'in'] },
    { kind: 'row', row: 9, options: ['in', 'out'] },
  ];
  const { ways, own, summary } = await ask(choices, [0, 0, 0]);
  expect(ways).toHaveLength(8);
  const wayOf = (...options: number[]) => ways.find((way) => way.options.every((stands, c) => stands.includes(options[c] ?? -1)));
  // Rows 20 to 22 are set aside for another reason, which is no choice here: they stay out.
  const out = [20, 21, 22];
  expect(wayOf(0, 0, 0)?.coefficient).toBeCloseTo(pearson(without(depth, 5, ...out), without(flow, 5, ...out)).coefficient, 12);
  expect(wayOf(1, 1, 0)?.coefficient).toBeCloseTo(spearman(without(depth, ...out), without(flow, ...out)).coefficient, 12);
  expect(wayOf(0, 1, 1)?.coefficient).toBeCloseTo(pearson(without(depth, 9, ...out), without(flow, 9, ...out)).coefficient, 12);
  expect(ways[own]).toBe(wayOf(0, 0, 0));
  expect(summary.computed).toBe(8);
  // With the misread row in, r is much smaller.
  expect(summary.shares[0]?.choice).toBe(1);
});

it('holds groups constant and takes logarithms', async () => {
  const choices: WayChoice[] = [
    { kind: 'scale', of: 'x', raw: 'v2', options: [{ kind: 'variable', id: 'v2' }, { kind: 'log' }, { kind: 'rank-normal' }] },
    { kind: 'held', options: [{ kind: 'nothing' }, { kind: 'groups', by: 'v4' }] },
  ];
  const { ways } = await ask(choices, [0, 0]);
  expect(ways).toHaveLength(6);
  const out = [5, 20, 21, 22];
  const log = without(depth, ...out).map(Math.log);
  expect(ways.find(({ options: [scale, held] }) => scale?.includes(1) && held?.includes(0))?.coefficient).toBeCloseTo(
    pearson(log, without(flow, ...out)).coefficient,
    12,
  );
});

it('refuses an option in force that is none, and a variable that cannot serve', async () => {
  const send = async (choices: object[], own: number[]) => {
    const analysis = { kind: 'ways', x: 'v2', y: 'v3', choices, own, alternative: 'two-sided', level: 0.95, alpha: 0.05, seed: 1 };
    const response = await app.send('POST', `/studies/${id}/analyses`, { revision: head, analysis });
    return [response.status, ((await response.json()) as { error: { code: string } }).error.code];
  };
  expect(await send([{ kind: 'coefficient', options: ['pearson'] }], [1])).toEqual([422, 'invalid-request']);
  expect(await send([{ kind: 'coefficient', options: ['pearson'] }], [])).toEqual([422, 'invalid-request']);
  expect((await send([{ kind: 'held', options: [{ kind: 'controls', ids: ['v4'] }] }], [0]))[0]).toBe(422);
  expect((await send([{ kind: 'held', options: [{ kind: 'groups', by: 'v99' }] }], [0]))[0]).toBe(404);
});
