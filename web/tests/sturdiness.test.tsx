import { type CautionsResult, type PairCaution, studySchema, type WayResult, type WaysResult, waysRequestSchema } from '@ivlen/contract';
import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { ChoicesEditor } from '../src/sturdiness/choices-editor';
import { offeredChoices } from '../src/sturdiness/offered';
import type { PairInQuestion } from '../src/sturdiness/offered-choice';
import { settingsOfWay } from '../src/sturdiness/settings-of-way';
import { combinationsOfTicks, tickedChoices, waysRequest, withTick } from '../src/sturdiness/ticked';
import { inOrderOfSize, WaysFigure } from '../src/sturdiness/ways-figure';
import { waysTable } from '../src/sturdiness/ways-table';
import { agreementInWords, sharesInWords, wayNumbers, wayOptions } from '../src/sturdiness/ways-words';
import { tableCsv, textTable } from '../src/tables/columns';
import { testStudy } from './test-study';

const base = testStudy();
const [first, second, third] = base.state.variables;
if (!first || !second || !third) throw new Error('the test study has three variables');
const site = { ...first, id: 'v8', name: 'site', kind: 'nominal' as const, storage: 'code' as const };
const station = { ...first, id: 'v9', name: 'station', kind: 'identifier' as const, storage: 'code' as const };
const logged = {
  ...first,
  id: 'v7',
  name: 'log_first',
  derivation: { type: 'scale' as const, source: first.id, scale: 'ln' as const, shift: 0 },
};
const study = studySchema.parse({
  ...base,
  state: {
    ...base.state,
    variables: [first, second, third, logged, site, station],
    setAside: { reasons: ['misread', 'other population'], count: 4, version: 2 },
    subset: { join: 'all', rules: [{ type: 'rows', from: 1, to: 50, not: false }] },
  },
});
const caution = (code: PairCaution['code'], remedy: Partial<NonNullable<PairCaution['remedy']>> | null = null): PairCaution => ({
  code,
  level: 'could-change',
  values: {},
  found: { coefficient: 0.4, pValue: 0.01 },
  remedy: remedy && {
    kind: 'ranks',
    coefficient: 0.1,
    pValue: 0.3,
    n: 40,
    low: null,
    high: null,
    row: null,
    name: null,
    held: [],
    ...remedy,
  },
});
const found = (...cautions: PairCaution[]): CautionsResult => ({
  kind: 'cautions',
  identifier: 'v9',
  pairs: [{ a: first.id, b: second.id, cautions, checks: [] }],
});
const asked = (more: Partial<PairInQuestion> = {}): PairInQuestion => ({
  study,
  x: first,
  y: second,
  method: 'pearson',
  missing: 'pairwise',
  among: [first, second, third],
  control: [],
  groupBy: site,
  cautions: found(),
  ...more,
});
const keysOf = (pair: PairInQuestion) =>
  tickedChoices(offeredChoices(pair), {}).map(({ key, options, places }) => [key, places.map((place) => options[place]?.key)]);

