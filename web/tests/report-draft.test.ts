import {
  type AnalysisInput,
  type CorrelationSettings,
  correlationSettingsSchema,
  type NewBlockInput,
  type ReportBlock,
  reportSettingsSchema,
  type Study,
  settingsSchemas,
} from '@ivlen/contract';
import { QueryClient } from '@tanstack/react-query';
import { describe, expect, it } from 'vitest';
import { tellRanked, tellStrongest } from '../src/stages/correlations/tell/tell-ranked';
import { differentSettings } from '../src/stages/report/blocks/use-different-settings';
import { firstDraft, whyNoDraft } from '../src/stages/report/draft';
import type { Asking } from '../src/telling/asking';
import { GoneError, namedVariables } from '../src/telling/named-variables';
import { testResult, testStudy } from './test-study';

const plain = testStudy();

function asking(study: Study, settings: Partial<CorrelationSettings> = {}, result = testResult()): Asking {
  return {
    study,
    report: reportSettingsSchema.parse({}),
    parts: null,
    client: new QueryClient(),
    ask: async (analysis: AnalysisInput) => {
      if (analysis.kind !== 'correlation') throw new Error(`not asked here: ${analysis.kind}`);
      return result as never;
    },
    values: async () => new Float64Array(),
    rowsInUse: async () => undefined,
    settings: async (scope) => (scope === 'correlations' ? correlationSettingsSchema.parse(settings) : {}) as never,
    categories: async () => ({ categories: null }),
  };
}

const kinds = (blocks: readonly NewBlockInput[]) =>
  blocks.map(({ content, shows }) => {
    if (content.kind !== 'pin') return content.of;
    const { view = content.pin.thing } = content.pin.settings;
    return `${view}${shows ? ` ${shows.join()}` : ''}`;
  });
const withRoles = (roles: Readonly<Record<string, 'outcome' | 'predictor'>>): Study => ({
  ...plain,
  state: { ...plain.state, variables: plain.state.variables.map((variable) => ({ ...variable, role: roles[variable.id] ?? null })) },
});

describe('a first draft', () => {
  it('without questions and roles tells the strongest pairs, and draws them', async () => {
    const blocks = await firstDraft(asking(plain), plain.state.variables, []);
    // Adjusted after Holm, 1e−9 and .04 of two tests are both at most .05.
    expect(kinds(blocks)).toEqual([
      'data',
      'methods',
      'strongest',
      'grid tables',
      'pair figures',
      'pair figures',
      'checks',
      'limits',
      'references',
    ]);
    const one = await firstDraft(asking(plain, { levels: [0.03] }), plain.state.variables, []);
    expect(kinds(one).filter((kind) => kind === 'pair figures')).toHaveLength(1);
  });

  it('with roles tells outcomes and predictors', async () => {
    const study = withRoles({ v1: 'predictor', v2: 'predictor', v3: 'outcome' });
    const blocks = await firstDraft(asking(study), study.state.variables, []);
    expect(kinds(blocks)).toEqual([
      'data',
      'methods',
      'rectangle',
      'grid tables',
      'pair figures',
      'pair figures',
      'checks',
      'limits',
      'references',
    ]);
    const drawn = blocks.flatMap(({ content }) => (content.kind === 'pin' && content.pin.thing === 'pair' ? [content.pin.settings] : []));
    expect(drawn.map(({ x, y }) => [x, y])).toEqual([
      ['v1', 'v3'],
      ['v2', 'v3'],
    ]);
  });

  it('with questions tells them as they were asked, and draws only those whose results were looked at', async () => {
    const hypothesis = {
      id: 'h',
      x: 'v1',
      y: 'v3',
      expectation: 'less',
      method: 'pearson',
      because: '',
      bound: null,
      revised: false,
    } as const;
    const study: Study = {
      ...plain,
      state: {
        ...plain.state,
        questions: [
          {
            id: 'q1',
            text: 'Does nitrate matter?',
            hypotheses: [
              { ...hypothesis, shown: true },
              { ...hypothesis, id: 'h2', y: 'v2', shown: false },
            ],
          },
          { id: 'q2', text: 'Nothing stated', hypotheses: [] },
        ],
      },
    };
    const blocks = await firstDraft(asking(study), study.state.variables, []);
    expect(kinds(blocks)).toEqual(['data', 'methods', 'questions', 'grid tables', 'pair figures', 'checks', 'limits', 'references']);
  });

  it('puts in nothing that the report has already', async () => {
    const before = (await firstDraft(asking(plain), plain.state.variables, [])).slice(0, 4).map(
      ({ content }, i): ReportBlock => ({
        id: `00000000-0000-4000-8000-00000000000${i}`,
        version: 1,
        content: content as ReportBlock['content'],
        title: null,
        text: null,
        shows: null,
        beside: null,
      }),
    );
    expect(kinds(await firstDraft(asking(plain), plain.state.variables, before))).toEqual([
      'pair figures',
      'pair figures',
      'checks',
      'limits',
      'references',
    ]);
  });

  it('has no matrix of two variables, and says what is missing for less', async () => {
    const [a, b] = plain.state.variables;
    expect(kinds(await firstDraft(asking(plain), a && b ? [a, b] : [], []))).not.toContain('grid tables');
    expect(whyNoDraft(plain, [])).toContain('Tick two or more variables');
    expect(whyNoDraft(plain, plain.state.variables)).toBeNull();
  });

  it('without anything that reaches the level says so, with what these rows could have found', async () => {
    const nothing = { ...testResult(), pValue: Array.from({ length: 9 }, (_, at) => (at % 4 === 0 ? null : 0.6)) };
    const pinned = {
      stage: 'correlations',
      thing: 'text' as const,
      title: 't',
      request: null,
      settings: { view: 'strongest', variables: ['v1', 'v2', 'v3'] },
      revision: null,
    };
    const told = await tellStrongest(pinned, asking(plain, {}, nothing));
    expect(told.paragraphs).toHaveLength(1);
    // By Fisher's z: tanh((1.960 + .842)/√35) = .441.
    expect(told.paragraphs[0]?.sentences[0]?.text).toBe(
      'No association reached p ≤ .05, adjusted after Holm, which was done for this choice, among 3 pairs. With 38 rows, an association of |r| = .44 would be found with a probability of .80 by a single test at .05.',
    );
    expect(told.tests).toBe(3);
  });
});

