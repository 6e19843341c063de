import {
  type CorrelationSettings,
  correlationSettingsSchema,
  type GroupedPair,
  groupedPairSchema,
  type SubgroupsResult,
  subgroupPairResultSchema,
  type Variable,
  variableSchema,
} from '@ivlen/contract';
import { adjustPValues } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { readIds, written } from '../src/dependent/address';
import {
  type ComparedPair,
  comparedPairs,
  decidingP,
  EVERY_PAIR,
  filteredPairs,
  markingP,
  OUTCOMES_BY_PREDICTORS,
  orderedPairs,
  pairName,
  shownGroups,
  withAxes,
} from '../src/groups/compared-pairs';
import { subgroupsRequest } from '../src/groups/requests';
import { slopesSentence, slopeText } from '../src/groups/slopes';
import { placesOf } from '../src/groups/use-group-points';
import {
  differenceSentence,
  groupsInWords,
  narrowedInWords,
  otherStories,
  otherStory,
  rowsWithoutInWords,
  spreadSentence,
  untestedInWords,
  wholeSentence,
} from '../src/groups/words';
import { sentenceOf } from '../src/methods-line/methods-parts';
import { type CountedGroup, takingPart } from '../src/settings/use-grouping';
import { definitionOfCut, problemOfCut } from '../src/stages/subgroups/cut-draft';
import { chosenPairs, whyNot } from '../src/stages/subgroups/dependent/dependent-view';
import { chosenTwo, takingTwo } from '../src/stages/subgroups/difference/chosen-two';
import { changesSign, twoInWords } from '../src/stages/subgroups/difference/difference-view';
import { laneHeight } from '../src/stages/subgroups/pairs/lane';
import { pairsTable } from '../src/stages/subgroups/pairs/pairs-table';
import { sentence } from '../src/stages/subgroups/sentence';
import { tileSize } from '../src/stages/subgroups/tile-grid';
import { tableCsv, textTable } from '../src/tables/columns';
import { testStudy } from './test-study';

const plain = testStudy();
const [nitrate, phosphate, taxa] = plain.state.variables.map((variable) =>
  variable.name === 'mayfly_taxa'
    ? { ...variable, role: 'outcome' as const }
    : variable.name === 'nitrate'
      ? { ...variable, role: 'predictor' as const }
      : variable,
) as [Variable, Variable, Variable];
const catchment = variableSchema.parse({ ...nitrate, id: 'v9', name: 'catchment', kind: 'nominal', storage: 'code', role: null });
const study = { ...plain, state: { ...plain.state, variables: [nitrate, phosphate, taxa, catchment] } };
const variables = [nitrate, phosphate, taxa];
const settings = correlationSettingsSchema.parse({});
const LABELS = ['Aster', 'Birk', 'Corrin', 'Dray'];
const four: CountedGroup[] = LABELS.map((label, value) => ({ value, label, rows: 60 - 10 * value }));
const taking = takingPart(catchment, four, null, false);

const cell = (coefficient: number | null, more: Partial<GroupedPair['pooled']> = {}): GroupedPair['pooled'] => ({
  coefficient,
  n: 40,
  pValue: coefficient === null ? null : Math.abs(coefficient) > 0.3 ? 0.001 : 0.2,
  log10P: -1,
  low: coefficient === null ? null : coefficient - 0.2,
  high: coefficient === null ? null : coefficient + 0.2,
  zVariance: 1 / 37,
  because: coefficient === null ? 'constant-x' : null,
  ...more,
});
const inside = (coefficient: number) => ({ coefficient, low: coefficient - 0.1, high: coefficient + 0.1, pValue: 0.01, log10P: -2 });
const pairResult = (
  a: string,
  b: string,
  rs: readonly (number | null)[],
  pooled: number,
  p: number | null,
  more: Partial<GroupedPair> = {},
): GroupedPair =>
  groupedPairSchema.parse({
    a,
    b,
    method: 'pearson',
    pooled: cell(pooled),
    groups: rs.map((r) => cell(r)),
    untested: rs.flatMap((r, k) => (r === null ? [k] : [])),
    within: { ...inside(rs.reduce<number>((sum, r) => sum + (r ?? 0), 0) / rs.length), n: 160, df: 155, spreadRatio: 1.2, meanOfZ: null },
    homogeneity: { q: p === null ? null : 14.2, df: rs.filter((r) => r !== null).length - 1, pValue: p, log10P: p && Math.log10(p) },
    random: p === null ? null : { iSquared: 0.8, tauSquared: 0.07, coefficient: 0.27, low: -0.2, high: 0.64 },
    two: null,
    reversed: false,
    hidden: false,
    ...more,
  });
