import {
  type Change,
  choicesPreviewSchema,
  importPreviewSchema,
  pairKey,
  rowBlockSchema,
  type Study,
  storedSettingsSchema,
  studySchema,
  trailSchema,
  type VariableReliability,
} from '@ivlen/contract';
import { afterAll, beforeAll, expect, it, test } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

async function makeStudy(name: string, lines: readonly string[]): Promise<Study> {
  const { id } = await app.ask(importPreviewSchema, 'POST', `/imports?name=${name}.csv`, bytesOf(lines.join('\n')));
  return app.ask(studySchema, 'POST', '/studies', { importId: id, name });
}
const change = (study: Study, to: Change) =>
  app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change: to });
const named = (study: Study, name: string) => study.state.variables.find((variable) => variable.name === name);
const rowsOf = async ({ id, head }: Study) =>
  (await app.ask(rowBlockSchema, 'GET', `/studies/${id}/revisions/${head}/rows?block=0`)).rows.map(({ cells }) => cells);

const SPRING = ['site,depth,taxa,kind,flow', 'A,1.5,3,riffle,2', 'B,2.5,5,run,3', 'C,3.5,9,run,1', 'D,4,8,pool,4'];

it('choices of one study are taken over by another, and what does not fit is listed', async () => {
  let spring = await makeStudy('Spring', SPRING);
  const id = (name: string) => named(spring, name)?.id ?? '';
  const entry = { unit: 'cm', decimals: 1, role: 'predictor', highMeans: 'deeper water', validRange: { low: 0, high: 90 } } as const;
  spring = await change(spring, { type: 'edit-variable', variable: id('depth'), patch: entry });
  const derive = async (name: string, formula: string) => {
    const derivation = { type: 'formula', formula, sources: [] as string[], ignoreMissing: false } as const;
    spring = await change(spring, { type: 'derive', definition: { name, unit: null, derivation } });
  };
  await derive('taxa per depth', 'taxa / depth');
  await derive('log ratio', 'ln([taxa per depth])');
  await derive('flow squared', 'flow^2');
  const only = (variable: string, ...values: string[]) => ({
    join: 'all' as const,
    rules: [{ type: 'one-of' as const, variable, values, not: false }],
  });
  spring = await change(spring, { type: 'name-subset', named: { name: 'slow', subset: only(id('flow'), '1', '2') } });
  spring = await change(spring, { type: 'set-subset', subset: only(id('kind'), 'run') });
  await app.ask(storedSettingsSchema.partial(), 'PUT', `/studies/${spring.id}/settings/working-set`, {
    version: 1,
    settings: { variables: [id('log ratio'), id('depth'), id('flow')] },
  });

  // In autumn the columns stand in another order, flow was noted in words, and one more site was seen.
  let autumn = await makeStudy('Autumn', [
    'Taxa,flow,site,Depth,kind',
    '4,fast,A,2.5,run',
    '6,slow,B,3.5,run',
    '2,fast,C,1,pool',
    '7,slow,E,4.5,run',
  ]);
  const preview = await app.ask(choicesPreviewSchema, 'GET', `/studies/${autumn.id}/choices/${spring.id}`);
  expect(preview).toEqual({
    fits: ['the entries of 4 variables', 'taxa per depth = taxa / depth', 'log ratio = ln([taxa per depth])', 'The subset (kind is run)'],
    notFitting: [
      'flow holds text here, and numbers there.',
      'flow squared = flow^2 needs what is not here.',
      'The subset “slow” needs what is not here.',
    ],
  });
  autumn = await change(autumn, { type: 'take-over', from: spring.id });
  expect(named(autumn, 'Depth')).toMatchObject({ ...entry, name: 'Depth' });
  expect(named(autumn, 'log ratio')).toBeDefined();
  const [taxa = 0, depth = 0] = [named(autumn, 'Taxa'), named(autumn, 'Depth')].map((item) =>
    autumn.state.variables.findIndex(({ id: at }) => at === item?.id),
  );
  const ratio = autumn.state.variables.findIndex(({ name }) => name === 'log ratio');
  for (const cells of await rowsOf(autumn)) expect(cells[ratio]).toBeCloseTo(Math.log(Number(cells[taxa]) / Number(cells[depth])), 14);
  expect(autumn.state.inUse?.rows).toBe(3);
  const stored = await app.ask(storedSettingsSchema, 'GET', `/studies/${autumn.id}/settings/working-set`);
  expect(stored.settings).toEqual({ variables: [named(autumn, 'log ratio')?.id, named(autumn, 'Depth')?.id] });
  const { decisions } = await app.ask(trailSchema, 'GET', `/studies/${autumn.id}/trail`);
  expect(decisions[0]?.summary).toBe('Choices of “Spring” taken over: the entries of 4 variables and 3 more; 3 of them did not fit');
  const undone = await app.ask(studySchema, 'POST', `/studies/${autumn.id}/undo`, { expectedHead: autumn.head });
  expect(undone.state.variables.map(({ name }) => name)).toEqual(['Taxa', 'flow', 'site', 'Depth', 'kind']);
});

