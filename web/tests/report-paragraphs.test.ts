import {
  type PairCaution,
  type PairCheckResult,
  type ReportBlock,
  type ReportPart,
  reportSettingsSchema,
  studySchema,
} from '@ivlen/contract';
import { describe, expect, it } from 'vitest';
import { checksParagraphs } from '../src/stages/report/paragraphs/checks';
import { dataParagraphs } from '../src/stages/report/paragraphs/data';
import type { ReportFacts } from '../src/stages/report/paragraphs/facts';
import { limitsParagraphs } from '../src/stages/report/paragraphs/limits';
import { methodsParagraphs, referencesParagraphs } from '../src/stages/report/paragraphs/methods';
import { resultsParagraphs } from '../src/stages/report/paragraphs/results';
import { writtenReport } from '../src/stages/report/written-report';
import { NOTHING_TOLD, paragraph, sentence, type Told, type ToldPair, type ToldParagraph } from '../src/telling/told';
import { testStudy } from './test-study';

const study = testStudy();
const [nitrate, phosphate, taxa] = study.state.variables as [ToldPair['x'], ToldPair['x'], ToldPair['x']];
const check = (code: PairCheckResult['code'], held: boolean | null, values: PairCheckResult['values'] = {}): PairCheckResult => ({
  code,
  held,
  values,
  row: null,
  name: null,
});
const CHECKS = [
  check('shape-x', false, { skewness: 2.04, excessKurtosis: 7.02 }),
  check('even-spread', true, { pValue: 0.785 }),
  check('enough-rows', true, { n: 40 }),
];
const caution = (level: PairCaution['level'], code: PairCaution['code'], values: PairCaution['values']): PairCaution => ({
  code,
  level,
  values,
  found: { coefficient: -0.63, pValue: 1e-9 },
  remedy: null,
});
const pair = (x: ToldPair['x'], y: ToldPair['y'], more: Partial<ToldPair> = {}): ToldPair => ({
  x,
  y,
  method: 'pearson',
  subject: {
    x: x.name,
    y: y.name,
    kinds: ['continuous', 'continuous'],
    method: 'pearson',
    identifier: null,
    groups: null,
  } as ToldPair['subject'],
  alpha: 0.05,
  checks: CHECKS,
  cautions: [],
  ...more,
});
const told = (more: Partial<Told>): Told => ({ ...NOTHING_TOLD, ...more });
const facts = (more: Partial<ReportFacts> = {}): ReportFacts => ({
  study,
  decisions: [],
  missing: { kind: 'missing', variables: [], completeRows: 40, rows: 40, patterns: [], morePatterns: 0, pairs: [] },
  sha256: 'f00d',
  shapeRule: { kind: 'limits', skewness: 2, excessKurtosis: 7 },
  told: [],
  says: new Set(['checks', 'limits', 'references']),
  cited: [],
  ...more,
});
const words = (paragraphs: readonly ToldParagraph[]) => paragraphs.map(({ sentences }) => sentences.map(({ text }) => text).join(' '));

describe('checks', () => {
  it('of one pair say what held and what did not, each with its value, and the rule with its source', () => {
    expect(words(checksParagraphs(facts({ told: [told({ pairs: [pair(nitrate, taxa)] })] })))).toEqual([
      expect.stringMatching(
        /these held: even spread about the line \(Breusch–Pagan p = \.785\) and enough rows \(n = 40\)\..*did not hold: shape of nitrate \(skewness 2\.04, excess kurtosis 7\.02\)\./,
      ),
      'A shape was marked beyond skewness 2 or excess kurtosis 7, after West, Finch & Curran (1995).',
    ]);
  });

  it('of more than two pairs go check by check, and count those that could not be judged', () => {
    const unjudged = CHECKS.map((item) => (item.code === 'even-spread' ? { ...item, held: null, values: {} } : item));
    const pairs = [pair(nitrate, phosphate), pair(nitrate, taxa), pair(phosphate, taxa, { checks: unjudged })];
    const [intro, ...each] = words(checksParagraphs(facts({ told: pairs.map((item) => told({ pairs: [item] })) })));
    expect(intro).toMatch(/^For each of the 3 pairs/);
    expect(each[0]).toMatch(/^shape of the first variable: held for 0 of 3; not for nitrate and phosphate, skewness 2\.04/);
    expect(each[1]).toBe('even spread about the line: held for 2 of 3; could not be judged for 1.');
    expect(each[2]).toBe('enough rows: held for 3 of 3.');
  });

  it('of the same pair told twice, also turned round, are said once', () => {
    const twice = [told({ pairs: [pair(nitrate, taxa)] }), told({ pairs: [pair(taxa, nitrate)] })];
    expect(checksParagraphs(facts({ told: twice }))).toHaveLength(2);
  });

  it('without a pair say that none was looked at', () => {
    expect(words(checksParagraphs(facts()))).toEqual(['No pair is reported by itself, so no assumption of a single pair was looked at.']);
  });
});