const result = (pairs: GroupedPair[]): SubgroupsResult => ({
  kind: 'subgroups',
  // As the server has them: by stored value.
  groups: LABELS.map((_, value) => ({ is: 'group', value, rows: 60 - 10 * value })),
  rowsWithout: 0,
  pairs,
});
const PAIRS = [
  pairResult('v1', 'v2', [0.12, 0.55, 0.4, -0.05], 0.28, 0.0024),
  pairResult('v1', 'v3', [-0.7, -0.6, -0.7, -0.65], 0.3, 0.77, { reversed: true }),
  pairResult('v2', 'v3', [0.5, null, -0.5, 0.1], 0.02, null, { hidden: true }),
];
const compared = comparedPairs(study, variables, result(PAIRS), taking, settings);
const [first, second, third] = compared.pairs as [ComparedPair, ComparedPair, ComparedPair];

describe('which groups take part', () => {
  it('all of a few, without a choice; their colours and shapes are their places', () => {
    expect([taking.groups.map(({ style }) => style), taking.isSome, taking.request]).toEqual([
      [0, 1, 2, 3],
      false,
      { by: 'v9', only: null, withoutOne: false },
    ]);
    expect(groupsInWords(taking)).toBe('4 groups of catchment');
  });

  it('those chosen keep their colours; the choice is named', () => {
    const some = takingPart(catchment, four, [3, 1], true);
    expect([some.groups.map(({ label, style }) => [label, style]), some.request.only]).toEqual([
      [
        ['Birk', 1],
        ['Dray', 3],
      ],
      [1, 3],
    ]);
    expect(groupsInWords(some)).toBe('2 of 4 groups of catchment (Birk and Dray), and rows without one');
    // What was chosen and is gone, or is one group alone, is no choice.
    expect(takingPart(catchment, four, [3, 77], false).groups).toHaveLength(4);
  });

  it('of many the twelve largest, in their order, each with a colour and shape of its own', () => {
    const sixty = Array.from({ length: 60 }, (_, value): CountedGroup => ({ value, label: `p${value}`, rows: value % 5 === 0 ? 20 : 3 }));
    const many = takingPart(catchment, sixty, null, false);
    expect(many.groups.map(({ value }) => value)).toEqual([0, 5, 10, 15, 20, 25, 30, 35, 40, 45, 50, 55]);
    expect(new Set(many.groups.map(({ style }) => style)).size).toBe(12);
    expect([groupsInWords(many), many.request.only?.length]).toEqual(['the largest 12 of 60 groups of catchment', 12]);
    const most = takingPart(
      catchment,
      sixty,
      sixty.map(({ value }) => value),
      false,
    );
    expect([most.groups.length, new Set(most.groups.map(({ style }) => style)).size]).toEqual([30, 30]);
  });

  it('rows without a group are counted where they are left out', () => {
    expect(rowsWithoutInWords({ rowsWithout: 9 }, taking)).toBe('9 rows have no catchment and are left out.');
    expect(rowsWithoutInWords({ rowsWithout: 1 }, taking)).toBe('1 row has no catchment and is left out.');
    expect([
      rowsWithoutInWords({ rowsWithout: 0 }, taking),
      rowsWithoutInWords({ rowsWithout: 9 }, takingPart(catchment, four, null, true)),
    ]).toEqual([null, null]);
  });

  it('points stand in the places of their groups; without one in the place that is for them', () => {
    const labels = Float64Array.of(1, 0, Number.NaN, 7);
    const groups = [
      { is: 'group', value: 0 },
      { is: 'group', value: 1 },
    ] as const;
    expect([...placesOf(labels, groups)]).toEqual([1, 0, -1, -1]);
    expect([...placesOf(labels, [...groups, { is: 'without', value: null }])]).toEqual([1, 0, 2, -1]);
  });
});