it('settings that name variables are taken over for those that are there; what names rows or groups of the other table is not', async () => {
  const spring = await makeStudy('Spring settings', SPRING);
  const id = (name: string) => named(spring, name)?.id ?? '';
  const put = (stage: string, settings: object) =>
    app.ask(storedSettingsSchema.partial(), 'PUT', `/studies/${spring.id}/settings/${stage}`, { version: 0, settings });
  await put('scatterplots', {
    below: 'bins',
    bulk: [id('depth'), id('flow')],
    hidden: [1],
    single: { x: id('depth'), y: id('flow'), third: id('kind'), by: 'colour', labels: [2] },
  });
  await put('correlations', { control: [id('flow'), id('depth')], methods: ['spearman'] });
  let autumn = await makeStudy('Autumn settings', ['depth,taxa,kind', '1,2,run', '2,4,pool', '4,3,run']);
  autumn = await change(autumn, { type: 'take-over', from: spring.id });
  const depth = named(autumn, 'depth')?.id;
  const scatterplots = await app.ask(storedSettingsSchema, 'GET', `/studies/${autumn.id}/settings/scatterplots`);
  expect(scatterplots.settings).toMatchObject({
    below: 'bins',
    bulk: [depth],
    hidden: [],
    single: { x: depth, y: null, third: named(autumn, 'kind')?.id, labels: [] },
  });
  const correlations = await app.ask(storedSettingsSchema, 'GET', `/studies/${autumn.id}/settings/correlations`);
  expect(correlations.settings).toMatchObject({ methods: ['spearman'], control: [depth] });
});

it('takes over reliabilities and what was decided on how coefficients are got, or says that they do not fit', async () => {
  const lines = ['site,depth,depth 2,flow,taxa', 'A,1.5,1.6,3,2', 'B,2.5,2.4,5,3', 'C,3.5,3.3,9,1', 'D,4,4.4,8,4'];
  let spring = await makeStudy('Spring decisions', lines);
  const id = (name: string) => named(spring, name)?.id ?? '';
  const repeated: VariableReliability = { kind: 'repeated', columns: [id('depth'), id('depth 2')], form: 'mean' };
  const patches = [
    ['depth', repeated],
    ['taxa', { kind: 'known', value: 0.8 }],
  ] as const;
  for (const [name, reliability] of patches)
    spring = await change(spring, { type: 'edit-variable', variable: id(name), patch: { reliability } });
  const take = async (
    remedy: Extract<Change, { type: 'take-remedy' }>['remedy'],
    pairs: Extract<Change, { type: 'take-remedy' }>['pairs'],
  ) => {
    spring = await change(spring, { type: 'take-remedy', remedy, pairs });
  };
  await take({ kind: 'permutation' }, [[id('depth'), id('taxa')]]);
  await take({ kind: 'constant', held: [id('flow')] }, [[id('depth 2'), id('taxa')]]);
  await take({ kind: 'maximum-likelihood', among: [] }, 'every');

  const whole = await makeStudy('Autumn whole', lines);
  const fitted = await change(whole, { type: 'take-over', from: spring.id });
  const there = (name: string) => named(fitted, name)?.id ?? '';
  expect(named(fitted, 'depth')?.reliability).toEqual({ ...repeated, columns: [there('depth'), there('depth 2')] });
  expect(named(fitted, 'taxa')?.reliability).toEqual({ kind: 'known', value: 0.8 });
  expect(fitted.state.remedies).toEqual({
    every: { kind: 'maximum-likelihood', among: [] },
    pairs: {
      [pairKey(there('depth'), there('taxa'))]: { kind: 'permutation' },
      [pairKey(there('depth 2'), there('taxa'))]: { kind: 'constant', held: [there('flow')] },
    },
  });

  const partly = await makeStudy('Autumn without flow', ['site,taxa,depth', 'A,2,1', 'B,3,2', 'C,1,4']);
  const preview = await app.ask(choicesPreviewSchema, 'GET', `/studies/${partly.id}/choices/${spring.id}`);
  expect(preview.fits).toEqual(['the entries of 3 variables', 'the reliability of taxa', '2 decisions on how coefficients are got']);
  expect(preview.notFitting).toEqual([
    'There is no variable depth 2.',
    'There is no variable flow.',
    'The reliability of depth needs repeated columns that are not here.',
    '1 decision on how coefficients are got needs what is not here.',
  ]);
  const taken = await change(partly, { type: 'take-over', from: spring.id });
  expect(named(taken, 'depth')?.reliability ?? null).toBeNull();
  expect(Object.keys(taken.state.remedies.pairs)).toEqual([pairKey(named(taken, 'depth')?.id ?? '', named(taken, 'taxa')?.id ?? '')]);
});

