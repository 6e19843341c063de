import { errorSchema, importPreviewSchema, rowBlockSchema, type Study, studySchema } from '@ivlen/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
let study: Study;
let other: Study;
beforeAll(async () => {
  app = await openTestApplication();
  const preview = await app.ask(importPreviewSchema, 'POST', '/imports?name=t.csv', bytesOf('x,y\n1,2\n2,4\n3,5\n4,9\n'));
  study = await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name: 'Damaged' });
  const sound = await app.ask(importPreviewSchema, 'POST', '/imports?name=s.csv', bytesOf('x,y\n7,8\n9,1\n'));
  other = await app.ask(studySchema, 'POST', '/studies', { importId: sound.id, name: 'Sound' });
});
afterAll(() => app.close());

describe('rows that are as they were written', () => {
  it('are shown, at each revision as they were then', async () => {
    const cells = async (revision: number) => {
      const { rows } = await app.ask(rowBlockSchema, 'GET', `/studies/${other.id}/revisions/${revision}/rows?block=0`);
      return rows.map((row) => row.cells);
    };
    const [before, after] = [
      [
        [7, 8],
        [9, 1],
      ],
      [
        [7, 8],
        [9, 3],
      ],
    ];
    expect(await cells(1)).toEqual(before);
    await app.ask(studySchema, 'POST', `/studies/${other.id}/changes`, {
      expectedHead: 1,
      change: { type: 'edit-cells', variables: ['v2'], rows: [2], cells: [['3']] },
    });
    expect(await cells(2)).toEqual(after);
    expect(await cells(1)).toEqual(before);
  });

  it('are looked over version by version: a new one that is damaged is named, the one before is still shown', async () => {
    await app.ask(studySchema, 'POST', `/studies/${other.id}/changes`, {
      expectedHead: 2,
      change: { type: 'edit-cells', variables: ['v1'], rows: [1], cells: [['5']] },
    });
    await app.database.raw('update column_chunk set data = set_byte(data, 6, 1) where study = ? and revision = 3', [other.id]);
    const shown = await app.send('GET', `/studies/${other.id}/revisions/3/rows?block=0`);
    expect([shown.status, await shown.json()]).toMatchObject([
      500,
      { error: { code: 'damaged-data', where: 'variable v1, rows 1 to 65,536' } },
    ]);
    expect((await app.send('GET', `/studies/${other.id}/revisions/2/rows?block=0`)).status).toBe(200);
  });
});

describe('a byte that was changed in the database', () => {
  it('is named, and nothing is computed with it; the other variables are', async () => {
    const [x = '', y = ''] = study.state.variables.map(({ id }) => id);
    await app.database.raw('update column_chunk set data = set_byte(data, 6, 1) where study = ? and variable = ?', [study.id, x]);
    const fresh = app.restarted();
    const response = await fresh.send('GET', `/studies/${study.id}/revisions/1/variables/${x}/values`);
    expect(response.status).toBe(500);
    const { error } = errorSchema.parse(await response.json());
    expect(error).toMatchObject({ code: 'damaged-data', where: `variable ${x}, rows 1 to 65,536` });
    // Not even shown, though it has been read from no chunk as a whole.
    const shown = await fresh.send('GET', `/studies/${study.id}/revisions/1/rows?block=0`);
    expect(shown.status).toBe(500);
    expect(await shown.json()).toMatchObject({ error: { code: 'damaged-data', where: `variable ${x}, rows 1 to 65,536` } });
    const sound = await fresh.send('GET', `/studies/${study.id}/revisions/1/variables/${y}/values`);
    expect([...new Float64Array(await sound.arrayBuffer())]).toEqual([2, 4, 5, 9]);
    const matrix = await fresh.send('POST', `/studies/${study.id}/analyses`, {
      revision: 1,
      analysis: { kind: 'correlation', byVariable: {}, method: 'pearson', level: 0.95, variables: [x, y], alternative: 'two-sided' },
    });
    expect(matrix.status).toBe(500);
    expect(await matrix.json()).toMatchObject({ error: { code: 'damaged-data' } });
  });
});