describe('a result as it is shown', () => {
  it('has groups in the order of their labels, whatever the order of their codes', () => {
    const turned = takingPart(catchment, [...four].reverse(), null, false);
    const groups = shownGroups({ groups: [...result([]).groups, { is: 'without', value: null, rows: 3 }] }, turned);
    expect(groups.map(({ label, place }) => [label, place])).toEqual([
      ['Dray', 3],
      ['Corrin', 2],
      ['Birk', 1],
      ['Aster', 0],
      ['no group', 4],
    ]);
    // A code without a label is called by its variable as well.
    const coded = takingPart(
      { ...catchment, name: 'stream_order' },
      [1, 2].map((value) => ({ value, label: String(value), rows: 9 })),
      null,
      false,
    );
    const codes = [1, 2].map((value) => ({ is: 'group' as const, value, rows: 9 }));
    expect(shownGroups({ groups: codes }, coded).map(({ label }) => label)).toEqual(['stream order 1', 'stream order 2']);
    // Rows without a group take no colour and shape of another.
    expect(new Set(groups.map(({ style }) => style)).size).toBe(5);
  });

  it('pairs in the order of the working set, each adjusted in its own family', () => {
    expect(compared.pairs.map(pairName)).toEqual(['nitrate × phosphate', 'nitrate × mayfly taxa', 'phosphate × mayfly taxa']);
    expect(compared.pairs.map(({ adjustedP }) => adjustedP)).toEqual([null, null, null]);
    const holm = comparedPairs(study, variables, result(PAIRS), taking, { adjust: 'holm' });
    const wanted = adjustPValues([0.0024, 0.77, Number.NaN], 'holm');
    expect(holm.pairs.map(({ adjustedP }) => adjustedP)).toEqual([wanted[0], wanted[1], null]);
    // Marks of a group are adjusted for the pairs of that group.
    const aster = adjustPValues([0.2, 0.001, 0.001], 'holm');
    expect(holm.pairs.map(({ cells }) => markingP(cells[0] ?? { pValue: null, adjustedP: null }))).toEqual([...aster]);
    const rectangle = comparedPairs(study, variables, result(PAIRS), taking, { adjust: 'bonferroni' }, OUTCOMES_BY_PREDICTORS);
    expect(rectangle.pairs.map((pair) => [pairName(pair), decidingP(pair)])).toEqual([['nitrate × mayfly taxa', 0.77]]);
    expect(EVERY_PAIR(nitrate, taxa)).toBe(true);
  });

  it('ordered by disagreement with the untested last, by name, by size', () => {
    const names = (order: Parameters<typeof orderedPairs>[1]) => orderedPairs([third, second, first], order).map(pairName);
    expect(names('disagreement')).toEqual(['nitrate × phosphate', 'nitrate × mayfly taxa', 'phosphate × mayfly taxa']);
    expect(names('name')).toEqual(['nitrate × mayfly taxa', 'nitrate × phosphate', 'phosphate × mayfly taxa']);
    expect(names('size')).toEqual(['nitrate × mayfly taxa', 'nitrate × phosphate', 'phosphate × mayfly taxa']);
    // Where p underflows alike, Q decides.
    const tiny = (q: number) => ({ ...first, homogeneity: { ...first.homogeneity, q, pValue: 0 } });
    expect(orderedPairs([tiny(1600), tiny(1700)], 'disagreement').map(({ homogeneity }) => homogeneity.q)).toEqual([1700, 1600]);
  });

  it('filtered to a variable, to those that differ', () => {
    const filter = (onlyWith: string | null, onlyDiffering: boolean) =>
      filteredPairs(compared.pairs, { onlyWith, onlyDiffering }, 0.05).map(pairName);
    expect(filter('v2', false)).toEqual(['nitrate × phosphate', 'phosphate × mayfly taxa']);
    expect(filter(null, true)).toEqual(['nitrate × phosphate']);
  });

  it('the predictor on x and the outcome on y, unless turned', () => {
    expect(withAxes({ x: taxa, y: nitrate })).toEqual({ x: nitrate, y: taxa });
    expect(withAxes({ x: nitrate, y: taxa }, true)).toEqual({ x: taxa, y: nitrate });
    expect(withAxes({ x: phosphate, y: phosphate })).toEqual({ x: phosphate, y: phosphate });
  });

  it('is asked for in the order of the codebook, under listwise deletion over complete rows', () => {
    const request = subgroupsRequest(study, [taxa, nitrate], { ...settings, missing: 'listwise' }, taking, { against: 2 });
    expect(request).toMatchObject({
      variables: ['v1', 'v3'],
      groups: { by: 'v9', only: null, against: 2 },
      rows: { completeFor: ['v1', 'v3'], group: null },
    });
  });
});