it('settings of the scatterplots are stored as they are sent, and refused where they make no sense', async () => {
  const study = await makeStudy('Panels', SPRING);
  const path = `/studies/${study.id}/settings/scatterplots`;
  const sent = { below: 'ranks', above: 'coefficient', diagonal: 'quartiles', ellipse: true, share: 0.5, size: 'large' };
  await app.ask(storedSettingsSchema.partial(), 'PUT', path, { version: 0, settings: sent });
  expect((await app.ask(storedSettingsSchema, 'GET', path)).settings).toMatchObject({ ...sent, line: false, corners: true });
  for (const wrong of [{ share: 1 }, { below: 'hexagons' }, { hidden: ['Aster'] }, { single: { labels: [0] } }]) {
    expect((await app.send('PUT', path, { version: 1, settings: wrong })).status, JSON.stringify(wrong)).toBe(422);
  }
});

const VISITS = [
  'site,depth,taxa,kind,on',
  'A,1.5,3,riffle,2024-03-01',
  'B,2,5,run,2024-03-02',
  'A,2.5,6,riffle,2024-03-15',
  'B,,8,pool,2024-03-04',
  'C,7,1,run,2024-03-09',
  'A,9,9,run,2024-03-20',
];

test.each([
  [
    'mean',
    [
      ['A', 2, 4.5, 'riffle', null],
      ['B', 2, 6.5, null, null],
      ['C', 7, 1, 'run', '2024-03-09'],
    ],
  ],
  [
    'max',
    [
      ['A', 2.5, 6, 'riffle', null],
      ['B', 2, 8, null, null],
      ['C', 7, 1, 'run', '2024-03-09'],
    ],
  ],
  [
    'min',
    [
      ['A', 1.5, 3, 'riffle', null],
      ['B', 2, 5, null, null],
      ['C', 7, 1, 'run', '2024-03-09'],
    ],
  ],
  [
    'first',
    [
      ['A', 1.5, 3, 'riffle', '2024-03-01'],
      ['B', 2, 5, 'run', '2024-03-02'],
      ['C', 7, 1, 'run', '2024-03-09'],
    ],
  ],
  [
    'last',
    [
      ['A', 2.5, 6, 'riffle', '2024-03-15'],
      ['B', null, 8, 'pool', '2024-03-04'],
      ['C', 7, 1, 'run', '2024-03-09'],
    ],
  ],
] as const)('one row per site by %s, of the rows in use', async (by, expected) => {
  let visits = await makeStudy('Visits', VISITS);
  const site = named(visits, 'site')?.id ?? '';
  visits = await change(visits, { type: 'edit-variable', variable: site, patch: { kind: 'identifier' } });
  visits = await change(visits, { type: 'set-aside', choice: { rows: [[6, 6]] }, because: 'misread' });
  const joined = await app.ask(studySchema, 'POST', `/studies/${visits.id}/one-row-per`, { revision: visits.head, variable: site, by });
  expect(joined).toMatchObject({
    name: 'Visits, one row per site',
    rows: 3,
    state: { rowMeaning: 'one site', setAside: null, inUse: null },
  });
  expect(await rowsOf(joined)).toEqual(expected);
  expect(named(joined, 'taxa')?.kind).toBe(by === 'mean' ? 'continuous' : 'discrete');
  expect((await rowsOf(visits)).length).toBe(6);
});
