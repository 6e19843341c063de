import { MOST_RECORDED, type ReportBlock, recordRequestSchema, type Study } from '@ivlen/contract';
import { QueryClient } from '@tanstack/react-query';
import { describe, expect, it } from 'vitest';
import { recordOfStudy } from '../src/exports/record-of-study';
import type { TellingStages } from '../src/telling/telling-stages';
import { NOTHING_TOLD } from '../src/telling/told';
import { serve } from './served';
import { testStudy } from './test-study';

const study: Study = testStudy();
const block = (number: number, thing: string, title: string | null = null): ReportBlock => ({
  id: `00000000-0000-4000-8000-00000000000${number}`,
  version: 1,
  content: {
    kind: 'pin',
    pin: { stage: thing, thing: 'matrix', title: `pinned ${number}`, request: null, settings: {}, revision: null },
  },
  title,
  text: null,
  shows: null,
  beside: null,
});
/** A stage that asks for so many different analyses; what comes of them does not matter here. */
const asksFor =
  (count: number, heading = ''): TellingStages[string] =>
  async () =>
  async (_, { ask }) => {
    for (let i = 0; i < count; i++) await ask({ kind: 'shape', variable: `v${i}` }).catch(() => null);
    return { ...NOTHING_TOLD, heading, methods: ['Told so.'] };
  };
const record = (blocks: readonly ReportBlock[], stages: TellingStages) => {
  serve({ 'GET /report': { blocks }, 'GET /settings/report': { version: 0, settings: null, unreadable: false }, 'POST /analyses': {} });
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return recordOfStudy(client, stages, study);
};

const titles = (found: Awaited<ReturnType<typeof record>>) => found.record?.items.map(({ title, requests }) => [title, requests.length]);

describe('the record of a study', () => {
  it('holds each analysis of a block once, under its title, or else what it tells, or else what was pinned', async () => {
    const twice: TellingStages[string] = async () => async (_, asking) => {
      await (await asksFor(2)())(null as never, asking);
      return (await asksFor(3, 'Shapes')())(null as never, asking);
    };
    const stages = { named: twice, plain: asksFor(1) };
    const found = await record([block(1, 'named', 'My shapes'), block(2, 'named'), block(3, 'plain')], stages);
    expect(titles(found)).toEqual([
      ['Missing values', 1],
      ['My shapes', 3],
      ['Shapes', 3],
      ['pinned 3', 1],
    ]);
    expect(found.record?.items[1]).toMatchObject({ revision: study.head, methods: ['Told so.'] });
    expect(found.leftOut).toEqual([]);
  });

  it('ends where it is full, and names what is beyond', async () => {
    const stages = { many: asksFor(2000), few: asksFor(10) };
    const found = await record([block(1, 'many'), block(2, 'many'), block(3, 'few')], stages);
    expect(found.leftOut).toEqual(['pinned 2', 'pinned 3']);
    expect(titles(found)?.at(-1)).toEqual(['pinned 1', 2000]);
    expect(recordRequestSchema.safeParse(found.record).success).toBe(true);
  });

  it('is none where nothing is in the report', async () => {
    expect(await record([], {})).toEqual({ record: null, leftOut: [] });
  });

  it('without what cannot be told names it, and records the rest with the data', async () => {
    const found = await record([block(1, 'gone'), block(2, 'silent', 'Mine')], { silent: asksFor(0) });
    expect(found.leftOut).toEqual(['pinned 1']);
    expect(found.record?.items).toEqual([{ title: 'Missing values', revision: study.head, methods: [], requests: [{ kind: 'missing' }] }]);
    expect(recordRequestSchema.safeParse(found.record).success).toBe(true);
  });
});

it('a record holds as many analyses as it may', () => {
  const items = (count: number) => ({
    items: [{ title: 'a', revision: 1, methods: [], requests: Array.from({ length: count }, () => ({ kind: 'missing' as const })) }],
  });
  expect(recordRequestSchema.safeParse(items(MOST_RECORDED)).success).toBe(true);
  expect(recordRequestSchema.safeParse(items(MOST_RECORDED + 1)).success).toBe(false);
});
