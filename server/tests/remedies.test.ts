import {
  type Change,
  correlationResultSchema,
  importPreviewSchema,
  pairResultSchema,
  type Study,
  studySchema,
  type TakenRemedy,
  trailSchema,
  waysTestResultSchema,
} from '@ivlen/contract';
import {
  belowLimits,
  type LimitedColumn,
  limitedColumn,
  maximumLikelihood,
  partialCorrelation,
  pearson,
  polychoric,
  polyserial,
  spearman,
  withinGroup,
} from '@ivlen/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

const N = 24;
const NONE = Number.NaN;
const column = (of: (row: number) => number | undefined) => Float64Array.from({ length: N }, (_, row) => of(row) ?? NONE);
const from = (values: readonly number[], place: number) => values[place % values.length];
const reach = column((row) => Math.floor(row / 3));
const depth = column((row) => 10 * Math.floor(row / 3) + ((row * 7) % 5));
const flow = column((row) => -8 * Math.floor(row / 3) + ((row * 7) % 5) + ((row * 11) % 7) / 10);
const gappy = column((row) => (row % 4 === 1 ? NONE : (depth[row] ?? 0) + ((row * 5) % 11)));
const bank = column((row) => from([1, 2, 2, 3, 1, 3], row * 5));
const shade = column((row) => from([1, 1, 2, 3, 2, 3], row * 5 + (row % 3)));
const metal = column((row) => from([0.5, 0.5, 0.9, 1.4, 2.2, 3.1, 0.7, 5], row * 3));

let app: TestApplication;
let study: Study;
const idOf = (name: string) => study.state.variables.find((variable) => variable.name === name)?.id ?? '';
async function change(changed: Change, reason?: string) {
  study = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, {
    expectedHead: study.head,
    change: changed,
    ...(reason ? { reason } : {}),
  });
}
const take = (remedy: TakenRemedy | null, ...pairs: [string, string][]) =>
  change({ type: 'take-remedy', remedy, pairs: pairs.length === 0 ? 'every' : pairs });
const codeOf = async (response: Response) => ((await response.json()) as { error: { code: string } }).error.code;
const how = { alternative: 'two-sided', level: 0.95 };
const matrix = (names: readonly string[], method = 'pearson', more: object = {}) =>
  app.ask(correlationResultSchema, 'POST', `/studies/${study.id}/analyses`, {
    revision: study.head,
    analysis: { kind: 'correlation', variables: names.map(idOf), method, byVariable: {}, remedies: study.state.remedies, ...how, ...more },
  });
const pair = (x: string, y: string, remedy: TakenRemedy | null, more: object = {}) =>
  app.ask(pairResultSchema, 'POST', `/studies/${study.id}/analyses`, {
    revision: study.head,
    analysis: { kind: 'pair', x: idOf(x), y: idOf(y), remedy, ...how, ...more },
  });

beforeAll(async () => {
  app = await openTestApplication();
  const cell = (value: number) => (Number.isNaN(value) ? '' : String(value));
  const lines = Array.from({ length: N }, (_, row) =>
    [
      `R-${reach[row]}`,
      ...[depth, flow, gappy, bank, shade].map((values) => cell(values[row] ?? NONE)),
      metal[row] === 0.5 ? '<0.5' : cell(metal[row] ?? NONE),
    ].join(','),
  );
  const file = await app.ask(
    importPreviewSchema,
    'POST',
    '/imports?name=reaches.csv',
    bytesOf(['reach,depth,flow,silt,bank,shade,metal', ...lines].join('\n')),
  );
  await app.ask(importPreviewSchema, 'PATCH', `/imports/${file.id}`, { columns: { 6: { loose: true, limits: 'limit' } } });
  study = await app.ask(studySchema, 'POST', '/studies', { importId: file.id, name: 'Reaches' });
  for (const [name, kind] of [
    ['bank', 'ordinal'],
    ['shade', 'ordinal'],
    ['reach', 'identifier'],
  ] as const) {
    if (study.state.variables.find((variable) => variable.name === name)?.kind !== kind)
      await change({ type: 'edit-variable', variable: idOf(name), patch: { kind } });
  }
});
afterAll(() => app.close());

