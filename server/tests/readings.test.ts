import {
  type Change,
  importPreviewSchema,
  readingPreviewSchema,
  rowBlockSchema,
  type Study,
  studySchema,
  trailSchema,
} from '@ivlen/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { likeliestReading, previewReading, readTexts } from '../src/readings/read-texts';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

describe('texts as numbers', () => {
  const reading = { decimal: '.', thousands: 'none', limits: 'missing' } as const;
  const read = (texts: string[], part: object = {}) => [...readTexts(texts, { ...reading, ...part }).values];

  it.each([
    [['€16.50', '12%', '1.5 kg', '12.4*', '(3.2)', '1.2e3', 'n/a'], {}, [16.5, 12, 1.5, 12.4, -3.2, 1200, Number.NaN]],
    [['1 234,5', '0,82'], { decimal: ',', thousands: ' ' }, [1234.5, 0.82]],
    [['794,246', '1,204.50'], { thousands: ',' }, [794246, 1204.5]],
    [['<0.5', '>100', '0.7'], {}, [Number.NaN, Number.NaN, 0.7]],
    [['<0.5', '>100', '0.7'], { limits: 'limit' }, [0.5, 100, 0.7]],
    // Above a limit there is no half of what is left.
    [['<0.5', '≤ 3', '>100', '0.7'], { limits: 'half' }, [0.25, 1.5, 100, 0.7]],
    [[], {}, []],
  ])('%j under %j are %j', (texts, part, values) => expect(read(texts, part)).toEqual(values));

  it('have a unit where most that have one have the same', () => {
    expect(readTexts(['€16.50', '€3', '4'], reading).unit).toBe('€');
    expect(readTexts(['1 kg', '2 g', '3 kg'], reading).unit).toBe('');
    expect(readTexts(['1', '2'], reading).unit).toBe('');
  });

  it('are read with the marks by which most are numbers', () => {
    expect(likeliestReading(['1.204,50', '12,5', 'x'])).toEqual({ decimal: ',', thousands: '.', limits: 'missing' });
    expect(likeliestReading(['1,204.50', '12.5'])).toMatchObject({ decimal: '.', thousands: ',' });
    expect(likeliestReading(['1 204,5', '12,5'])).toMatchObject({ decimal: ',', thousands: ' ' });
    expect(likeliestReading([])).toMatchObject({ decimal: '.' });
  });

  it('that resist are named with their rows, missing cells are none of them, and limits are counted', () => {
    const codes = Float64Array.of(0, 1, Number.NaN, 1, 2, 3);
    const found = previewReading(['€5', 'n/a', 'broken', '<2'], codes, reading);
    expect([found.cells, found.read, found.limits, found.unit]).toEqual([5, 2, 1, '€']);
    expect(found.resisting).toEqual([
      { text: 'n/a', rows: [2, 4], count: 2 },
      { text: 'broken', rows: [5], count: 1 },
    ]);
    expect(found.examples).toEqual([
      { text: '€5', value: 5 },
      { text: 'n/a', value: null },
      { text: 'broken', value: null },
      { text: '<2', value: null },
    ]);
  });
});

