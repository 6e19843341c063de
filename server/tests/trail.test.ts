import { importPreviewSchema, rowBlockSchema, type Study, studySchema, trailSchema } from '@ivlen/contract';
import { afterAll, beforeAll, describe, expect, it, test } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

async function makeStudy(): Promise<Study> {
  const table = bytesOf('site,depth,taxa\nA1,12.5,9\nA2,11,11\nA3,15,10\n');
  const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=sites.csv', table);
  return app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Sites' });
}
const change = (study: Study, variable: string, patch: object, reason?: string) =>
  app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, {
    expectedHead: study.head,
    change: { type: 'edit-variable', variable, patch },
    reason,
  });
const move = (study: Study, way: 'undo' | 'redo') =>
  app.ask(studySchema, 'POST', `/studies/${study.id}/${way}`, { expectedHead: study.head });
const trailOf = ({ id }: Study) => app.ask(trailSchema, 'GET', `/studies/${id}/trail`);
const errorOf = async (response: Response) => [response.status, ((await response.json()) as { error: { code: string } }).error.code];

describe('the trail', () => {
  it('tells decisions with their reasons, newest first, and what undo would take back', async () => {
    const first = await makeStudy();
    expect(await trailOf(first)).toMatchObject({ undo: null, redo: null });
    const second = await change(first, 'v2', { unit: 'cm', decimals: 1 }, 'from the field sheet');
    const trail = await trailOf(second);
    expect(trail.decisions.map(({ number, summary, reason }) => [number, summary, reason])).toEqual([
      [2, 'depth: unit cm; decimals 1', 'from the field sheet'],
      [1, 'Brought in from “sites.csv”: 3 rows, 3 variables; cells apart by commas, decimal point', null],
    ]);
    expect(trail.undo).toBe('depth: unit cm; decimals 1');
  });

  it('tells in its first line how the table was read, and what was decided then', async () => {
    const table = bytesOf(
      'Survey of brooks\nsite;depth;taxa;crew\n;cm;;\nA1;12,5;9;x\nA2;11;999;y\nA3;15,5;10;x\nA4;<0,5;12;y\nMean;9,9;10,3;\n',
    );
    const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=brooks.csv', table);
    const patch = {
      unitsRow: true,
      foot: 1,
      missingCodes: ['999'],
      columns: { 1: { loose: true, limits: 'half' }, 2: { kind: 'continuous' }, 3: { leaveOut: true } },
    };
    await app.ask(importPreviewSchema, 'PATCH', `/imports/${id}`, patch);
    const study = await app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Brooks' });
    const [first] = (await trailOf(study)).decisions;
    expect(first?.summary).toBe(
      'Brought in from “brooks.csv”: 4 rows, 3 variables; cells apart by semicolons, decimal comma; 1 row above the names left out; a row of units; 1 row at the foot left out; “999” means missing; left out: crew; kinds set: taxa as continuous; numbers read out of texts: depth; depth: 1 cell tells a limit only (“<0,5” in row 4), read as half of it; limits kept in depth (limit)',
    );
    expect(study.state.variables[1]).toMatchObject({
      unit: 'cm',
      note: '1 cell tells a limit only (“<0,5” in row 4), read as half of it. The limits are kept in depth (limit).',
    });
    expect(study.state.variables[2]).toMatchObject({ name: 'depth (limit)', kind: 'nominal', storage: 'code' });
    const { rows } = await app.ask(rowBlockSchema, 'GET', `/studies/${study.id}/revisions/1/rows?block=0`);
    expect(rows.map(({ cells }) => cells.slice(1, 3))).toEqual([
      [12.5, null],
      [11, null],
      [15.5, null],
      [0.25, '<0,5'],
    ]);
  });

  it('is undone and redone step by step; a new decision starts a branch, and the old one stays stored', async () => {
    const first = await makeStudy();
    const second = await change(first, 'v2', { unit: 'cm' });
    const third = await change(second, 'v2', { unit: 'm' });
    const back = await move(third, 'undo');
    expect([back.head, back.state.variables[1]?.unit]).toEqual([2, 'cm']);
    expect((await trailOf(back)).redo).toBe('depth: unit m');
    expect((await move(back, 'redo')).head).toBe(3);
    const again = await move(await app.ask(studySchema, 'GET', `/studies/${first.id}`), 'undo');
    const branch = await change(again, 'v3', { role: 'outcome' });
    expect(branch.head).toBe(4);
    expect(await trailOf(branch)).toMatchObject({ redo: null, undo: 'taxa: role outcome' });
    expect((await trailOf(branch)).decisions.map(({ number }) => number)).toEqual([4, 2, 1]);
    expect(await app.database('revision').where({ study: first.id }).count('* as count')).toEqual([{ count: '4' }]);
    // What was decided before the branch can be had again as well.
    expect((await move(await move(branch, 'undo'), 'redo')).head).toBe(4);
  });

  it('has ends, and refuses what was asked at an old head', async () => {
    const first = await makeStudy();
    for (const way of ['undo', 'redo']) {
      expect(await errorOf(await app.send('POST', `/studies/${first.id}/${way}`, { expectedHead: 1 }))).toEqual([422, `nothing-to-${way}`]);
    }
    await change(first, 'v2', { unit: 'cm' });
    expect(await errorOf(await app.send('POST', `/studies/${first.id}/undo`, { expectedHead: 1 }))).toEqual([409, 'head-moved']);
  });

  it('lets a reason be written later', async () => {
    const study = await change(await makeStudy(), 'v2', { unit: 'cm' });
    const trail = await app.ask(trailSchema, 'PATCH', `/studies/${study.id}/revisions/2`, { reason: '  as measured ' });
    expect(trail.decisions[0]?.reason).toBe('as measured');
    expect(await errorOf(await app.send('PATCH', `/studies/${study.id}/revisions/9`, { reason: 'x' }))).toEqual([404, 'no-such-revision']);
  });
});

