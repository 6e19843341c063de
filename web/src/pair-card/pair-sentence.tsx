import type { CorrelationSettings, PairResult } from '@ivlen/contract';
import { pairSentence } from '@ivlen/core';
import { CopyButton } from '../frame/copy-button';
import type { Pair } from '../stages/correlations/use-pair-selection';
import { displayName } from '../variable-name';

interface PairSentenceProps {
  readonly pair: Pair;
  readonly result: PairResult;
  readonly alternative: CorrelationSettings['alternative'];
  readonly alpha: number;
}

/** The result as a sentence for a paper. */
export function PairSentence({ pair: { x, y }, result, alternative, alpha }: PairSentenceProps) {
  const sentence = pairSentence(
    {
      method: 'pearson',
      coefficient: result.coefficient ?? Number.NaN,
      n: result.n,
      pValue: result.pValue ?? Number.NaN,
      log10P: result.log10P ?? Number.NEGATIVE_INFINITY,
      pMethod: 't',
      statistic: null,
      alternative,
      interval: result.interval,
      ...(result.undefinedBecause ? { undefinedBecause: result.undefinedBecause } : {}),
    },
    { name: displayName(x), highMeans: x.highMeans },
    { name: displayName(y), highMeans: y.highMeans },
    alpha,
  );
  return (
    <div className="mt-3">
      <p className="font-serif text-[16px] leading-normal" data-testid="pair-sentence">
        {withoutBreaks(sentence)}
      </p>
      <CopyButton className="mt-1 text-[13px]" label="Copy" text={sentence} />
    </div>
  );
}

/** A relation and its number stay on one line. */
function withoutBreaks(sentence: string): string {
  return sentence.replace(/([<>=]) (?=[<>.−\d])/g, '$1\u00a0');
}
