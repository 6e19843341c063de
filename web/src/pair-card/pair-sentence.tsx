import { CopyButton } from '../controls/copy-button';
import { keepTogether } from '../controls/rich-text';
import { type ReportedPair, resultSentence } from './result-sentence';

/** The result as a sentence for a paper. */
export function PairSentence(reported: ReportedPair) {
  const sentence = resultSentence(reported);
  if (sentence === null) {
    return (
      <p className="mt-3">
        Kendall’s τ can hold one variable constant, not several. Choose Pearson’s r or Spearman’s ρ, or hold one constant.
      </p>
    );
  }
  return (
    <div className="mt-3">
      <p className="font-serif text-[16px] leading-normal" data-testid="pair-sentence">
        {keepTogether(sentence)}
      </p>
      <CopyButton className="mt-1 text-[13px]" label="Copy" text={sentence} />
    </div>
  );
}
