import { firstWorkingSet, kindsFor, makesGroups, type SummaryResult, startsWithRanks, type Variable } from '@ivlen/contract';
import { describe, expect, it, test } from 'vitest';
import { firstGrouping } from '../src/settings/use-grouping';
import { testStudy } from './test-study';

const [sample] = testStudy().state.variables;
const variable = (id: string, kind: Variable['kind'], more: Partial<Variable> = {}): Variable => ({
  ...(sample as Variable),
  id,
  name: id,
  kind,
  storage: kind === 'nominal' ? 'code' : 'number',
  role: null,
  ...more,
});
const summary = (counts: Readonly<Record<string, readonly [n: number, distinct: number, missing?: number]>>): SummaryResult => ({
  kind: 'summary',
  variables: Object.entries(counts).map(([id, [n, distinct, missing = 0]]) => ({ id, n, distinct, missing, bins: [] })),
});

describe('the grouping variable that a study begins with', () => {
  test.each<[string, Variable[], Parameters<typeof summary>[0], string | null]>([
    ['a nominal one with a few groups of enough rows', [variable('plot', 'nominal')], { plot: [60, 12] }, 'plot'],
    ['none with 13 groups', [variable('plot', 'nominal')], { plot: [200, 13] }, null],
    ['none with groups of four rows', [variable('plot', 'nominal')], { plot: [59, 12] }, null],
    ['one that half of the rows lack', [variable('plot', 'nominal')], { plot: [60, 3, 60] }, 'plot'],
    ['none that more of the rows lack', [variable('limit', 'nominal')], { limit: [60, 3, 61] }, null],
    ['none with one group', [variable('plot', 'nominal')], { plot: [60, 1] }, null],
    ['no ordinal one', [variable('grade', 'ordinal')], { grade: [60, 4] }, null],
    [
      'the next nominal one that fits',
      [variable('plot', 'nominal'), variable('site', 'nominal')],
      { plot: [60, 30], site: [60, 4] },
      'site',
    ],
    [
      'whatever has the role, before all others',
      [variable('site', 'nominal'), variable('grade', 'ordinal', { role: 'grouping' })],
      { site: [60, 4], grade: [60, 30] },
      'grade',
    ],
  ])('%s', (_, variables, counts, wanted) => {
    expect(firstGrouping(variables.filter(makesGroups), summary(counts))?.id ?? null).toBe(wanted);
  });
});

describe('what is ticked when a study is new', () => {
  it('quantities; two values are correlated on demand, and tell groups apart', () => {
    const variables = [variable('a', 'continuous'), variable('b', 'discrete'), variable('c', 'two-valued'), variable('d', 'ordinal')];
    expect(firstWorkingSet(variables)).toEqual(['a', 'b']);
    expect([startsWithRanks(variables), makesGroups(variables[2] as Variable), makesGroups(variables[0] as Variable)]).toEqual([
      false,
      true,
      false,
    ]);
    expect([kindsFor('number').includes('two-valued'), kindsFor('code').includes('two-valued')]).toEqual([true, false]);
  });

  it('orders where there is at most one quantity, under a coefficient of ranks', () => {
    const variables = [variable('a', 'ordinal'), variable('b', 'ordinal'), variable('c', 'continuous'), variable('d', 'two-valued')];
    expect([firstWorkingSet(variables), startsWithRanks(variables)]).toEqual([['a', 'b', 'c'], true]);
    expect(startsWithRanks(variables.slice(1))).toBe(false);
  });
});
