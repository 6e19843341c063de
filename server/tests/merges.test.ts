import {
  type Change,
  errorSchema,
  importPreviewSchema,
  type MergeMode,
  mergeSummarySchema,
  rowBlockSchema,
  type Study,
  studySchema,
  trailSchema,
} from '@ivlen/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

const FIRST = ['site,depth,kind,on', 'A,1.5,riffle,2024-03-01', 'B,2.5,run,2024-03-02', 'C,-99,run,2024-03-15', 'D,4,pool,2024-03-04'];

async function bring(lines: readonly string[]): Promise<string> {
  return (await app.ask(importPreviewSchema, 'POST', '/imports?name=more.csv', bytesOf(lines.join('\n')))).id;
}

async function makeStudy(): Promise<Study> {
  const id = await bring(FIRST);
  await app.ask(importPreviewSchema, 'PATCH', `/imports/${id}`, { missingCodes: ['-99'] });
  let study = await app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Sites' });
  const change = async (to: Change) => {
    study = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change: to });
  };
  await change({
    type: 'derive',
    definition: { name: 'double', unit: null, derivation: { type: 'formula', formula: '2 * depth', sources: [], ignoreMissing: false } },
  });
  await change({ type: 'set-aside', choice: { rows: [[2, 2]] }, because: 'misread' });
  return study;
}

const preview = ({ id }: Study, importId: string, mode: MergeMode) =>
  app.ask(mergeSummarySchema, 'POST', `/studies/${id}/merge-preview`, { importId, mode });
const merge = ({ id, head }: Study, importId: string, mode: MergeMode) =>
  app.ask(studySchema, 'POST', `/studies/${id}/merges`, { importId, mode, expectedHead: head });
const rowsOf = async ({ id, head }: Study) =>
  (await app.ask(rowBlockSchema, 'GET', `/studies/${id}/revisions/${head}/rows?block=0`)).rows.map(({ cells, setAside }) => [
    ...cells,
    ...(setAside > 0 ? [`aside ${setAside}`] : []),
  ]);
const summaryOf = async ({ id }: Study) => (await app.ask(trailSchema, 'GET', `/studies/${id}/trail`)).decisions[0]?.summary;

const BEFORE = [
  ['A', 1.5, 3, 'riffle', '2024-03-01'],
  ['B', 2.5, 5, 'run', '2024-03-02', 'aside 1'],
  ['C', null, null, 'run', '2024-03-15'],
  ['D', 4, 8, 'pool', '2024-03-04'],
];

describe('rows of another file', () => {
  it('are added at the end, by name of column, with new texts and what is missing', async () => {
    const study = await makeStudy();
    const file = await bring([
      'KIND,site,Depth,extra',
      'glide,E,5.5,1',
      'run,A,few,2',
      'run,F,-99,3',
      'run,G,8,4',
      'run,H,9,5',
      'run,I,10,6',
    ]);
    const summary = await preview(study, file, 'add');
    expect(summary).toMatchObject({
      matchedBy: null,
      notInFile: ['on'],
      notInStudy: ['extra'],
      rowsBefore: 4,
      rowsAdded: 6,
      rowsGone: 0,
      repeated: 1,
      cellsChanged: 0,
    });
    const merged = await merge(study, file, 'add');
    expect(merged.rows).toBe(10);
    const rows = await rowsOf(merged);
    expect(rows.slice(0, 4)).toEqual(BEFORE);
    expect(rows.slice(4, 7)).toEqual([
      ['E', 5.5, 11, 'glide', null],
      ['A', null, null, 'run', null],
      ['F', null, null, 'run', null],
    ]);
    expect(merged.state.inUse?.rows).toBe(9);
    expect(await summaryOf(merged)).toBe('6 rows added from “more.csv”, from row 5 on');
    expect((await app.send('GET', `/imports/${file}`)).status).toBe(404);

    const undone = await app.ask(studySchema, 'POST', `/studies/${study.id}/undo`, { expectedHead: merged.head });
    expect(undone.rows).toBe(4);
    expect(await rowsOf(undone)).toEqual(BEFORE);
  });
});

