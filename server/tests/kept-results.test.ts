import {
  cautionsResultSchema,
  correlationResultSchema,
  importPreviewSchema,
  type Study,
  shapeResultSchema,
  storedSettingsSchema,
  studySchema,
  summaryResultSchema,
} from '@ivlen/contract';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { z } from 'zod';
import { openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
let study: Study;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());
beforeEach(async () => {
  const lines = Array.from(
    { length: 30 },
    (_, i) => `S${i % 28},${((i * 7) % 30) / 4},${((i * 11) % 30) / 4},${i % 4 ? ((i * 13) % 30) / 4 : ''},${i % 2 ? 'a' : 'b'}`,
  );
  const bytes = new TextEncoder().encode(['station,x,y,z,site', ...lines].join('\n'));
  const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=kept.csv', bytes);
  study = await app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Kept' });
  app.computed.length = 0;
});

const idOf = (name: string) => study.state.variables.find((item) => item.name === name)?.id ?? '';
const decide = async (change: object) => {
  study = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change });
};
const ask = <S extends z.ZodType>(schema: S, analysis: Record<string, unknown>, from = app) =>
  from.ask(schema, 'POST', `/studies/${study.id}/analyses`, { revision: study.head, analysis });
const matrix = (names: readonly string[], more: object = {}) => ({
  kind: 'correlation',
  variables: names.map(idOf),
  method: 'spearman',
  byVariable: {},
  alternative: 'two-sided',
  level: 0.95,
  ...more,
});
const cautions = () => ({
  kind: 'cautions',
  variables: ['x', 'y', 'z'].map(idOf),
  method: 'pearson',
  byVariable: {},
  shapeRule: { kind: 'limits', skewness: 2, excessKurtosis: 7 },
  groupBy: null,
  alpha: 0.05,
});

describe('a result hangs on what it rests on', () => {
  it('a note, a unit, a new name, undo and redo recompute nothing', async () => {
    const first = await ask(correlationResultSchema, matrix(['x', 'y']));
    await ask(cautionsResultSchema, cautions());
    expect(app.computed).toEqual(['correlation', 'cautions']);
    const x = idOf('x');
    await decide({ type: 'edit-variable', variable: x, patch: { note: 'measured twice', unit: 'mg/L', name: 'first' } });
    await decide({ type: 'edit-variable', variable: x, patch: { name: 'x' } });
    expect(await ask(correlationResultSchema, matrix(['x', 'y']))).toEqual(first);
    await ask(cautionsResultSchema, cautions());
    const goTo = async (way: 'undo' | 'redo') => {
      await app.send('POST', `/studies/${study.id}/${way}`, { expectedHead: study.head });
      study = await app.ask(studySchema, 'GET', `/studies/${study.id}`);
    };
    await goTo('undo');
    expect(study.state.variables.some(({ name }) => name === 'first')).toBe(true);
    await ask(correlationResultSchema, { ...matrix(['y']), variables: [x, idOf('y')] });
    await goTo('redo');
    await ask(correlationResultSchema, matrix(['x', 'y']));
    expect(app.computed).toEqual(['correlation', 'cautions']);
  });

  it('what it looks at in the codebook, a cell, and rows set aside make it anew', async () => {
    await ask(cautionsResultSchema, cautions());
    await decide({ type: 'edit-variable', variable: idOf('x'), patch: { kind: 'ordinal' } });
    const ordinal = await ask(cautionsResultSchema, cautions());
    expect(app.computed).toEqual(['cautions', 'cautions']);
    expect(ordinal.pairs.some(({ cautions: found }) => found.some(({ code }) => code === 'ordinal'))).toBe(true);
    const before = await ask(correlationResultSchema, matrix(['x', 'y']));
    await decide({ type: 'set-aside', choice: { rows: [[1, 3]] }, because: 'misread' });
    const after = await ask(correlationResultSchema, matrix(['x', 'y']));
    expect([before.n[1], after.n[1]]).toEqual([30, 27]);
    expect(app.computed.filter((kind) => kind === 'correlation')).toHaveLength(2);
  });

  it('survives a restart of the server, with the names of rows in it', async () => {
    const request = { kind: 'shape', variable: idOf('x') };
    const shape = await ask(shapeResultSchema, request);
    const found = await ask(cautionsResultSchema, cautions());
    const again = app.restarted();
    expect(await ask(shapeResultSchema, request, again)).toEqual(shape);
    expect(await ask(cautionsResultSchema, cautions(), again)).toEqual(found);
    expect(again.computed).toEqual([]);
  });

  it('a damaged stored result is computed again', async () => {
    const summary = await ask(summaryResultSchema, { kind: 'summary' });
    await app.database('result_cache').update({ result: JSON.stringify({ kind: 'summary', variables: 'gone' }) });
    const again = app.restarted();
    expect(await ask(summaryResultSchema, { kind: 'summary' }, again)).toEqual(summary);
    expect(again.computed).toEqual(['summary']);
  });

  it('goes with its study, and the longest unused go where there are too many', async () => {
    await ask(summaryResultSchema, { kind: 'summary' });
    await app.database('result_cache').whereNot({ study: study.id }).delete();
    await app.database('result_cache').update({ bytes: 70 * 1024 * 1024 });
    await ask(correlationResultSchema, matrix(['x', 'y']));
    const keys = await app.database('result_cache').select('bytes');
    expect(keys).toHaveLength(1);
    expect(Number(keys[0]?.bytes)).toBeLessThan(10_000);
    await app.database('study').where({ id: study.id }).delete();
    expect(await app.database('result_cache').where({ study: study.id })).toEqual([]);
  });
});