describe('codebook entries', () => {
  test.each([
    [{ name: 'depth' }, 'name-taken'],
    [{ validRange: { low: 9, high: 2 } }, 'range-turned'],
    [{ unit: null }, 'nothing-changes'],
    [{ decimals: 40 }, 'invalid-request'],
    [{ kind: 'date' }, 'kind-does-not-fit'],
  ])('%j is refused: %s', async (patch, code) => {
    const study = await makeStudy();
    const body = { expectedHead: 1, change: { type: 'edit-variable', variable: 'v3', patch } };
    expect(await errorOf(await app.send('POST', `/studies/${study.id}/changes`, body))).toEqual([422, code]);
    expect((await app.ask(studySchema, 'GET', `/studies/${study.id}`)).head).toBe(1);
  });

  it('a decision says what changed, in words', async () => {
    const study = await makeStudy();
    const named = await change(study, 'v3', { name: 'mayflies' });
    const edited = await change(named, 'v3', { valueLabels: { 9: 'nine' }, validRange: { low: 0, high: null }, note: 'counted twice' });
    expect(edited.state.variables[2]).toMatchObject({ name: 'mayflies', valueLabels: { 9: 'nine' }, note: 'counted twice' });
    expect((await trailOf(edited)).decisions.map(({ summary }) => summary).slice(0, 2)).toEqual([
      'mayflies: value labels 9 = nine; possible values from 0 to any; note counted twice',
      'taxa is called mayflies',
    ]);
  });

  it('the study has an entry of its own', async () => {
    const study = await makeStudy();
    const patch = { rowMeaning: 'one visit to a station', citation: null };
    const edited = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, {
      expectedHead: 1,
      change: { type: 'edit-study', patch },
    });
    expect(edited.state.rowMeaning).toBe('one visit to a station');
    expect((await trailOf(edited)).undo).toBe('what one row is: one visit to a station');
  });
});