describe('what is ticked before anybody touched it', () => {
  it('is what is in force, and rows set aside both ways', () => {
    expect(keysOf(asked())).toEqual([
      ['coefficient', ['pearson']],
      ['scale.x', [first.id]],
      ['scale.y', [second.id]],
      ['set-aside.1', ['out', 'in']],
      ['set-aside.2', ['out', 'in']],
      ['subset', ['inside']],
      ['missing', ['pairwise']],
      ['held', ['nothing']],
    ]);
  });

  it('and the remedy of each caution, with its reason', () => {
    const cautions = found(
      caution('shape', { kind: 'ranks' }),
      caution('one-point', { kind: 'without-row', row: 118, name: 'CO-018' }),
      caution('groups-differ', { kind: 'within-groups' }),
    );
    const choices = tickedChoices(offeredChoices(asked({ cautions })), {});
    const ticked = new Map(choices.map(({ key, options, places }) => [key, places.map((place) => options[place]?.key)]));
    expect(ticked.get('coefficient')).toEqual(['pearson', 'spearman']);
    expect(ticked.get('row.118')).toEqual(['in', 'out']);
    expect(ticked.get('held')).toEqual(['nothing', 'groups:v8']);
    const row = choices.find(({ key }) => key === 'row.118');
    expect([row?.title, row?.options[1]?.inWords, row?.options[1]?.because]).toEqual([
      'station CO-018',
      'station CO-018 out',
      'named in “one point carries it”',
    ]);
    expect(choices[0]?.options[1]?.because).toBe('remedy of “shape”');
    expect(choices.some(({ key }) => key === 'identifier')).toBe(false);
  });

  it('and the mean of each case where cases repeat, whose name then does not tell a row', () => {
    const cautions = found(caution('rows-not-independent'), caution('one-point', { kind: 'without-row', row: 1180, name: 'CO-018' }));
    const choices = tickedChoices(offeredChoices(asked({ cautions })), {});
    expect(choices.at(-1)).toMatchObject({ key: 'identifier', places: [0, 1], choice: { by: 'v9' } });
    expect(choices.find(({ key }) => key === 'row.1180')?.title).toBe('row 1,180 (CO-018)');
  });

  it('never leaves out what is in force, whatever is ticked by hand', () => {
    const [coefficient] = tickedChoices(offeredChoices(asked({ method: 'kendall' })), { coefficient: ['pearson'] });
    expect(coefficient?.places).toEqual([0, 2]);
    expect(coefficient?.own).toBe(2);
  });

  it('holds constant what is held constant, and offers nothing', () => {
    const held = tickedChoices(offeredChoices(asked({ control: [third.id], cautions: undefined })), {}).find(({ key }) => key === 'held');
    expect(held?.options.map(({ key }) => key)).toEqual(['nothing', `controls:${third.id}`, 'groups:v8']);
    expect([held?.own, held?.places]).toEqual([1, [1]]);
  });

  it('takes a kept scale for a scale of what it is made of', () => {
    const scale = offeredChoices(asked({ x: study.state.variables[3] ?? first }))[1];
    expect(scale?.choice).toMatchObject({ raw: first.id });
    // The logarithm is there already, as a variable.
    expect(scale?.options.map(({ key }) => key)).toEqual([first.id, 'v7', 'rank-normal']);
    expect(scale?.own).toBe(1);
  });

  it('offers no scales of an order, and no listwise deletion among two', () => {
    const order = { ...first, kind: 'ordinal' as const };
    const offered = offeredChoices(asked({ x: order, among: [order, second] }));
    expect(offered.map(({ key }) => key)).not.toContain('scale.x');
    expect(offered.find(({ key }) => key === 'missing')?.options.map(({ key }) => key)).toEqual(['pairwise', 'maximum-likelihood']);
  });
});

describe('the request of what is ticked', () => {
  const offered = offeredChoices(asked());
  it('has the ticked options only, and says which are in force', () => {
    const choices = tickedChoices(offered, { coefficient: ['kendall', 'percentage-bend'], held: ['groups:v8'] });
    const request = waysRequest(choices, { x: first.id, y: second.id, alternative: 'two-sided', level: 0.95, alpha: 0.05 });
    expect(waysRequestSchema.parse(request)).toEqual(request);
    expect(request.choices[0]).toEqual({ kind: 'coefficient', options: ['pearson', 'kendall', 'percentage-bend'] });
    expect(request.choices.at(-1)).toEqual({ kind: 'held', options: [{ kind: 'nothing' }, { kind: 'groups', by: 'v8' }] });
    expect(request.own).toEqual([0, 0, 0, 0, 0, 0, 0, 0]);
    expect(combinationsOfTicks(choices)).toBe(3 * 2 * 2 * 2);
  });

  it('a tick more or less is kept by the keys of all options of the choice', () => {
    const [coefficient] = tickedChoices(offered, {});
    if (!coefficient) throw new Error('there is no coefficient');
    expect(withTick(coefficient, 2, true)).toEqual(['pearson', 'kendall']);
    expect(withTick(coefficient, 0, false)).toEqual([]);
  });
});