describe('limits', () => {
  it('count the tests, and say no caution where none could change a conclusion', () => {
    const [tests, none, notes] = words(
      limitsParagraphs(
        facts({
          told: [
            told({ tests: 66 }),
            told({
              tests: 1,
              pairs: [pair(nitrate, taxa, { cautions: [caution('note', 'shape', { skewness: 2.04, excessKurtosis: 7.02 })] })],
            }),
          ],
        }),
      ),
    );
    expect(tests).toBe(
      '67 tests were made for this report, unadjusted; where nothing is associated, one unadjusted test in twenty still reaches p ≤ .05. Associations are told, which say nothing of what causes what.',
    );
    expect(none).toBe('No caution was found that could change what is said of a pair reported here.');
    expect(notes).toMatch(/without changing what is said of them: shape \(1\)\.$/);
  });

  it('say how many tests are adjusted and by what, and speak of chance only where some are not', () => {
    const first = (...items: Told[]) => words(limitsParagraphs(facts({ told: items })))[0];
    const holm = told({ tests: 66, adjusted: 'adjusted after Holm' });
    expect(first(holm)).toMatch(/^66 tests were made for this report, 66 of them adjusted after Holm\. Associations/);
    expect(first(holm, told({ tests: 2 }))).toMatch(
      /^68 tests were made for this report, 66 of them adjusted after Holm, the others unadjusted; where nothing is associated, one unadjusted/,
    );
    expect(first(holm, told({ tests: 3, adjusted: 'adjusted after Bonferroni' }))).toContain(
      '66 of them adjusted after Holm and 3 of them adjusted after Bonferroni.',
    );
    // What is adjusted but not shown is no test of the report.
    expect(first(told({ tests: 0, adjusted: 'adjusted after Holm' }), told({ tests: 2 }))).toContain(
      '2 tests were made for this report, unadjusted;',
    );
  });

  it('name the pair of a caution that could change it, and then do not say that there is none', () => {
    const decisive = pair(nitrate, taxa, { cautions: [caution('could-change', 'many-missing', { n: 20, rows: 40 })] });
    const lines = words(limitsParagraphs(facts({ told: [told({ tests: 1, pairs: [decisive] })] })));
    expect(lines[0]).toMatch(/^1 test was made/);
    expect(lines.filter((line) => line.startsWith('r of nitrate and mayfly_taxa: '))).toHaveLength(1);
    expect(lines.join()).not.toContain('No caution');
  });

  it('tell what was tried and given up, oldest first, and nothing of what was only stated', () => {
    const decision = (number: number, kind: string, summary: string, reason: string | null = null) => ({
      number,
      kind,
      summary,
      reason,
      created: '2026-05-01T00:00:00.000Z',
      earlier: false,
    });
    const lines = words(
      limitsParagraphs(
        facts({
          decisions: [
            decision(4, 'question', 'Question dropped after its result was shown'),
            decision(3, 'question', 'Question stated'),
            decision(2, 'no-scale', 'No other scale kept for nitrate', 'none was better.'),
          ],
        }),
      ),
    );
    expect(lines).toEqual([
      'Associations are told, which say nothing of what causes what.',
      'What was tried or changed on the way:',
      'No other scale kept for nitrate (none was better).',
      'Question dropped after its result was shown.',
    ]);
  });
});

describe('methods and references', () => {
  const r = told({ methods: ['Pearson’s r of one pair.'], sources: ['pearson-1896'], pairs: [pair(nitrate, taxa)] });

  it('say each method once, and cite what was used, with the checks that are said and could be judged', () => {
    const [line] = words(methodsParagraphs(facts({ told: [r, r] })));
    expect(line?.match(/Pearson’s r of one pair\./g)).toHaveLength(1);
    expect(line).toMatch(/Computed with Ivlen \d+\.\d+\.\d+\./);
    expect(line).toMatch(/those of Breusch & Pagan \(1979\), Koenker \(1981\), Pearson \(1896\) and West, Finch & Curran \(1995\)\.$/);
  });

  it('leave out what the report does not say', () => {
    const silent = facts({ told: [r], says: new Set(['references']) });
    expect(words(referencesParagraphs(silent))).toEqual([expect.stringMatching(/^Pearson, K\. \(1896\)/)]);
    const exact = { ...r, pairs: [pair(nitrate, taxa, { checks: [check('even-spread', null)] })] };
    expect(words(referencesParagraphs(facts({ told: [exact] })))).toHaveLength(1);
  });

  it('list what a caution that stays rests on, and what texts of one’s own cite; unknown keys are nothing', () => {
    const shared = pair(nitrate, taxa, { checks: [], cautions: [caution('could-change', 'shares-a-component', {})] });
    const listed = words(referencesParagraphs(facts({ told: [told({ pairs: [shared] })], cited: ['evans-1996', 'no-such-1900'] })));
    expect(listed.map((full) => full.slice(0, 5))).toEqual(['Evans', 'Pears']);
    expect(listed[1]).toContain('(1897)');
  });

  it('name the seed where samples were drawn', () => {
    const drawn = told({ methods: ['Pearson’s r, with bootstrap intervals of 2000 samples.'] });
    expect(words(methodsParagraphs(facts({ told: [drawn] })))[0]).toContain('samples of bootstrap intervals drawn with seed 1.');
  });
});

