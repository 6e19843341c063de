import { createHash } from 'node:crypto';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  type AnalysisRecord,
  analysisRecordSchema,
  checksumSchema,
  exportReadySchema,
  importPreviewSchema,
  reportSchema,
  type Study,
  studySchema,
} from '@ivlen/contract';
import { createInlineWorkers, replayArchive, replayedInWords, Spool } from '@ivlen/server';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
let clean: TestApplication;
let study: Study;
let parts: Record<string, Uint8Array>;
let folder: string;

const idOf = (name: string) => study.state.variables.find((variable) => variable.name === name)?.id ?? '';
const decide = async (change: object) => {
  study = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change, reason: 'because' });
};
const pairRequest = () => ({
  kind: 'pair',
  x: idOf('x'),
  y: idOf('log10_x'),
  rows: { completeFor: [], group: null },
  alternative: 'two-sided',
  level: 0.95,
  interval: 'default',
  control: [],
});
const matrix = () => ({
  kind: 'correlation',
  variables: [idOf('x'), idOf('y')],
  method: 'kendall',
  byVariable: {},
  alternative: 'two-sided',
  level: 0.95,
});
const resample = () => ({
  kind: 'resample',
  what: 'bootstrap',
  x: idOf('x'),
  y: idOf('y'),
  method: 'pearson',
  times: 500,
  seed: 7,
  level: 0.95,
  alternative: 'two-sided',
});

async function exported(body: object): Promise<Uint8Array> {
  const { id } = await app.ask(exportReadySchema, 'POST', `/studies/${study.id}/exports`, {
    revision: study.head,
    format: 'archive',
    rows: 'all',
    labels: false,
    ...body,
  });
  return new Uint8Array(await (await app.send('GET', `/exports/${id}`)).arrayBuffer());
}

beforeAll(async () => {
  [app, clean] = [await openTestApplication(), await openTestApplication()];
  folder = await mkdtemp(join(tmpdir(), 'ivlen-record-'));
  const lines = Array.from({ length: 24 }, (_, i) => `S${i},${((i * 7) % 24) / 2 + 1},${i === 3 ? '' : ((i * 11) % 24) / 4},=1+${i}`);
  const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=t.csv', bytesOf(['station,x,y,remark', ...lines].join('\n')));
  study = await app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'To be <recorded>' });
  const before = study.head;
  await decide({ type: 'set-aside', choice: { rows: [[5, 6]] }, because: 'misread' });
  await decide({
    type: 'derive',
    definition: { name: 'log10_x', unit: null, derivation: { type: 'scale', source: idOf('x'), scale: 'log10', shift: 0 } },
  });
  await app.ask(reportSchema, 'POST', `/studies/${study.id}/report/blocks`, {
    after: null,
    blocks: [{ content: { kind: 'paragraph', of: 'data' } }, { content: { kind: 'paragraph', of: 'own' }, title: 'Ours' }],
  });
  const items = [
    { title: 'A pair & its log', revision: study.head, methods: ['Single pairs by r.'], requests: [pairRequest(), resample()] },
    { title: 'All', revision: study.head, methods: [], requests: [matrix()] },
    { title: 'Held', revision: before, methods: [], requests: [matrix()] },
  ];
  parts = unzipSync(await exported({ record: { items } }));
});
afterAll(async () => {
  await Promise.all([app.close(), clean.close()]);
  await rm(folder, { recursive: true });
});

const text = (name: string) => strFromU8(parts[name] ?? new Uint8Array());
async function replayed(changed: Record<string, string> = {}) {
  const path = join(folder, 'archive.zip');
  const files = { ...parts, ...Object.fromEntries(Object.entries(changed).map(([name, content]) => [name, strToU8(content)])) };
  // What tells whether the rest can be read comes first.
  const { 'study.json': first, ...others } = files;
  await writeFile(path, zipSync({ ...(first ? { 'study.json': first } : {}), ...others }));
  return replayArchive(path, clean.database, createInlineWorkers(), new Spool(clean.folder));
}