const choices = tickedChoices(
  offeredChoices(
    asked({
      cautions: found(caution('shape', { kind: 'ranks' }), caution('one-point', { kind: 'without-row', row: 118, name: 'CO-018' })),
    }),
  ),
  { 'set-aside.1': [], 'set-aside.2': [] },
);
const at = (key: string) => choices.findIndex((choice) => choice.key === key);
/** A way by its coefficient and the row; other choices have one option. */
const way = (method: number[], row: number, coefficient: number | null, pValue: number | null = 0.001): WayResult => ({
  options: choices.map(({ key }) => (key === 'coefficient' ? method : key === 'row.118' ? [row] : [0])),
  coefficient,
  low: coefficient === null ? null : coefficient - 0.1,
  high: coefficient === null ? null : coefficient + 0.1,
  pValue,
  n: 40 - row,
  impossible: coefficient === null ? 'too-few-cases' : null,
});
const result: WaysResult = {
  kind: 'ways',
  ways: [way([0], 0, 0.08, 0.4), way([0], 1, -0.4), way([1], 0, -0.5), way([1], 1, -0.72)],
  own: 0,
  combinations: 4,
  looked: 4,
  seed: 1,
  summary: {
    computed: 4,
    impossible: 0,
    perfect: 0,
    negative: 3,
    positive: 1,
    tested: 4,
    significant: 3,
    lowest: -0.72,
    median: -0.45,
    highest: 0.08,
    sign: {
      ways: 1,
      always: true,
      parts: [
        { choice: at('row.118'), options: [0] },
        { choice: at('coefficient'), options: [0] },
      ],
    },
    decision: { ways: 1, always: true, significant: false, parts: [{ choice: at('coefficient'), options: [0] }] },
    shares: [
      { choice: at('coefficient'), share: 0.48 },
      { choice: at('row.118'), share: 0.31 },
      { choice: at('held'), share: 0.001 },
    ],
    together: 0.21,
  },
};
const summed = (part: Partial<WaysResult['summary']>): WaysResult => ({
  ...result,
  summary: { ...result.summary, sign: null, decision: null, ...part },
});

