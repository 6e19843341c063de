import { randomUUID } from 'node:crypto';
import {
  changedBlockSchema,
  importPreviewSchema,
  MOST_BLOCKS,
  type ReportBlock,
  type RichText,
  reportSchema,
  type Study,
  studySchema,
} from '@ivlen/contract';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
let study: Study;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());
beforeEach(async () => {
  const bytes = new TextEncoder().encode('x,y\n1,2\n2,3\n3,5\n4,4\n');
  const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=four.csv', bytes);
  study = await app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Four' });
});

const path = () => `/studies/${study.id}/report`;
const blocks = async () => (await app.ask(reportSchema, 'GET', path())).blocks;
const pin = (title: string, more: object = {}) => ({
  content: {
    kind: 'pin',
    pin: {
      stage: 'correlations',
      thing: 'matrix',
      title,
      request: {
        kind: 'correlation',
        variables: study.state.variables.map(({ id }) => id),
        method: 'spearman',
        byVariable: {},
        alternative: 'two-sided',
        level: 0.95,
      },
      settings: { methods: ['spearman'], level: 0.95 },
      revision: null,
      ...more,
    },
  },
});
const own = { content: { kind: 'paragraph', of: 'own' } };
const add = async (added: readonly object[], place: object = { after: null }) =>
  (await app.ask(reportSchema, 'POST', `${path()}/blocks`, { ...place, blocks: added })).blocks;
const change = (id: string, body: object) => app.ask(changedBlockSchema, 'PATCH', `${path()}/blocks/${id}`, body);
const titles = (list: readonly ReportBlock[]) => list.map(({ content }) => (content.kind === 'pin' ? content.pin.title : content.of));
const words = (text: string): RichText => ({ type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text }] }] });