describe('in words', () => {
  it('a pair’s sentence has the numbers on screen, and says “differed” by the p that decides', () => {
    expect(differenceSentence(first, compared.groups, taking, settings)).toBe(
      'The association of nitrate with phosphate differed between groups of catchment, Q(3) = 14.20, p = .002; r: Aster .12, Birk .55, Corrin .40, Dray −.05.',
    );
    const adjusted = { ...first, adjustedP: 0.08 };
    expect(differenceSentence(adjusted, compared.groups, taking, { ...settings, adjust: 'holm' })).toContain(
      'did not detectably differ between groups of catchment, Q(3) = 14.20, p = .002, p = .080 adjusted after Holm',
    );
    expect(differenceSentence(third, compared.groups, taking, settings)).toBe(
      'The association of phosphate with mayfly taxa was not compared between groups of catchment: fewer than two groups could be tested.',
    );
  });

  it('two groups: difference, q, z, p and interval', () => {
    const two = {
      ...first,
      cells: first.cells.slice(0, 2),
      tested: [true, true],
      two: { difference: -0.43, z: -2.1, cohensQ: -0.5, low: -0.8, high: -0.03 },
    };
    expect(differenceSentence(two, compared.groups.slice(0, 2), taking, settings)).toContain(
      'z = −2.10, p = .002; difference −.43, 95 % CI [−.80, −.03]; Cohen’s q = −0.50; r: Aster .12, Birk .55.',
    );
  });

  it('the choice of groups is in the sentences that use it', () => {
    const some = takingPart(catchment, four, [0, 1, 2], false);
    expect(differenceSentence(first, compared.groups, some, settings)).toContain(
      'differed between 3 of 4 groups of catchment (Aster, Birk and Corrin), Q(3)',
    );
    expect(wholeSentence(compared, some, settings)).toContain(
      'pairs differed between 3 of 4 groups of catchment (Aster, Birk and Corrin) at .05',
    );
  });

  it('groups made from a variable that is compared narrow it by construction', () => {
    const cut = { ...catchment, name: 'nitrate_group', derivation: { type: 'cut' as const, source: 'v1', points: [5] } };
    const combined = { ...catchment, id: 'v7', derivation: { type: 'combine' as const, sources: ['v8', 'v9'] as [string, string] } };
    const all = [...variables, { ...cut, id: 'v8' }, catchment, combined];
    expect(narrowedInWords({ ...cut, id: 'v8' }, variables, all)).toBe(
      'The groups of nitrate group are made from nitrate, which therefore varies less inside each group than over all of them: its coefficients there can be lower for that alone.',
    );
    expect(narrowedInWords(combined, variables, all)).toContain('made from nitrate, which');
    expect([narrowedInWords(cut, [phosphate, taxa], all), narrowedInWords(catchment, variables, all)]).toEqual([null, null]);
  });

  it('groups that are not tested are named with the reason', () => {
    const odd = (part: Partial<GroupedPair['pooled']>) =>
      untestedInWords({ ...third, cells: third.cells.map((item, k) => (k === 1 ? { ...item, ...part } : item)) }, compared.groups);
    expect(odd({})).toEqual(['Birk: one of the two has a single value there']);
    expect(odd({ because: null, coefficient: 1, n: 5 })).toEqual(['Birk: r is exactly 1, which has no spread to compare by']);
    expect(odd({ because: null, coefficient: 0.4, n: 3 })).toEqual(['Birk: 3 complete rows, at least 4 are needed']);
    expect(odd({ because: 'too-few-cases', coefficient: null, n: 0 })).toEqual(['Birk: no complete row']);
    expect(untestedInWords(first, compared.groups)).toEqual([]);
  });

  it('all pairs: how many differ, how many would by chance, the clearest, how many could not be tested', () => {
    expect(wholeSentence(compared, taking, settings)).toBe(
      '1 of 2 pairs differed between groups of catchment at .05; 0.1 expected if no groups differed. The clearest: nitrate × phosphate, Q(3) = 14.20, p = .002. 1 could not be tested.',
    );
    expect(wholeSentence({ pairs: [third] }, taking, settings)).toBe('No pair could be compared between groups of catchment.');
    expect(wholeSentence({ pairs: [second] }, taking, { ...settings, adjust: 'holm' })).toBe(
      '0 of 1 pair differed between groups of catchment at .05, p adjusted after Holm for this pair.',
    );
  });

  it('another story inside: reversals first, each with what is inside and why', () => {
    expect(otherStories(compared.pairs).map(pairName)).toEqual(['nitrate × mayfly taxa', 'phosphate × mayfly taxa']);
    expect(otherStory(second, compared.groups)).toBe(
      'r = .30 over all rows of these groups, but −.70 to −.60 inside them: the sign comes from how the groups’ means lie. Within groups, which does not rest on their means: r = −.66 [−.76, −.56].',
    );
    expect(otherStory(third, compared.groups)).toContain('but −.50 to .50 inside them (Aster .50): groups of opposite sign cancel out.');
    const sameSign = {
      ...third,
      cells: third.cells.map((item) => ({ ...item, coefficient: 0.4 })),
      tested: [true, true, true, true],
      within: { ...third.within, coefficient: 0.4 },
    };
    expect(otherStory(sameSign, compared.groups)).toContain(
      'but .40 to .40 inside them (Aster .40): it is hidden by how the groups’ means lie.',
    );
    // A group with hardly any association cancels nothing.
    const hardly = {
      ...third,
      cells: [
        { ...third.cells[0], coefficient: 0.3 },
        { ...third.cells[0], coefficient: -0.01 },
      ] as never,
      tested: [true, true],
      within: { ...third.within, coefficient: 0.06 },
    };
    expect(otherStory(hardly, compared.groups)).toContain('inside them (Aster .30). Within groups');
    expect(otherStory(first, compared.groups)).toBeNull();
  });

  it('slopes are told apart from coefficients', () => {
    const details = (pValue: number | null, because: 'exact-fit' | null = null) =>
      subgroupPairResultSchema.parse({
        kind: 'subgroup-pair',
        groups: [],
        everyTwo: [],
        slopes: {
          groups: [],
          common: 0.0001234,
          pooled: { slope: null, intercept: null },
          f: pValue === null ? null : 3.4154,
          df: 3,
          dfResidual: 31,
          pValue,
          because,
        },
        whole: { n: 3, meanX: 1, meanY: 1, sdX: 1, sdY: 1 },
        spreads: [],
        between: { coefficient: null, df: 0, pValue: null },
      });
    const of = (p: number | null, pair: ComparedPair, because: 'exact-fit' | null = null) =>
      slopesSentence(details(p, because), pair, { x: nitrate, y: taxa }, settings.levels);
    expect(of(0.008, first)).toBe(
      'Slopes of mayfly taxa on nitrate differ between the groups, F(3, 31) = 3.42, p = .008; common slope 0.000123.',
    );
    expect(of(0.4, first)).toContain(
      'The groups differ in how close the points lie to the lines (Pearson’s r), not detectably in how steep these are.',
    );
    expect(of(0.008, second)).toContain(
      'How steep the lines are is not how close the points lie to them: Pearson’s r does not detectably differ.',
    );
    expect(of(null, second, 'exact-fit')).toBe(
      'Slopes of mayfly taxa on nitrate were not compared: all points lie exactly on their group’s line.',
    );
    expect([slopeText(-0.4), slopeText(1234.5), slopeText(0), slopeText(null)]).toEqual(['−0.400', '1235', '0', '–']);
  });

  it('how much of the spread is more than chance, imprecise for few groups', () => {
    expect(spreadSentence(first, 0.95)).toBe(
      'I² = 80 % of the spread of the groups’ coefficients is more than chance, an imprecise share with so few groups. Random effects: r = .27 [−.20, .64] (95 %, by t), for a group like these.',
    );
    expect(spreadSentence(third, 0.95)).toBeNull();
  });

  it('the stage’s sentence says groups and how they are compared; descriptives and dependent comparisons have their own', () => {
    const facts = { variables, candidates: variables, rows: 'all 248 rows', taking, byName: 'catchment', view: 'pairs' as const };
    const said = (part: Partial<typeof facts> | { view: 'descriptives' | 'dependent' }, more: Partial<CorrelationSettings> = {}) =>
      sentenceOf(sentence(study, { ...settings, ...more }, { ...facts, ...part }));
    expect(said({})).toBe(
      'Pearson’s r among 3 variables across 4 groups of catchment, all 248 rows, using every complete pair; compared by Fisher’s z, unadjusted, marked at .05, .01 and .001, with 95 % intervals, holding nothing constant.',
    );
    expect(said({}, { methods: ['kendall', 'pearson'], control: ['v2'] })).toMatch(
      /^Partial correlations by Kendall’s τ among .*, all 248 rows, holding phosphate constant, using/,
    );
    expect(said({ view: 'descriptives' })).toBe('Means and standard deviations of 3 variables in 4 groups of catchment, all 248 rows.');
    expect(said({ view: 'dependent' })).toMatch(/^Two coefficients of the same rows compared by Pearson’s r, all groups together,/);
    expect(said({ taking: null, byName: 'station' } as never)).toContain('across groups of station,');
    expect(said({ taking: null, byName: null } as never)).toContain('across no groups yet,');
  });
});