describe('the paragraph about the data', () => {
  it('says how many rows are used and why not all, and counts what is missing', () => {
    const state = {
      ...study.state,
      setAside: { count: 2, reasons: ['flooded'], version: 2 },
      inUse: { rows: 38, version: 2 },
      rowMeaning: 'one visit',
      source: 'Made up in 2023',
    };
    const some = studySchema.parse({ ...study, state });
    const missing = { ...facts().missing, variables: [{ id: 'v2', missing: 2 }], completeRows: 36, rows: 38 };
    const lines = words(dataParagraphs(facts({ study: some, missing })));
    expect(lines[0]).toBe('The table has 40 rows, each of which is one visit. Source: Made up in 2023.');
    expect(lines[1]).toContain('Of these, 38 were used: 2 rows were set aside (“flooded”).');
    expect(lines[1]).toContain('Values are missing in phosphate 2; 36 of 38 rows are complete.');
    expect(lines.at(-1)).toBe('Checksum of the data (SHA-256): f00d.');
  });

  it('lists twenty decisions about the data and counts the rest; other decisions are none of it', () => {
    const decisions = Array.from({ length: 25 }, (_, i) => ({
      number: 25 - i,
      kind: i === 0 ? 'question' : 'cells',
      summary: `cell ${25 - i} corrected`,
      reason: null,
      created: '2026-05-01T00:00:00.000Z',
      earlier: false,
    }));
    const lines = words(dataParagraphs(facts({ decisions })));
    expect(lines).toContain('cell 1 corrected.');
    expect(lines).not.toContain('cell 25 corrected.');
    expect(lines).toContain('And 4 more decisions, in the trail.');
  });
});

describe('results', () => {
  it('say a sentence once, under names that stay apart, and nothing of what has no pair', () => {
    const same = told({ pairs: [pair(nitrate, taxa)], paragraphs: [paragraph(sentence('pair', 'There was an association.'))] });
    const other = told({ ...same, paragraphs: [paragraph(sentence('pair', 'There was another.'))] });
    const table = told({ paragraphs: [paragraph(sentence('table', 'A table.'))] });
    const found = resultsParagraphs(facts({ told: [same, table, same, other] }));
    expect(words(found)).toEqual(['There was an association.', 'There was another.']);
    expect(new Set(found.flatMap(({ sentences }) => sentences.map(({ id }) => id))).size).toBe(2);
  });
});

describe('a report of several blocks', () => {
  const block = (id: string, content: ReportBlock['content'], shows: readonly ReportPart[] | null = null): ReportBlock => ({
    id,
    version: 1,
    content,
    title: null,
    text: null,
    shows: shows === null ? null : [...shows],
    beside: null,
  });
  const pin = (title: string): ReportBlock['content'] => ({
    kind: 'pin',
    pin: { stage: 'correlations', thing: 'pair', title, request: null, settings: {}, revision: null },
  });
  const table = { caption: 'A table', head: ['pair', 'r'], align: ['left', 'right'] as const, rows: [['nitrate', '−.63']], csv: '' };
  const figure = { caption: 'A figure', alternative: 'points', draw: () => Promise.reject(new Error('not drawn here')) };
  const own = told({
    heading: 'A pair',
    pairs: [pair(nitrate, taxa)],
    tests: 1,
    sources: ['pearson-1896'],
    tables: [table],
    figures: [figure],
  });
  const state = { pin: { told: own, at: 3, gone: false, undone: false, requests: [] }, error: null };
  const { told: _, says: __, cited: ___, study: ____, ...about } = facts();
  const settings = reportSettingsSchema.parse({});
  const write = (shows: readonly ReportPart[] | null) =>
    writtenReport(
      study,
      settings,
      [block('a', pin('one'), shows), block('b', pin('two')), block('l', { kind: 'paragraph', of: 'limits' })],
      new Map([
        ['a', state],
        ['b', state],
      ]),
      about,
    );

  it('numbers tables and figures through all blocks', () => {
    const { blocks, title, complete } = write(null);
    expect(blocks.map(({ tables, figures }) => [tables[0]?.number, figures[0]?.number])).toEqual([
      [1, 1],
      [2, 2],
      [undefined, undefined],
    ]);
    expect([title, complete]).toEqual(['Three quantities', true]);
  });

  it('counts no test and cites no source of what is shown as a figure alone', () => {
    const tests = (report: ReturnType<typeof write>) => JSON.stringify(report.blocks[2]?.generated).match(/"shown":"(\d+)"/)?.[1];
    expect(tests(write(null))).toBe('2');
    expect(tests(write(['figures']))).toBe('1');
    expect(write(['figures']).blocks.map(({ tables }) => tables[0]?.number)).toEqual([undefined, 1, undefined]);
  });

  it('is not complete while something is still asked for', () => {
    expect(writtenReport(study, settings, [block('a', pin('one'))], new Map(), about).complete).toBe(false);
    expect(writtenReport(study, settings, [], new Map(), undefined).complete).toBe(false);
  });
});