describe('what was pinned', () => {
  it('says where its stage computes otherwise now, and offers that; how a screen is laid out makes no difference', () => {
    const settings = correlationSettingsSchema.parse({ adjust: 'none', size: 'compact' });
    const pinned = {
      stage: 'correlations',
      thing: 'matrix' as const,
      title: 't',
      request: null,
      settings: { ...settings, view: 'grid' },
      revision: null,
    };
    expect(differentSettings(pinned, { ...settings, size: 'colour', order: 'name' })).toBeNull();
    const found = differentSettings(pinned, { ...settings, adjust: 'holm', levels: [0.1] });
    expect(found?.words).toBe('the significance levels, the adjustment of p');
    expect(found?.brought.settings).toMatchObject({ adjust: 'holm', levels: [0.1], size: 'compact', view: 'grid' });
  });

  it('names what is gone', () => {
    expect(namedVariables(plain, ['v3', 'v1']).map(({ id }) => id)).toEqual(['v3', 'v1']);
    try {
      namedVariables(plain, ['v1', 'v9']);
      expect.unreachable();
    } catch (error) {
      expect(error instanceof GoneError && error.ids).toEqual(['v9']);
    }
  });
});

describe('ranked pairs', () => {
  const ranking = { sort: 'size', ascending: false, find: '', least: 0, significance: 'any', cautioned: 'any' } as const;
  const pinned = (more: object) => ({
    stage: 'correlations',
    thing: 'matrix' as const,
    title: 'ranked',
    request: null,
    settings: { view: 'ranked', variables: ['v1', 'v2', 'v3'], ranking: { ...ranking, ...more } },
    revision: null,
  });
  const told = async (more: object) => {
    const plainly = asking(plain);
    const asked: string[] = [];
    const caution = {
      code: 'curved',
      level: 'could-change',
      values: {},
      found: { coefficient: 0.15, pValue: 0.04 },
      remedy: null,
    } as const;
    const ask = async (analysis: AnalysisInput) => {
      asked.push(analysis.kind);
      if (analysis.kind === 'summary') return { kind: 'summary', variables: [] };
      if (analysis.kind === 'cautions')
        return { kind: 'cautions', identifier: null, pairs: [{ a: 'v1', b: 'v2', cautions: [caution], checks: [] }] };
      return plainly.ask(analysis);
    };
    const { tables } = await tellRanked(pinned(more), {
      ...plainly,
      ask: ask as never,
      settings: async (scope) => settingsSchemas[scope].parse(scope === 'grouping' ? { variable: null } : {}) as never,
    });
    return { pairs: tables[0]?.rows.map(([pair]) => pair), note: tables[0]?.note, asked };
  };

  it('are all there without a filter, and cautions are not looked for', async () => {
    const { pairs, note, asked } = await told({});
    expect(pairs).toHaveLength(3);
    expect(note).not.toContain('of 3 pairs');
    expect(asked).not.toContain('cautions');
  });

  it('are those that the filters left in their stage, and the note says which', async () => {
    const { pairs, note } = await told({ cautioned: 'decisive' });
    expect(pairs).toHaveLength(1);
    expect(pairs?.[0]).toMatch(/nitrate.*phosphate|phosphate.*nitrate/);
    expect(note).toMatch(/^1 of 3 pairs: those with a caution that could change the conclusion\. /);
    const both = await told({ least: 0.5, find: ' taxa ' });
    expect(both.pairs).toHaveLength(1);
    expect(both.note).toMatch(/^1 of 3 pairs: pairs of “taxa” and coefficients of size \.50 or more\. /);
  });
});