describe('a corrected file', () => {
  const CORRECTED = [
    'site,depth,kind,on',
    'D,4,pool,2024-03-04',
    'A,1.25,riffle,2024-03-01',
    'E,7,glide,2024-03-05',
    'C,3.5,run,2024-03-15',
  ];

  it('takes the place of the data by identifier; what changed is shown before, and rows keep their numbers', async () => {
    const study = await makeStudy();
    const file = await bring(CORRECTED);
    const summary = await preview(study, file, 'replace');
    expect(summary).toMatchObject({ matchedBy: 'site', rowsAdded: 1, rowsGone: 1, cellsChanged: 2, notInFile: [], notInStudy: [] });
    expect(summary.variables).toEqual([
      {
        id: 'v2',
        changed: 2,
        unreadable: 0,
        examples: [
          { row: 1, before: '1.5', after: '1.25' },
          { row: 3, before: null, after: '3.5' },
        ],
      },
    ]);
    expect(await rowsOf(study)).toEqual(BEFORE);
    const merged = await merge(study, file, 'replace');
    expect(await rowsOf(merged)).toEqual([
      ['A', 1.25, 2.5, 'riffle', '2024-03-01'],
      // Set aside before, for its own reason, which stays.
      ['B', 2.5, 5, 'run', '2024-03-02', 'aside 1'],
      ['C', 3.5, 7, 'run', '2024-03-15'],
      ['D', 4, 8, 'pool', '2024-03-04'],
      ['E', 7, 14, 'glide', '2024-03-05'],
    ]);
    expect(await summaryOf(merged)).toBe('Data replaced by “more.csv”: 2 cells changed, 1 row added, 1 row no longer there and set aside');
  });

  it('goes by place where nothing identifies the rows, and sets aside what is gone', async () => {
    const id = await bring(['a,b', '1,2', '3,4', '5,6', '7,8']);
    const study = await app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Plain' });
    const file = await bring(['a,b', '1,2', '3,4.5', '5,x7']);
    const merged = await merge(study, file, 'replace');
    expect(merged.state.setAside).toMatchObject({ reasons: ['not in the corrected file'], count: 1 });
    expect(await rowsOf(merged)).toEqual([
      [1, 2],
      [3, 4.5],
      [5, null],
      [7, 8, 'aside 1'],
    ]);
  });

  it('that changes nothing, fits nothing, or comes too late is refused, and is kept waiting', async () => {
    const study = await makeStudy();
    const refusal = async (importId: string, expectedHead = study.head) => {
      const response = await app.send('POST', `/studies/${study.id}/merges`, { importId, mode: 'replace', expectedHead });
      return errorSchema.parse(await response.json()).error.code;
    };
    const same = await bring([
      FIRST[0] ?? '',
      'A,1.5,riffle,2024-03-01',
      'B,2.5,run,2024-03-02',
      'C,,run,2024-03-15',
      'D,4,pool,2024-03-04',
    ]);
    expect(await refusal(same)).toBe('nothing-changes');
    expect(await refusal(await bring(['x,y', '1,2', '3,4', '5,6']))).toBe('nothing-fits');
    const file = await bring(CORRECTED);
    expect(await refusal(file, study.head - 1)).toBe('head-moved');
    expect((await app.send('GET', `/imports/${file}`)).status).toBe(200);
    expect(await rowsOf(study)).toEqual(BEFORE);
  });
});

describe('limits of measurement', () => {
  const bringLoose = async (lines: readonly string[]) => {
    const id = await bring(lines);
    await app.ask(importPreviewSchema, 'PATCH', `/imports/${id}`, { columns: { 1: { loose: true, limits: 'half' } } });
    return id;
  };
  const first = ['site,zinc', 'A,<0.5', 'B,1.25', 'C,2.5', 'D,0.75'];

  it('of added rows join those kept beside the variable', async () => {
    const study = await app.ask(studySchema, 'POST', '/studies', { importId: await bringLoose(first), name: 'Zinc' });
    const file = await bringLoose(['site,zinc', 'E,<0.2', 'F,3.5', 'G,<0.5', 'H,4']);
    expect((await preview(study, file, 'add')).notInFile).toEqual([]);
    expect((await rowsOf(await merge(study, file, 'add'))).map(([, zinc, limit]) => [zinc, limit])).toEqual([
      [0.25, '<0.5'],
      [1.25, null],
      [2.5, null],
      [0.75, null],
      [0.1, '<0.2'],
      [3.5, null],
      [0.25, '<0.5'],
      [4, null],
    ]);
  });

  it('are gone where the corrected file has a value, and told where it has a limit', async () => {
    const study = await app.ask(studySchema, 'POST', '/studies', { importId: await bringLoose(first), name: 'Zinc' });
    const file = await bringLoose(['site,zinc', 'A,0.375', 'B,1.25', 'C,<2', 'D,0.75']);
    expect((await rowsOf(await merge(study, file, 'replace'))).map(([, zinc, limit]) => [zinc, limit])).toEqual([
      [0.375, null],
      [1.25, null],
      [1, '<2'],
      [0.75, null],
    ]);
    const again = await bring(['site,zinc', 'A,0.375', 'B,1.25', 'C,1.5', 'D,0.75']);
    const all = await app.ask(studySchema, 'GET', `/studies/${study.id}`);
    expect((await rowsOf(await merge(all, again, 'replace'))).map(([, , limit]) => limit)).toEqual([null, null, null, null]);
  });

  it('are told to be left out where the study keeps none', async () => {
    const plain = await app.ask(studySchema, 'POST', '/studies', {
      importId: await bring(['site,zinc', 'A,1', 'B,2.5', 'C,3', 'D,4']),
      name: 'Zinc',
    });
    const file = await bringLoose(['site,zinc', 'E,<0.2', 'F,3.5', 'G,<0.5', 'H,4']);
    expect((await preview(plain, file, 'add')).notInStudy).toEqual(['zinc (limit)']);
  });
});