describe('a remedy for all pairs', () => {
  it('is a decision with its reason, that the matrix follows, and that is taken back', async () => {
    const before = study.head;
    await change({ type: 'take-remedy', remedy: { kind: 'within', by: idOf('reach') }, pairs: 'every' }, 'rows repeat');
    const trail = await app.ask(trailSchema, 'GET', `/studies/${study.id}/trail`);
    const newest = trail.decisions.toSorted((a, b) => b.number - a.number)[0];
    expect([newest?.summary, newest?.reason]).toEqual(['All pairs within each reach', 'rows repeat']);
    const within = withinGroup(depth, flow, reach, { method: 'pearson' });
    const found = await matrix(['depth', 'flow', 'bank']);
    expect(found.coefficient[1]).toBeCloseTo(within.coefficient, 12);
    expect(found.low[1]).toBeCloseTo(within.interval?.low ?? NONE, 12);
    // The means of the reaches fall while the rows inside them rise.
    expect([pearson(depth, flow).coefficient < -0.9, within.coefficient > 0.9]).toEqual([true, true]);
    expect(found.remedied.slice(0, 3)).toEqual([false, true, true]);
    // Held constant for all pairs goes before.
    const held = await matrix(['depth', 'flow'], 'pearson', { control: [idOf('bank')] });
    expect(held.coefficient[1]).toBeCloseTo(partialCorrelation(depth, flow, [bank], { method: 'pearson' }).coefficient, 12);
    expect(held.remedied).toEqual([false, false, false, false]);
    study = await app.ask(studySchema, 'POST', `/studies/${study.id}/undo`, { expectedHead: study.head });
    expect([study.head, study.state.remedies]).toEqual([before, { every: null, pairs: {} }]);
    expect((await matrix(['depth', 'flow'])).coefficient[1]).toBeCloseTo(pearson(depth, flow).coefficient, 12);
  });

  it('by maximum likelihood is joint over the set, and of r alone', async () => {
    const among = ['depth', 'flow', 'silt'].map(idOf);
    const all = maximumLikelihood([depth, flow, gappy]);
    const remedies = { every: { kind: 'maximum-likelihood', among }, pairs: {} };
    const found = await matrix(['depth', 'flow', 'silt'], 'pearson', { remedies });
    // By the order of the ids in the set.
    expect(found.coefficient[2]).toBeCloseTo(all.coefficient[2] ?? NONE, 8);
    expect(found.n[5]).toBe(N);
    const ranks = await matrix(['depth', 'silt'], 'spearman', { remedies });
    expect([ranks.coefficient[1], ranks.n[1], ranks.remedied[1]]).toEqual([spearman(depth, gappy).coefficient, 18, false]);
  });

  it('of normal variables behind the steps is polychoric, polyserial, or r, by the kinds', async () => {
    await take({ kind: 'behind-steps' });
    const found = await matrix(['bank', 'shade', 'depth', 'flow']);
    expect(found.coefficient[1]).toBeCloseTo(polychoric(bank, shade).coefficient, 9);
    expect(found.coefficient[2]).toBeCloseTo(polyserial(depth, bank).coefficient, 9);
    expect(found.coefficient[11]).toBeCloseTo(pearson(depth, flow).coefficient, 12);
    expect([found.remedied[1], found.remedied[2], found.remedied[11]]).toEqual([true, true, false]);
    // A change of a kind is a change of the coefficient: nothing old is served.
    await change({ type: 'edit-variable', variable: idOf('shade'), patch: { kind: 'discrete' } });
    expect((await matrix(['bank', 'shade'])).coefficient[1]).toBeCloseTo(polyserial(shade, bank).coefficient, 9);
    await change({ type: 'edit-variable', variable: idOf('shade'), patch: { kind: 'ordinal' } });
    await take(null);
  });
});