describe('how far ways agree, in words', () => {
  it('counts signs and p, and names what the sign hangs on', () => {
    expect(agreementInWords(result, choices, 0.05).join(' ')).toBe(
      'Of 4 ways, 3 are negative and 3 have p ≤ .05; from −.72 to .08. The sign changes only with station CO-018 in and Pearson’s r. p is above .05 only with Pearson’s r.',
    );
    expect(sharesInWords(result, choices)).toBe(
      'Their spread comes from coefficient (48 %) and station CO-018 (31 %); choices together 21 %.',
    );
  });

  it.each([
    [{ negative: 4, positive: 0, significant: 4 }, 'Of 4 ways, all are negative and all have p ≤ .05; from −.72 to .08.'],
    [{ negative: 0, positive: 4, significant: 0 }, 'Of 4 ways, all are positive and none has p ≤ .05; from −.72 to .08.'],
    [{ negative: 1, positive: 3, significant: 1 }, 'Of 4 ways, 3 are positive and 1 has p ≤ .05; from −.72 to .08.'],
    [{ tested: 2, significant: 1 }, 'Of 4 ways, 3 are negative and 1 of the 2 with a p has p ≤ .05; from −.72 to .08.'],
    [{ tested: 0, significant: 0 }, 'Of 4 ways, 3 are negative; from −.72 to .08.'],
  ])('%o', (part, words) => {
    expect(agreementInWords(summed(part), choices, 0.05)).toEqual([words]);
  });

  it('says where a condition is needed but not enough, and where no choice tells ways apart', () => {
    const sign = { ways: 2, always: false, parts: [{ choice: at('coefficient'), options: [0] }] };
    expect(agreementInWords(summed({ sign }), choices, 0.05)[1]).toBe('The sign changes only with Pearson’s r, and there in 2 ways only.');
    expect(agreementInWords(summed({ sign: { ...sign, parts: [] } }), choices, 0.05)[1]).toBe(
      'The sign changes in 2 ways that no choice tells from the others.',
    );
  });

  it('counts impossible, perfect and drawn ways apart, each with the reason', () => {
    const some = {
      ...summed({ impossible: 1, perfect: 1 }),
      ways: [...result.ways, way([0], 1, null, null)],
      combinations: 12_000,
      looked: 2000,
    };
    expect(agreementInWords(some, choices, 0.05).slice(1)).toEqual([
      '1 way has a coefficient of exactly ±1, and no part in the shares.',
      '1 way is impossible: fewer than four rows are left.',
      'There are 12,000 combinations; 2,000 of them were drawn (seed 1).',
    ]);
    expect(agreementInWords({ ...summed({ computed: 0, impossible: 1 }), ways: [way([0], 1, null, null)] }, choices, 0.05)).toEqual([
      'No way gives a coefficient.',
      '1 way is impossible: fewer than four rows are left.',
    ]);
  });

  it('makes no fuss of a single way, nor of ways that do not spread', () => {
    const single = { ...summed({ computed: 1, shares: [], together: 0 }), ways: [way([0], 0, 0.31, 0.02)] };
    expect(agreementInWords(single, choices, 0.05)).toEqual(['One way computes: .31, p = .020.']);
    expect(sharesInWords(single, choices)).toBeNull();
    expect(sharesInWords(summed({ shares: [{ choice: 0, share: 0 }], together: 1 }), choices)).toBe(
      'Their spread comes from no choice by itself: choices together 100 %.',
    );
  });

  it('tells a way by its numbers and by what it rests on, where there is a choice', () => {
    expect(wayNumbers(way([0], 1, -0.4))).toBe('−.40 [−.50, −.30], p = .001, n = 39');
    expect(wayOptions(way([0], 1, -0.4), choices)).toEqual(['Pearson’s r', 'station CO-018 out']);
    // Where it is the same by both coefficients, it rests on neither.
    expect(wayOptions(way([0, 1], 1, -0.4), choices)).toEqual(['station CO-018 out']);
    expect(wayNumbers(way([0], 1, null, null))).toBe('impossible: fewer than four rows are left (n = 39)');
  });
});

describe('a way as a pair with its settings', () => {
  const pair = { x: first.id, y: second.id };
  it('sets the coefficient, and names what is a decision of its own', () => {
    expect(settingsOfWay(way([1], 1, -0.7), choices, pair)).toEqual({
      ...pair,
      settings: { methods: ['spearman'], missing: 'pairwise', control: [] },
      rest: ['station CO-018 out'],
    });
  });

  it('takes a kept scale for the variable, and what is held constant for a setting', () => {
    const some = tickedChoices(offeredChoices(asked({ control: [third.id], missing: 'listwise' })), {
      coefficient: ['percentage-bend'],
      'scale.x': ['v7', 'rank-normal'],
      held: ['groups:v8'],
    });
    const options = (scale: number, held: number, method: number): WayResult => ({
      ...way([0], 0, 0.1),
      options: some.map(({ key }) => [key === 'scale.x' ? scale : key === 'held' ? held : key === 'coefficient' ? method : 0]),
    });
    expect(settingsOfWay(options(1, 0, 0), some, pair)).toEqual({
      x: 'v7',
      y: second.id,
      settings: { methods: ['pearson'], missing: 'listwise', control: [third.id] },
      rest: [],
    });
    expect(settingsOfWay(options(2, 1, 1), some, pair).rest).toEqual(['percentage bend', 'normal scores of nitrate', 'site held constant']);
  });

  it('that stands for several options is the one in force among them', () => {
    expect(settingsOfWay(way([0, 1], 0, 0.1), choices, pair).settings.methods).toEqual(['pearson']);
  });
});