describe('tables', () => {
  it('pairs × groups with marks, n in the note, every digit in the file', () => {
    const table = pairsTable(compared.pairs, compared.groups, taking, settings);
    const { head, rows, note } = textTable(table);
    expect(head).toEqual(['Pair', ...LABELS, 'all', 'within', 'Q(3)', 'p']);
    expect(rows[0]).toEqual(['nitrate × phosphate', '.12', '.55***', '.40***', '−.05', '.28', '.26', '14.20', '.002']);
    expect(rows[2]).toEqual(['phosphate × mayfly taxa', '.50***', '–', '−.50***', '.10', '.02', '.03', '–', '–']);
    expect(note).toContain('Aster n = 60, Birk n = 50, Corrin n = 40, Dray n = 30, fewer where values are missing.');
    const csv = tableCsv(table).split('\r\n');
    expect(csv[0]).toContain('Aster,Aster n,Aster p,Aster low,Aster high,Birk');
    expect(csv[1]).toMatch(/^nitrate × phosphate,0\.12,40,0\.2,/);
  });
});

describe('the difference of two groups', () => {
  it('is that of the first two, of those chosen, or of one and all others', () => {
    const of = (one: number | null, other: number | 'rest' | null) => {
      const chosen = chosenTwo(taking, { first: one, second: other });
      return [chosen.first.label, chosen.second === 'rest' ? 'rest' : chosen.second.label];
    };
    expect([of(null, null), of(2, 0), of(2, 2), of(null, 0), of(77, 3), of(1, 'rest')]).toEqual([
      ['Aster', 'Birk'],
      ['Corrin', 'Aster'],
      ['Corrin', 'Aster'],
      ['Birk', 'Aster'],
      ['Aster', 'Dray'],
      ['Birk', 'rest'],
    ]);
    expect(chosenTwo({ groups: taking.groups.slice(0, 2) }, { first: 0, second: 'rest' }).second).toMatchObject({ label: 'Birk' });
    const [corrin, aster] = [taking.groups[2], taking.groups[0]];
    if (!corrin || !aster) throw new Error('no groups');
    const two = takingTwo(taking, corrin, aster);
    expect([two.request.only, two.all.map(({ label }) => label)]).toEqual([
      [0, 2],
      ['Corrin', 'Aster'],
    ]);
  });

  it('is turned where the first as shown is the second of the result', () => {
    const two = takingTwo(taking, taking.groups[1] as never, taking.groups[0] as never);
    const both: SubgroupsResult = {
      ...result([
        { ...pairResult('v1', 'v2', [0.6, 0.2], 0.4, 0.03), two: { difference: 0.4, z: 2.17, cohensQ: 0.49, low: 0.05, high: 0.7 } },
      ]),
      groups: [0, 1].map((value) => ({ is: 'group', value, rows: 40 })),
    };
    const { pairs, groups } = comparedPairs(study, variables, both, two, settings);
    expect(groups.map(({ label }) => label)).toEqual(['Birk', 'Aster']);
    expect([pairs[0]?.cells.map(({ coefficient }) => coefficient), pairs[0]?.two]).toEqual([
      [0.2, 0.6],
      { difference: -0.4, z: -2.17, cohensQ: -0.49, low: -0.7, high: -0.05 },
    ]);
    const [pair] = pairs;
    const [a, b] = groups;
    if (!pair || !a || !b) throw new Error('nothing compared');
    expect(twoInWords(pair, a, b, settings)).toBe(
      'nitrate × phosphate: Birk .20 (n 40), Aster .60 (n 40); difference −.40, 95 % interval [−.70, −.05], q −0.49, z = −2.17, p = .030.',
    );
    expect([changesSign(pair), changesSign(third), changesSign({ cells: [first.cells[0], first.cells[3]] as never })]).toEqual([
      false,
      false,
      true,
    ]);
  });
});

