import type { CorrelationSettings, PairResult, PairTest, Variable } from '@ivlen/contract';
import { type Method, pairSentence, type Statistic } from '@ivlen/core';
import { CopyButton } from '../controls/copy-button';
import { keepTogether } from '../controls/rich-text';
import { decimalsInUse } from '../numbers/number-text';
import { displayName } from '../study/variable-name';
import type { Pair } from './use-pair-selection';

interface PairSentenceProps {
  readonly pair: Pair;
  readonly result: PairResult;
  readonly method: Method;
  readonly alternative: CorrelationSettings['alternative'];
  readonly alpha: number;
  /** What one row is: conclusions hold at that level. */
  readonly rowMeaning: string | null;
  /** What was held constant. */
  readonly held: readonly Variable[];
  /** p adjusted for many tests; null where it is not. */
  readonly adjustedP: number | null;
}

/** The result as a sentence for a paper. */
export function PairSentence({
  pair: { x, y },
  result: { n, tests },
  method,
  alternative,
  alpha,
  rowMeaning,
  held,
  adjustedP,
}: PairSentenceProps) {
  const test = tests[method];
  const relation = pairSentence(
    {
      method,
      coefficient: test.coefficient ?? Number.NaN,
      n,
      pValue: test.pValue ?? Number.NaN,
      log10P: test.log10P ?? Number.NEGATIVE_INFINITY,
      pMethod: test.pMethod,
      statistic: statisticOf(test.statistic),
      alternative,
      interval: test.interval,
      zVariance: Number.NaN,
      ...(test.undefinedBecause && test.undefinedBecause !== 'one-control-only' ? { undefinedBecause: test.undefinedBecause } : {}),
    },
    { name: displayName(x), highMeans: x.highMeans },
    { name: displayName(y), highMeans: y.highMeans },
    alpha,
    { held: held.map(displayName), decimals: decimalsInUse(), ...(adjustedP === null ? {} : { adjustedP }) },
  );
  if (test.undefinedBecause === 'one-control-only') {
    return (
      <p className="mt-3">
        Kendall’s τ can hold one variable constant, not several. Choose Pearson’s r or Spearman’s ρ, or hold one constant.
      </p>
    );
  }
  const sentence = rowMeaning ? `${relation} Each case is ${rowMeaning}.` : relation;
  return (
    <div className="mt-3">
      <p className="font-serif text-[16px] leading-normal" data-testid="pair-sentence">
        {keepTogether(sentence)}
      </p>
      <CopyButton className="mt-1 text-[13px]" label="Copy" text={sentence} />
    </div>
  );
}

function statisticOf(statistic: PairTest['statistic']): Statistic | null {
  if (!statistic) return null;
  const { name, value, df } = statistic;
  return df === undefined ? { name, value } : { name, value, df };
}