describe('the table of ways', () => {
  it('goes by size with the impossible last, and marks what is in force', () => {
    const table = waysTable({ ...summed({ impossible: 1 }), ways: [...result.ways, way([1], 0, null, null)] }, choices, 'Ways', [0.05]);
    expect(textTable(table)).toMatchObject({
      head: ['coefficient', 'interval', 'p', 'n', 'coefficient', 'station CO-018', 'in force', 'impossible'],
      rows: [
        ['−.72', '[−.82, −.62]', '.001', '39', 'ρ', 'out', '', ''],
        ['−.50', '[−.60, −.40]', '.001', '40', 'ρ', 'in', '', ''],
        ['−.40', '[−.50, −.30]', '.001', '39', 'r', 'out', '', ''],
        ['.08', '[−.02, .18]', '.400', '40', 'r', 'in', 'yes', ''],
        ['–', '', '', '40', 'ρ', 'in', '', 'fewer than four rows are left'],
      ],
    });
    expect(tableCsv(table).split('\n')[1]).toContain('-0.72,-0.82,-0.62,0.001,39');
  });
});

describe('the figure of ways', () => {
  const shown = (more: Partial<Parameters<typeof WaysFigure>[0]> = {}) => {
    const [onSelect, onOpen] = [vi.fn(), vi.fn()];
    render(
      <WaysFigure
        result={result}
        choices={choices}
        width={700}
        alpha={0.05}
        selected={null}
        onSelect={onSelect}
        onOpen={onOpen}
        {...more}
      />,
    );
    return { slider: screen.getByRole('slider'), onSelect, onOpen };
  };

  it('draws a point for each way, hollow where p is above the level, and a row for each option', () => {
    shown();
    const circles = [...document.querySelectorAll('circle')];
    expect(circles).toHaveLength(4);
    expect(circles.filter((circle) => circle.getAttribute('fill') === 'var(--surface)')).toHaveLength(1);
    const texts = [...document.querySelectorAll('text')].map((text) => text.textContent);
    expect(texts).toEqual(expect.arrayContaining(['coefficient', 'r', 'ρ', 'station CO-018', 'in', 'out']));
    expect(texts).not.toContain('held constant');
  });

  it('is read along by keys, and each way is told', () => {
    const { slider, onSelect, onOpen } = shown({ selected: 1 });
    expect(slider.getAttribute('aria-valuetext')).toBe(
      'way 2 of 4: −.50 [−.60, −.40], p = .001, n = 40 · Spearman’s ρ · station CO-018 in',
    );
    for (const [key, to] of [
      ['ArrowLeft', 0],
      ['ArrowRight', 2],
      ['Home', 0],
      ['End', 3],
    ] as const) {
      fireEvent.keyDown(slider, { key });
      expect(onSelect).toHaveBeenLastCalledWith(to);
    }
    fireEvent.keyDown(slider, { key: 'Enter' });
    expect(onOpen).toHaveBeenCalledWith(inOrderOfSize(result)[1]);
  });

  it('begins at either end', () => {
    const { slider, onSelect } = shown();
    fireEvent.keyDown(slider, { key: 'ArrowRight' });
    expect(onSelect).toHaveBeenLastCalledWith(0);
    fireEvent.keyDown(slider, { key: 'ArrowLeft' });
    expect(onSelect).toHaveBeenLastCalledWith(3);
  });
});

describe('the choices', () => {
  it('are ticked and unticked, but what is in force stays; how many combinations they make is said', () => {
    const onTick = vi.fn();
    render(<ChoicesEditor choices={choices} onTick={onTick} untouched={false} onReset={() => {}} readOnly={false} />);
    const own = screen.getByRole('checkbox', { name: 'r (in force)' }) as HTMLInputElement;
    expect([own.checked, own.disabled]).toEqual([true, true]);
    fireEvent.click(screen.getByRole('checkbox', { name: 'τ' }));
    expect(onTick).toHaveBeenCalledWith(choices[0], 2, true);
    expect(screen.getByText(/4 combinations/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'As offered' })).toBeTruthy();
  });
});