describe('what is written to cut a quantity', () => {
  const draft = { source: 'v1', how: 'values' as const, points: '', groups: '3' };
  test.each([
    ['5 10', null],
    ['5; 10,5', null],
    ['10 5', 'Values go from small to large.'],
    ['5 5', 'Values go from small to large.'],
    ['five', 'Values are numbers, with a space between them.'],
    ['', 'Write one value or more, such as 5 10.'],
  ])('%s', (points, problem) => {
    expect(problemOfCut({ ...draft, points })).toBe(problem);
    expect(definitionOfCut({ ...draft, points }, nitrate, variables) === null).toBe(problem !== null);
  });

  it('becomes a derived variable with a name that is free', () => {
    const taken = [...variables, { ...nitrate, name: 'nitrate_group' }];
    expect(definitionOfCut({ ...draft, points: '5; 10,5' }, nitrate, taken)).toEqual({
      name: 'nitrate_group_2',
      unit: null,
      derivation: { type: 'cut', source: 'v1', points: [5, 10.5] },
    });
    expect(definitionOfCut({ ...draft, how: 'size' }, nitrate, variables)?.derivation).toEqual({
      type: 'quantile-groups',
      source: 'v1',
      groups: 3,
    });
    expect(problemOfCut({ ...draft, how: 'size', groups: '1' })).toBe('Groups: a whole number from 2 to 20.');
  });
});