describe('a remedy for a pair', () => {
  it('goes before that of all, and is given up with the pair or what it needs', async () => {
    await take({ kind: 'behind-steps' });
    await take({ kind: 'permutation' }, [idOf('bank'), idOf('shade')]);
    const found = await matrix(['bank', 'shade', 'depth']);
    expect([found.coefficient[1], found.pMethod[1], found.pMethod[2]]).toEqual([pearson(bank, shade).coefficient, 'permutation', 'normal']);
    await take({ kind: 'constant', held: [idOf('silt')] }, [idOf('depth'), idOf('flow')], [idOf('depth'), idOf('bank')]);
    expect(Object.keys(study.state.remedies.pairs)).toHaveLength(3);
    await change({ type: 'remove-variable', variable: idOf('silt') });
    expect(Object.values(study.state.remedies.pairs)).toEqual([{ kind: 'permutation' }]);
    study = await app.ask(studySchema, 'POST', `/studies/${study.id}/undo`, { expectedHead: study.head });
    expect(Object.keys(study.state.remedies.pairs)).toHaveLength(3);
    for (let k = 0; k < 3; k++) study = await app.ask(studySchema, 'POST', `/studies/${study.id}/undo`, { expectedHead: study.head });
    expect(study.state.remedies).toEqual({ every: null, pairs: {} });
  });

  it('is refused where nothing changes, where it names no variable, and as another coefficient for all', async () => {
    const refused = async (remedy: unknown, pairs: unknown) => {
      return codeOf(
        await app.send('POST', `/studies/${study.id}/changes`, {
          expectedHead: study.head,
          change: { type: 'take-remedy', remedy, pairs },
        }),
      );
    };
    expect(await refused(null, 'every')).toBe('nothing-changes');
    expect(await refused({ kind: 'within', by: 'v99' }, 'every')).toBe('no-such-variable');
    expect(await refused({ kind: 'method', method: 'kendall' }, 'every')).toBe('invalid-request');
    expect(await refused({ kind: 'permutation' }, [[idOf('depth'), 'v99']])).toBe('no-such-variable');
  });

  it('stands in the card beside the coefficient without it', async () => {
    const by = idOf('reach');
    const { tests, without } = await pair('depth', 'flow', { kind: 'within', by });
    expect(tests.pearson.coefficient).toBeCloseTo(withinGroup(depth, flow, reach, { method: 'pearson' }).coefficient, 12);
    expect(without.pearson?.coefficient).toBeCloseTo(pearson(depth, flow).coefficient, 12);
    expect([tests.pearson.n, tests.pearson.statistic?.df]).toEqual([N, N - 8 - 1]);
    const likely = await pair('depth', 'silt', { kind: 'maximum-likelihood', among: [] });
    expect([likely.n, likely.tests.pearson.n, likely.tests.spearman.n, Object.keys(likely.without)]).toEqual([18, 24, 18, ['pearson']]);
    // A remedy that does not fit leaves all as it is.
    const none = await pair('depth', 'flow', { kind: 'behind-steps' });
    expect([none.without, none.tests.pearson.coefficient]).toEqual([{}, (await pair('depth', 'flow', null)).tests.pearson.coefficient]);
  });
});

describe('a detection limit', () => {
  it('comes along with “<0.5” from a file, and r knows it', async () => {
    const metals = study.state.variables.find(({ name }) => name === 'metal');
    expect([metals?.detectionLimit, metals?.kind]).toEqual([0.5, 'continuous']);
    const known: LimitedColumn = limitedColumn(metal, 0.5);
    const found = await pair('depth', 'metal', { kind: 'below-limit', logs: false });
    expect(found.tests.pearson.coefficient).toBeCloseTo(belowLimits(limitedColumn(depth, null), known).coefficient, 9);
    expect(found.without.pearson?.coefficient).toBeCloseTo(pearson(depth, metal).coefficient, 12);
    // Two limits are tied already.
    expect(found.tests.spearman.coefficient).toBeCloseTo(spearman(depth, metal).coefficient, 12);
  });

  it('is written and taken away in the codebook, and the coefficient follows', async () => {
    await change({ type: 'edit-variable', variable: idOf('metal'), patch: { detectionLimit: 1 } });
    const higher = await pair('depth', 'metal', { kind: 'below-limit', logs: false });
    expect(higher.tests.pearson.coefficient).toBeCloseTo(belowLimits(limitedColumn(depth, null), limitedColumn(metal, 1)).coefficient, 9);
    await change({ type: 'edit-variable', variable: idOf('metal'), patch: { detectionLimit: null } });
    expect((await pair('depth', 'metal', { kind: 'below-limit', logs: false })).without).toEqual({});
  });
});

it('all ways are tested together; on several threads as on one', async () => {
  const analysis = (permutations: number) => ({
    kind: 'ways-test',
    x: idOf('depth'),
    y: idOf('flow'),
    choices: [{ kind: 'coefficient', options: ['pearson', 'spearman'] }],
    own: [0],
    ...how,
    alpha: 0.05,
    seed: 3,
    permutations,
    casesBy: idOf('reach'),
  });
  const ask = (permutations: number) =>
    app.ask(waysTestResultSchema, 'POST', `/studies/${study.id}/analyses`, { revision: study.head, analysis: analysis(permutations) });
  const few = await ask(199);
  expect([few.significant, few.permutations, few.medianP]).toEqual([2, 199, (few.asExtreme + 1) / 200]);
  // Enough for threads to share: 4,999 shuffles of 2 combinations of 24 rows.
  const many = await ask(4999);
  expect(many.asExtreme).toBeGreaterThanOrEqual(few.asExtreme);
  expect(many.medianP).toBeLessThan(0.01);
  const wrong = await app.send('POST', `/studies/${study.id}/analyses`, { revision: study.head, analysis: { ...analysis(99), own: [7] } });
  expect(await codeOf(wrong)).toBe('invalid-request');
});
