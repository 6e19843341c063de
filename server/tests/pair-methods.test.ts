import { correlationResultSchema, importPreviewSchema, type Study, studySchema, trailSchema } from '@ivlen/contract';
import { kendall, pearson, spearman } from '@ivlen/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

const COLUMNS = [
  [1.2, 3.4, 2.2, 8.8, 5.1, 4.4, 9.7, 6.3],
  [2.1, 2.9, 3.3, 40.5, 4.2, 5.8, 7.7, 6.1],
  [9, 7, 8, 1, 4, 5, Number.NaN, 2],
];
const columns = COLUMNS.map((values) => Float64Array.from(values));

async function makeStudy(): Promise<Study> {
  const lines = Array.from({ length: 8 }, (_, row) => COLUMNS.map((column) => (Number.isNaN(column[row]) ? '' : column[row])).join(','));
  const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=x.csv', bytesOf(['a,b,c', ...lines].join('\n')));
  return app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Methods' });
}
const decide = (study: Study, change: object) =>
  app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change });

describe('a variable with a method of its own', () => {
  it('has its pairs computed by that, the others by the common one', async () => {
    let study = await makeStudy();
    const ids = study.state.variables.map(({ id }) => id);
    const [a, b, c] = columns as [Float64Array, Float64Array, Float64Array];
    study = await decide(study, { type: 'set-pair-method', variable: ids[1], method: 'spearman' });
    const ask = (completeFor: readonly string[]) =>
      app.ask(correlationResultSchema, 'POST', `/studies/${study.id}/analyses`, {
        revision: study.head,
        analysis: {
          kind: 'correlation',
          method: 'pearson',
          byVariable: study.state.pairMethods,
          rows: { completeFor },
          alternative: 'two-sided',
          level: 0.95,
          variables: ids,
        },
      });
    const pairwise = await ask([]);
    expect(pairwise.methods).toEqual([
      'pearson',
      'spearman',
      'pearson',
      'spearman',
      'pearson',
      'spearman',
      'pearson',
      'spearman',
      'pearson',
    ]);
    expect(pairwise.coefficient[1]).toBe(spearman(a, b).coefficient);
    expect(pairwise.pValue[3]).toBe(spearman(a, b).pValue);
    expect(pairwise.coefficient[2]).toBeCloseTo(pearson(a, c).coefficient, 14);
    expect(pairwise.low[5]).toBe(spearman(b, c).interval?.low);
    expect(pairwise.n[1]).toBe(8);
    // Listwise, the row that lacks c is left out of the rank pair as well.
    const listwise = await ask(ids);
    expect(listwise.n[1]).toBe(7);
    expect(listwise.coefficient[1]).toBe(
      spearman(
        a.filter((_, i) => i !== 6),
        b.filter((_, i) => i !== 6),
      ).coefficient,
    );

    study = await decide(study, { type: 'set-pair-method', variable: ids[0], method: 'kendall' });
    // Where two own methods meet, τ goes before ρ.
    expect((await ask([])).coefficient[1]).toBe(kendall(a, b).coefficient);
  });

  it('is a decision that can be undone, is refused where it changes nothing, and goes with its variable', async () => {
    const first = await makeStudy();
    const variable = first.state.variables[1]?.id ?? '';
    const study = await app.ask(studySchema, 'POST', `/studies/${first.id}/changes`, {
      expectedHead: first.head,
      change: { type: 'set-pair-method', variable, method: 'spearman' },
      reason: 'two humps',
    });
    const { decisions } = await app.ask(trailSchema, 'GET', `/studies/${study.id}/trail`);
    expect(decisions[0]).toMatchObject({ kind: 'pair-method', summary: 'Pairs with b by Spearman’s ρ', reason: 'two humps' });
    const again = await app.send('POST', `/studies/${study.id}/changes`, {
      expectedHead: study.head,
      change: { type: 'set-pair-method', variable, method: 'spearman' },
    });
    expect(again.status).toBe(422);
    const undone = await app.ask(studySchema, 'POST', `/studies/${study.id}/undo`, { expectedHead: study.head });
    expect(undone.state.pairMethods).toEqual({});
    const redone = await app.ask(studySchema, 'POST', `/studies/${study.id}/redo`, { expectedHead: undone.head });
    const without = await decide(redone, { type: 'remove-variable', variable });
    expect(without.state.pairMethods).toEqual({});
  });
});