describe('the record of a report', () => {
  it('holds every request with its result, the data by their checksum, and steps in plain words', async () => {
    const record: AnalysisRecord = analysisRecordSchema.parse(JSON.parse(text('analysis.json')));
    expect(record.items.map(({ title, analyses }) => [title, analyses.map(({ request }) => request.kind)])).toEqual([
      ['A pair & its log', ['pair', 'resample']],
      ['All', ['correlation']],
      ['Held', ['correlation']],
    ]);
    expect(record.items[0]?.analyses[1]?.result).toMatchObject({ seed: 7, times: 500, n: 21 });
    const sha256 = createHash('sha256').update(text('data.csv')).digest('hex');
    expect(record.dataSha256).toBe(sha256);
    expect(await app.ask(checksumSchema, 'GET', `/studies/${study.id}/revisions/${study.head}/checksum`)).toEqual({ sha256 });
    expect(text('datapackage.json')).toContain(`sha256:${sha256}`);
    const page = text('record.html');
    for (const words of [
      'To be &lt;recorded&gt;',
      sha256,
      'rows 5 to 6 (misread)',
      'log10_x: continuous; derived: logarithm to base 10 of x',
      'A pair &amp; its log',
      'r = Σ(x − x̄)(y − ȳ)',
      'seed',
    ])
      expect(page).toContain(words);
  });

  it('is computed again on a clean database without a difference; what was held is named, not checked', async () => {
    const found = await replayed();
    expect(found).toMatchObject({ analyses: 3, differences: [], otherData: null });
    expect(found.unchecked).toEqual(['Held: computed with the data of decision 1, which the archive does not hold.']);
    expect(replayedInWords(found).at(-1)).toBe('“To be <recorded>”: 3 analyses computed again, no difference in any digit.');
  });

  it('one digit changed in it is found, and where', async () => {
    const record: AnalysisRecord = JSON.parse(text('analysis.json'));
    const result = record.items[0]?.analyses[0]?.result as { tests: { pearson: { coefficient: number } } };
    const r = result.tests.pearson.coefficient;
    const changed = text('analysis.json').replaceAll(
      String(r),
      String(r).replace(/\d$/, (digit) => String((Number(digit) + 1) % 10)),
    );
    const found = await replayed({ 'analysis.json': changed });
    expect(found.differences).toHaveLength(1);
    expect(found.differences[0]).toMatchObject({ item: 'A pair & its log', kind: 'pair', path: 'tests.pearson.coefficient', computed: r });
    expect(replayedInWords(found)[0]).toContain(`tests.pearson.coefficient: ${String(r).slice(0, 10)}`);
    expect(replayedInWords(found).at(-1)).toContain('1 difference.');
  });

  it('other data are found by their checksum and by what follows from them', async () => {
    const lines = text('data.csv').split('\r\n');
    const at = lines.findIndex((line) => line.startsWith('10,'));
    const cells = (lines[at] ?? '').split(',');
    lines[at] = cells.with(2, String(Number(cells[2]) + 1)).join(',');
    const found = await replayed({ 'data.csv': lines.join('\r\n') });
    expect(found.otherData).toMatch(/^[0-9a-f]{64}$/);
    expect(found.differences.length).toBeGreaterThan(3);
    expect(replayedInWords(found)[0]).toContain('The data are not those that were recorded');
  });

  it('an archive without one, or with one of a newer version, says so', async () => {
    const { 'analysis.json': _, ...without } = parts;
    await writeFile(join(folder, 'without.zip'), zipSync(without));
    await expect(
      replayArchive(join(folder, 'without.zip'), clean.database, createInlineWorkers(), new Spool(clean.folder)),
    ).rejects.toThrow('This archive holds no record');
    await expect(replayed({ 'analysis.json': text('analysis.json').replace('"version": 1', '"version": 99') })).rejects.toThrow(
      'written by another version',
    );
  });
});

describe('an archive', () => {
  it('brings the report back, with ids of its own', async () => {
    const restored = await clean.ask(studySchema, 'POST', '/archives?name=a.zip', await exported({}));
    const { blocks } = await clean.ask(reportSchema, 'GET', `/studies/${restored.id}/report`);
    expect(blocks.map(({ content, title }) => [content.kind === 'paragraph' ? content.of : '', title])).toEqual([
      ['data', null],
      ['own', 'Ours'],
    ]);
  });
});

describe('texts that a spreadsheet would run', () => {
  const csv = async (body: object) => strFromU8(await exported({ format: 'csv', ...body })).split('\r\n');
  it('get an apostrophe in a CSV for spreadsheets, numbers none; a faithful copy and the archive have them as they are', async () => {
    expect((await csv({}))[2]).toBe(`S1,4.5,${Math.log10(4.5)},2.75,'=1+1`);
    expect((await csv({ faithful: true }))[2]).toBe(`S1,4.5,${Math.log10(4.5)},2.75,=1+1`);
    expect(text('data.csv')).toContain(',=1+1');
  });
});