describe('a variable of texts', () => {
  let app: TestApplication;
  let study: Study;
  const prices = ['€5.00', '€6.50', 'n/a', '€1,200', '<€2', 'broken', '€7', '€8', '€9', 'n/a'];
  const decide = (of: Study, change: Change) =>
    app.ask(studySchema, 'POST', `/studies/${of.id}/changes`, { expectedHead: of.head, change });
  const reading = { decimal: '.', thousands: ',', limits: 'half' } as const;
  const change: Change = { type: 'read-as-numbers', variable: 'v2', reading };
  const valuesOf = async (of: Study) =>
    new Float64Array(await (await app.send('GET', `/studies/${of.id}/revisions/${of.head}/variables/v2/values`)).arrayBuffer());

  beforeAll(async () => {
    app = await openTestApplication();
    const lines = ['site,price,depth', ...prices.map((price, i) => `s${i},"${price}",${i + 0.5}`)];
    const preview = await app.ask(importPreviewSchema, 'POST', '/imports?name=prices.csv', bytesOf(lines.join('\n')));
    study = await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name: 'Prices' });
  });
  afterAll(() => app.close());

  it('is shown as numbers before it is read so', async () => {
    expect(study.state.variables[1]).toMatchObject({ storage: 'code', kind: 'identifier' });
    const found = await app.ask(readingPreviewSchema, 'POST', `/studies/${study.id}/reading-preview`, {
      revision: study.head,
      variable: 'v2',
    });
    expect(found).toMatchObject({ reading: { decimal: '.', thousands: ',', limits: 'missing' }, limits: 1, unit: '€' });
    expect(found.resisting.map(({ text }) => text)).toContain('broken');
  });

  it('is read in one decision that says what became missing and how limits are taken, and undone to its texts', async () => {
    const read = await decide(study, change);
    const [, price] = read.state.variables;
    expect(price).toMatchObject({ storage: 'number', kind: 'continuous', unit: '€', valueLabels: {} });
    expect(price?.note).toContain('1 cell tells a limit only, read as half of it.');
    expect([...(await valuesOf(read))].slice(0, 6)).toEqual([5, 6.5, Number.NaN, 1200, 1, Number.NaN]);
    const { decisions } = await app.ask(trailSchema, 'GET', `/studies/${read.id}/trail?head=${read.head}`);
    const summary = decisions[0]?.summary ?? '';
    expect(summary).toContain('price is read as numbers');
    expect(summary).toContain('“broken” in row 6');
    expect(summary).toContain('1 cell below or above a limit as half of it');
    expect(summary).toContain('the limits are kept in price (limit)');
    // The limit itself stands in the row where it was told, in a variable beside the numbers.
    expect(read.state.variables.map(({ name }) => name)).toEqual(['site', 'price', 'price (limit)', 'depth']);
    const told = await app.ask(rowBlockSchema, 'GET', `/studies/${read.id}/revisions/${read.head}/rows?block=0&descending=0`);
    expect(told.rows.map(({ cells }) => cells[2])).toEqual([null, null, null, null, '<€2', null, null, null, null, null]);

    const back = await app.ask(studySchema, 'POST', `/studies/${study.id}/undo`, { expectedHead: read.head });
    expect(back.state.variables[1]).toMatchObject({ storage: 'code', kind: 'identifier', unit: null });
    const rows = (await (await app.send('GET', `/studies/${study.id}/revisions/${back.head}/rows?block=0&descending=0`)).json()) as {
      rows: { cells: unknown[] }[];
    };
    expect(rows.rows[3]?.cells[1]).toBe('€1,200');
    study = back;
  });

  it('is not read while a subset or another variable goes by its texts, nor where nothing is a number', async () => {
    const subset = await decide(study, {
      type: 'set-subset',
      subset: { join: 'all', rules: [{ type: 'one-of', variable: 'v2', values: ['€7'], not: false }] },
    });
    const refused = await app.send('POST', `/studies/${study.id}/changes`, { expectedHead: subset.head, change });
    expect([refused.status, await refused.text()]).toEqual([422, expect.stringContaining('while the subset in force goes by its texts')]);
    study = await app.ask(studySchema, 'POST', `/studies/${study.id}/undo`, { expectedHead: subset.head });

    const names = await app.send('POST', `/studies/${study.id}/changes`, {
      expectedHead: study.head,
      change: { ...change, variable: 'v1' },
    });
    expect([names.status, await names.text()]).toEqual([422, expect.stringContaining('None of the 10 cells of site holds a number')]);
    const numbers = await app.send('POST', `/studies/${study.id}/changes`, {
      expectedHead: study.head,
      change: { ...change, variable: 'v3' },
    });
    expect([numbers.status, await numbers.text()]).toEqual([422, expect.stringContaining('It is numbers or dates already.')]);
  });
});