describe('coefficients are kept pair by pair', () => {
  it('one more variable computes only its own pairs, and gives the same matrix to the last digit', async () => {
    const variants: readonly (readonly [known: number, more: object])[] = [
      // The pair, and each of the two with itself.
      [3, {}],
      [3, { method: 'kendall' }],
      // Both pairs of x by Spearman were part of the first matrix.
      [4, { method: 'pearson', byVariable: { [idOf('x')]: 'spearman' } }],
      [3, { rows: { completeFor: ['z'].map(idOf) } }],
    ];
    for (const [known, more] of variants) {
      await ask(correlationResultSchema, matrix(['x', 'y'], more));
      app.pairsKnown.length = 0;
      const grown = await ask(correlationResultSchema, matrix(['x', 'y', 'z'], more));
      expect(app.pairsKnown).toEqual([known]);
      // A server that knows nothing of them.
      await app.database('result_cache').delete();
      const afresh = await ask(correlationResultSchema, matrix(['x', 'y', 'z'], more), app.restarted());
      expect(grown).toEqual(afresh);
    }
  });

  it('which of the two is constant is told rightly, whichever is the row', async () => {
    const bytes = new TextEncoder().encode(['b,a,c', ...Array.from({ length: 12 }, (_, i) => `${i * i},5,${(i * 5) % 12}.5`)].join('\n'));
    const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=flat.csv', bytes);
    study = await app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Flat' });
    const first = await ask(correlationResultSchema, matrix(['b', 'a']));
    expect([first.undefinedBecause[1], first.undefinedBecause[2]]).toEqual(['constant-y', 'constant-x']);
    const turned = await ask(correlationResultSchema, matrix(['a', 'b', 'c']));
    expect([turned.undefinedBecause[1], turned.undefinedBecause[3]]).toEqual(['constant-x', 'constant-y']);
    expect(turned.undefinedBecause[2]).toBe('constant-x');
  });
});

describe('one description of rows for every kind', () => {
  const rows = (names: readonly string[], group: string | null = null) => ({
    completeFor: names.map(idOf),
    group: group === null ? null : { by: idOf('site'), value: group === 'a' ? 1 : 0 },
  });

  it('listwise deletion and a group cut a matrix, a pair and a shape alike', async () => {
    const listwise = await ask(correlationResultSchema, matrix(['x', 'y'], { rows: rows(['z']) }));
    expect(listwise.n[1]).toBe(22);
    const shape = await ask(shapeResultSchema, { kind: 'shape', variable: idOf('x'), rows: rows(['z'], 'a') });
    const group = await ask(correlationResultSchema, matrix(['x', 'y'], { rows: rows(['z'], 'a') }));
    expect([group.n[1], shape.description.n]).toEqual([15, 15]);
    // Rows keep the numbers they have in the table.
    expect(Math.max(...shape.quantiles.rows)).toBe(30);
  });
});

describe('settings that are not understood', () => {
  it('are said to be unreadable and stay until others are saved', async () => {
    const path = `/studies/${study.id}/settings/correlations`;
    const saved = await app.ask(storedSettingsSchema, 'PUT', path, { version: 0, settings: { methods: ['kendall'] } });
    expect(saved).toMatchObject({ version: 1, unreadable: false });
    await app
      .database('stage_setting')
      .where({ study: study.id })
      .update({ settings: JSON.stringify({ methods: ['of another time'] }) });
    expect(await app.ask(storedSettingsSchema, 'GET', path)).toEqual({ version: 1, settings: null, unreadable: true });
    const next = await app.ask(storedSettingsSchema, 'PUT', path, { version: 1, settings: { methods: ['pearson'] } });
    expect(next.version).toBe(2);
    expect(await app.ask(storedSettingsSchema, 'GET', path)).toMatchObject({ version: 2, unreadable: false });
  });
});

describe('what is stored of a column', () => {
  it('has an encoding and a checksum of its own bytes', async () => {
    const { rows } = await app.database.raw<{ rows: { good: boolean; encoding: number }[] }>(
      'select checksum = sha256(data) as good, encoding from column_chunk where study = ?',
      [study.id],
    );
    expect(rows.length).toBeGreaterThan(3);
    expect(rows.every(({ good, encoding }) => good && encoding === 1)).toBe(true);
  });
});