describe('the report', () => {
  it('keeps what is pinned and written in an order of its own, over a restart', async () => {
    await add([pin('first'), pin('second', { revision: 1, request: null, thing: 'figure' })]);
    const [first, second] = await blocks();
    expect(first?.content).toMatchObject({ pin: { title: 'first', settings: { methods: ['spearman'] }, request: { method: 'spearman' } } });
    await add([own], { after: first?.id });
    await add([{ content: { kind: 'paragraph', of: 'data' } }], { after: null, first: true });
    expect(titles(await blocks())).toEqual(['data', 'first', 'own', 'second']);
    await app.ask(reportSchema, 'PUT', `${path()}/order`, { ids: [second?.id, first?.id] });
    const kept = await app.restarted().ask(reportSchema, 'GET', path());
    expect(titles(kept.blocks)).toEqual(['second', 'first', 'data', 'own']);
    const left = await app.ask(reportSchema, 'DELETE', `${path()}/blocks/${second?.id}`);
    expect(titles(left.blocks)).toEqual(['first', 'data', 'own']);
    expect((await app.send('DELETE', `${path()}/blocks/${second?.id}`)).status).toBe(404);
  });

  it('a change names the version it was made from; two texts at once both stand, one under the other', async () => {
    const [block] = await add([own, pin('after it')]);
    const id = block?.id ?? '';
    expect((await change(id, { version: 1, text: words('one') })).both).toBe(false);
    const other = await change(id, { version: 1, text: words('two') });
    expect(other.both).toBe(true);
    expect(titles(other.blocks)).toEqual(['own', 'own', 'after it']);
    expect(other.blocks.map(({ text }) => text)).toEqual([words('one'), words('two'), null]);
    expect(other.blocks[1]?.beside).toBe(id);
    // A title is no text to be kept beside another: it is refused, and nothing is lost.
    const refused = await app.send('PATCH', `${path()}/blocks/${id}`, { version: 1, title: 'late' });
    expect(refused.status).toBe(409);
    expect((await change(id, { version: 2, title: 'in time' })).blocks[0]).toMatchObject({
      title: 'in time',
      version: 3,
      text: words('one'),
    });
    // The same text twice is no conflict of texts.
    expect((await app.send('PATCH', `${path()}/blocks/${id}`, { version: 1, text: words('one') })).status).toBe(409);
    const left = await app.ask(reportSchema, 'DELETE', `${path()}/blocks/${id}`);
    expect(left.blocks[0]?.beside).toBeNull();
  });

  it('goes along with a duplicate: numbers in a text follow the blocks of the copy, held pins follow the data', async () => {
    const [held] = await add([pin('held', { revision: 1 }), own]);
    const [, text] = await blocks();
    const value = { type: 'value', attrs: { block: held?.id, key: 'pair.1/2', shown: '= .80', at: 1 } };
    await change(text?.id ?? '', { version: 1, text: { type: 'doc', content: [{ type: 'paragraph', content: [value] }] } });
    const copy = await app.ask(studySchema, 'POST', `/studies/${study.id}/duplicate`);
    const copied = (await app.ask(reportSchema, 'GET', `/studies/${copy.id}/report`)).blocks;
    expect(titles(copied)).toEqual(['held', 'own']);
    expect(copied[0]?.content).toMatchObject({ pin: { revision: null } });
    expect(copied[0]?.id).not.toBe(held?.id);
    expect(JSON.stringify(copied[1]?.text)).toContain(String(copied[0]?.id));
    expect(titles(await blocks())).toEqual(['held', 'own']);
  });

  it('refuses what is none, too many blocks, and texts that are too long or too deep', async () => {
    const send = (body: object) => app.send('POST', `${path()}/blocks`, body);
    expect((await send({ after: null, blocks: [pin(' ')] })).status).toBe(422);
    expect((await send({ after: null, blocks: [pin('a', { request: { kind: 'guess' } })] })).status).toBe(422);
    expect((await app.send('GET', `/studies/${randomUUID()}/report`)).status).toBe(404);
    await add(Array.from({ length: MOST_BLOCKS }, () => own));
    const full = await send({ after: null, blocks: [own] });
    expect(full.status).toBe(422);
    expect(await full.text()).toContain(`up to ${MOST_BLOCKS} parts`);
    const [block] = await blocks();
    const patch = (text: unknown) => app.send('PATCH', `${path()}/blocks/${block?.id}`, { version: 1, text });
    expect((await patch(words('a'.repeat(200_001)))).status).toBe(422);
    const nested = (depth: number): object =>
      depth === 0 ? { type: 'paragraph' } : { type: 'bulletList', content: [{ type: 'listItem', content: [nested(depth - 1)] }] };
    expect((await patch({ type: 'doc', content: [nested(9)] })).status).toBe(422);
    expect((await patch({ type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'image' }] }] })).status).toBe(422);
    expect((await patch({ type: 'doc', content: [nested(8)] })).status).toBe(200);
    expect((await blocks())[0]?.text?.content[0]?.type).toBe('bulletList');
  });

  it('a text of 100,000 characters is kept to the last', async () => {
    const [block] = await add([own]);
    const long = words('straw '.repeat(16_667));
    await change(block?.id ?? '', { version: 1, text: long });
    expect((await blocks())[0]?.text).toEqual(long);
  });

  it('a block that this version does not understand is passed over, and stays stored', async () => {
    await add([own, pin('known')]);
    await app
      .database('report_block')
      .where({ study: study.id, place: 0 })
      .update({ content: JSON.stringify({ kind: 'of another time' }) });
    expect(titles(await blocks())).toEqual(['known']);
    expect(await app.database('report_block').where({ study: study.id })).toHaveLength(2);
    const [known] = await blocks();
    await app.ask(reportSchema, 'PUT', `${path()}/order`, { ids: [known?.id] });
    expect(await app.database('report_block').where({ study: study.id }).orderBy('place').pluck('id')).toHaveLength(2);
  });
});

describe('what was pinned before there was a report', () => {
  it('becomes blocks in the same order', async () => {
    const { reports } = await import('../src/database/migrations/0005-reports');
    await app.database.transaction(async (db) => {
      await db.raw('drop table report_block');
      await db.raw(
        `create table pin (id uuid primary key, study uuid not null references study on delete cascade, place integer not null, stage text not null,
         thing text not null, title text not null, request jsonb, settings jsonb not null, revision integer, created timestamptz not null default now())`,
      );
      await db('pin').insert(
        ['b', 'a'].map((title, i) => ({
          id: randomUUID(),
          study: study.id,
          place: 2 - i,
          stage: 'subgroups',
          thing: 'table',
          title,
          request: null,
          settings: JSON.stringify({ view: 'pairs' }),
          revision: null,
        })),
      );
      await reports(db);
    });
    const list = await blocks();
    expect(titles(list)).toEqual(['a', 'b']);
    expect(list[0]).toMatchObject({
      version: 1,
      title: null,
      text: null,
      content: { pin: { stage: 'subgroups', settings: { view: 'pairs' } } },
    });
  });
});
