import type { DependentResult, DependentTest, RequestOf } from '@ivlen/contract';
import { bootstrapDifferenceOfPairs, COEFFICIENTS, compareNonOverlapping, compareOverlapping, testPair } from '@ivlen/core';
import { DomainError } from '../errors/domain-error';
import type { AnalysisModule, Tell } from './analysis';
import { type AnalysisColumns, columnOf, valuesAt } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable } from './needed-variables';
import { pairRows } from './pair-rows';
import { commonSources } from './shared-component';

const REPLICATES = 2000;

/** Two coefficients of the same rows, compared over those complete for all their variables. */
export const dependent: AnalysisModule<'dependent'> = {
  needs: ({ first, second }, all) => allCorrelatable(all, [first.a, first.b, second.a, second.b]),
  looksAt: ['derivation'],
  run: dependentOf,
  counts: 'samples',
};

function dependentOf(request: RequestOf<'dependent'>, columns: AnalysisColumns, tell: Tell): DependentResult {
  const { method, level, turned } = request;
  const { first, second, common } = aligned(request);
  const ids = [...new Set([first.a, first.b, second.a, second.b])];
  const { places } = pairRows({ x: first.a, y: first.b }, columns, ids);
  // The second is turned by turning a variable that the first does not have.
  const column = (id: string) => {
    const values = valuesAt(columnOf(columns, id), places);
    return turned && id === second.b ? values.map((value) => -value) : values;
  };
  const of = new Map(ids.map((id) => [id, column(id)]));
  const r = (a: string, b: string) => testPair(method, of.get(a) ?? NONE, of.get(b) ?? NONE, { p: 'approximate' }).coefficient;
  const [rFirst, rSecond] = [r(first.a, first.b), r(second.a, second.b)];
  const pairsAcross = common
    ? [{ a: first.b, b: second.b }]
    : [first.a, first.b].flatMap((a) => [second.a, second.b].map((b) => ({ a, b })));
  const across = pairsAcross.map(({ a, b }) => ({ a, b, coefficient: finiteOrNull(r(a, b)) }));
  const n = places.length;
  const result = {
    kind: 'dependent' as const,
    n,
    first: finiteOrNull(rFirst),
    second: finiteOrNull(rSecond),
    across,
    tests: [],
    interval: null,
    because: null,
    shared: sharedAmong(ids, columns),
  };
  if ([rFirst, rSecond, ...across.map(({ coefficient }) => coefficient)].some((value) => value === null || Number.isNaN(value)))
    return result;
  if (!COEFFICIENTS[method].dependentFormula) {
    const options = { method, level, replicates: REPLICATES, onProgress: (done: number) => tell(done, REPLICATES) };
    const both = ({ a, b }: { a: string; b: string }) => [of.get(a) ?? NONE, of.get(b) ?? NONE] as const;
    return { ...result, interval: bootstrapDifferenceOfPairs(both(first), both(second), options).interval };
  }
  if (common) {
    const { williams, meng, interval, undefinedBecause } = compareOverlapping(
      { rAB: rFirst, rAC: rSecond, rBC: r(first.b, second.b), n },
      { level },
    );
    return {
      ...result,
      tests: [...test('williams', williams.t, williams, williams.df), ...test('meng', meng.z, meng)],
      interval,
      because: undefinedBecause ?? null,
    };
  }
  const { steiger, dunnClark, interval, undefinedBecause } = compareNonOverlapping(
    {
      rAB: rFirst,
      rCD: rSecond,
      rAC: r(first.a, second.a),
      rAD: r(first.a, second.b),
      rBC: r(first.b, second.a),
      rBD: r(first.b, second.b),
      n,
    },
    { level },
  );
  return {
    ...result,
    tests: [...test('dunn-clark', dunnClark.z, dunnClark), ...test('steiger', steiger.z, steiger)],
    interval,
    because: undefinedBecause ?? null,
  };
}

const NONE = new Float64Array(0);

/** The two pairs with the variable they share first in both. @throws {DomainError} the same pair twice, or a variable with itself */
function aligned({ first, second }: RequestOf<'dependent'>) {
  const shared = [first.a, first.b].filter((id) => id === second.a || id === second.b);
  if (first.a === first.b || second.a === second.b || shared.length === 2) {
    throw new DomainError('nothing-to-compare', 'These are not two different pairs of variables.', { hint: 'Choose another variable.' });
  }
  const common = shared[0];
  if (common === undefined) return { first, second, common: false };
  const other = ({ a, b }: { a: string; b: string }) => (a === common ? b : a);
  return { first: { a: common, b: other(first) }, second: { a: common, b: other(second) }, common: true };
}

function test(
  by: DependentTest['by'],
  statistic: number,
  { pValue, log10P }: { pValue: number; log10P: number },
  df: number | null = null,
): DependentTest[] {
  return Number.isNaN(statistic) || Number.isNaN(pValue) ? [] : [{ by, statistic, df, pValue, log10P }];
}

function sharedAmong(ids: readonly string[], columns: AnalysisColumns): DependentResult['shared'] {
  return ids.flatMap((b, j) => ids.slice(0, j).flatMap((a) => commonSources(a, b, columns).map((source) => ({ a, b, source }))));
}
