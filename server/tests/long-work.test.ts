import { foundCellsSchema, importPreviewSchema, type Study, studySchema } from '@ivlen/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

const ROWS = 150_000;
let app: TestApplication;
let study: Study;
beforeAll(async () => {
  app = await openTestApplication();
  const lines = Array.from({ length: ROWS }, (_, i) => `${i % 97},word ${i % 5000} of many,${(i % 13) / 2}`);
  const preview = await app.ask(importPreviewSchema, 'POST', '/imports?name=long.csv', bytesOf(`x,note,y\n${lines.join('\n')}\n`));
  study = await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name: 'Long' });
}, 120_000);
afterAll(() => app.close());

/** Asks for the server's health all the while, and says how long it took at most to answer. */
async function slowestHealth(work: () => Promise<unknown>): Promise<number> {
  let [slowest, done] = [0, false];
  const asking = (async () => {
    while (!done) {
      const asked = performance.now();
      const response = await app.send('GET', '/health');
      expect(response.status).toBe(200);
      slowest = Math.max(slowest, performance.now() - asked);
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
  })();
  await work();
  done = true;
  await asking;
  return slowest;
}

const change = (body: object) => app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change: body });

describe('a long table', () => {
  it('takes fifty thousand ranges that overlap as the rows that they are', async () => {
    const rows = Array.from({ length: 50_000 }, (_, i) => [1 + (i % 10), ROWS - 50_000 + i]);
    const started = performance.now();
    study = await change({ type: 'set-aside', choice: { rows }, because: 'other' });
    // Gone through range by range these are five thousand million rows.
    expect(performance.now() - started).toBeLessThan(20_000);
    expect(study.state.setAside?.count).toBe(ROWS - 1);
    study = await change({
      type: 'bring-back',
      choice: {
        rows: [
          [ROWS - 1, 2],
          [1, 1],
        ],
      },
    });
    expect(study.state.setAside?.count ?? 0).toBe(0);
  }, 60_000);

  it('is searched while others are answered, counts all and lists the first', async () => {
    const find = (text: string) =>
      app.ask(foundCellsSchema, 'GET', `/studies/${study.id}/revisions/${study.head}/find?text=${encodeURIComponent(text)}`);
    const all = await find('word');
    expect([all.total, all.cells.length]).toEqual([ROWS, 1000]);
    expect(all.cells[0]).toEqual({ row: 1, position: 0, variable: study.state.variables[1]?.id });
    expect(all.cells.at(-1)).toMatchObject({ row: 1000, position: 999 });
    expect((await find('word 4999 of')).total).toBe(ROWS / 5000);
    expect(await slowestHealth(() => find('many'))).toBeLessThan(1000);
  }, 60_000);

  it('takes a pasted column of all its rows', async () => {
    const rows = Array.from({ length: ROWS }, (_, i) => i + 1);
    const cells = rows.map((row) => [String(row % 7)]);
    const edited = await change({ type: 'edit-cells', variables: [study.state.variables[0]?.id], rows, cells });
    expect(edited.head).toBe(study.head + 1);
    study = edited;
  }, 60_000);
});

describe('a body that is too large', () => {
  it('is refused in words before it is read as JSON', async () => {
    const response = await app.send('POST', `/studies/${study.id}/analyses`, {
      revision: 1,
      analysis: { kind: 'summary', more: 'x'.repeat(5_000_000) },
    });
    expect(response.status).toBe(413);
    expect(await response.json()).toMatchObject({ error: { code: 'too-large', message: 'A request here may have up to 4 MB.' } });
  });
});
