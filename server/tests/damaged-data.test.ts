import { errorSchema, importPreviewSchema, type Study, studySchema } from '@ivlen/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
let study: Study;
beforeAll(async () => {
  app = await openTestApplication();
  const preview = await app.ask(importPreviewSchema, 'POST', '/imports?name=t.csv', bytesOf('x,y\n1,2\n2,4\n3,5\n4,9\n'));
  study = await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name: 'Damaged' });
});
afterAll(() => app.close());

describe('a byte that was changed in the database', () => {
  it('is named, and nothing is computed with it; the other variables are', async () => {
    const [x = '', y = ''] = study.state.variables.map(({ id }) => id);
    await app.database.raw('update column_chunk set data = set_byte(data, 6, 1) where study = ? and variable = ?', [study.id, x]);
    const fresh = app.restarted();
    const response = await fresh.send('GET', `/studies/${study.id}/revisions/1/variables/${x}/values`);
    expect(response.status).toBe(500);
    const { error } = errorSchema.parse(await response.json());
    expect(error).toMatchObject({ code: 'damaged-data', where: `variable ${x}, rows 1 to 65,536` });
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
