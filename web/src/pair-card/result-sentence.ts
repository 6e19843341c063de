import type { CorrelationSettings, PairResult, PairTest, Variable } from '@ivlen/contract';
import { type Method, pairSentence, type Statistic } from '@ivlen/core';
import { decimalsInUse } from '../numbers/number-text';
import { displayName } from '../study/variable-name';
import type { Pair } from './use-pair-selection';

/** A result with what its sentence has to say beside it. */
export interface ReportedPair {
  readonly pair: Pair;
  readonly result: PairResult;
  readonly method: Method;
  readonly alternative: CorrelationSettings['alternative'];
  readonly alpha: number;
  /** What one row is: conclusions hold at that level. */
  readonly rowMeaning: string | null;
  /** What was held constant. */
  readonly held: readonly Variable[];
  /** How the coefficient was got where a remedy was decided on and carried out; null where none was. */
  readonly taken: string | null;
  /** p adjusted for many tests; null where it is not. */
  readonly adjustedP: number | null;
}

/** The result as a sentence for a paper; null where the method cannot hold so many variables constant. */
export function resultSentence({
  pair: { x, y },
  result: { tests },
  method,
  alternative,
  alpha,
  rowMeaning,
  held,
  taken,
  adjustedP,
}: ReportedPair) {
  const test = tests[method];
  if (test.undefinedBecause === 'one-control-only') return null;
  const relation = pairSentence(
    {
      method,
      coefficient: test.coefficient ?? Number.NaN,
      n: test.n,
      pValue: test.pValue ?? Number.NaN,
      log10P: test.log10P ?? Number.NEGATIVE_INFINITY,
      pMethod: test.pMethod,
      statistic: statisticOf(test.statistic),
      alternative,
      interval: test.interval,
      zVariance: Number.NaN,
      ...(test.undefinedBecause ? { undefinedBecause: test.undefinedBecause } : {}),
    },
    { name: displayName(x), highMeans: x.highMeans },
    { name: displayName(y), highMeans: y.highMeans },
    alpha,
    {
      held: held.map(displayName),
      decimals: decimalsInUse(),
      ...(taken === null ? {} : { taken }),
      ...(adjustedP === null ? {} : { adjustedP }),
    },
  );
  return rowMeaning ? `${relation} Each case is ${rowMeaning}.` : relation;
}

function statisticOf(statistic: PairTest['statistic']): Statistic | null {
  if (!statistic) return null;
  const { name, value, df } = statistic;
  return df === undefined ? { name, value } : { name, value, df };
}