describe('dependent comparisons', () => {
  it('begin with an outcome and two others, or with the pairs of the address', () => {
    const all = [nitrate, phosphate, taxa];
    const names = (query: string) => {
      const { first: one, second: other } = chosenPairs(new URLSearchParams(query), all, all);
      return [one?.a.name, one?.b.name, other?.a.name, other?.b.name];
    };
    expect(names('')).toEqual(['mayfly_taxa', 'nitrate', 'mayfly_taxa', 'phosphate']);
    expect(names(`first=${written({ a: nitrate, b: phosphate })}&second=v1~gone`)).toEqual([
      'nitrate',
      'phosphate',
      'mayfly_taxa',
      'phosphate',
    ]);
    expect([readIds('v1~v2'), readIds('v1'), readIds(null)]).toEqual([['v1', 'v2'], null, null]);
  });

  it('need two different pairs', () => {
    expect(whyNot({ a: nitrate, b: taxa }, { a: taxa, b: nitrate })).toContain('Both are the same pair');
    expect(whyNot({ a: nitrate, b: nitrate }, { a: taxa, b: nitrate })).toContain('A variable with itself');
    expect(whyNot({ a: nitrate, b: taxa }, { a: taxa, b: phosphate })).toBeNull();
  });
});

describe('sizes', () => {
  it('a row grows by eight pixels for each group above four', () => {
    expect([laneHeight(2), laneHeight(4), laneHeight(5), laneHeight(12)]).toEqual([36, 36, 44, 100]);
  });

  it('two grids stand beside each other, with numbers where there is room', () => {
    for (const count of [3, 8, 12, 20, 40]) {
      const { tile, names } = tileSize(count, 992);
      expect(2 * (names + (count - 1) * (tile + 1)) + 24).toBeLessThanOrEqual(count > 30 ? 1300 : 1050);
    }
    expect([tileSize(12, 992).text, tileSize(30, 992).text]).toEqual([true, false]);
  });
});
