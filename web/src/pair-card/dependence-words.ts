import type { DependenceResult, UnseenResult } from '@ivlen/contract';
import { coefficientText, fineCoefficientText, pRelationText } from '../numbers/number-text';

/** Whether anything at all is there, in sentences. @param x,y names of the two variables */
export function dependenceInWords(
  { n, distance, ranks, anyP, permutations, seed, undefinedBecause }: DependenceResult,
  { x, y }: { readonly x: string; readonly y: string },
  alpha: number,
): string[] {
  if (undefinedBecause !== null || distance.coefficient === null || ranks.yOnX === null || ranks.xOnY === null) {
    return ['Nothing can be said: too few rows are complete, or a variable does not vary.'];
  }
  const [distanceP, ranksP] = [distance.pValue ?? Number.NaN, ranks.pValue ?? Number.NaN];
  const how = {
    exact: 'over all orders of the rows',
    permutation: `by ${permutations.toLocaleString('en-GB')} permutations (seed ${seed})`,
    bound: 'by a bound, which is larger than p',
  }[distance.pMethod];
  const corrected =
    distance.correctedUndefined === null
      ? `bias-corrected square ${fineCoefficientText(distance.corrected ?? Number.NaN)}`
      : 'no bias-corrected square: all rows but one share a value, or nearly';
  const either = anyP ?? Number.NaN;
  return [
    either <= alpha
      ? `Something is there, of whatever form: ${pRelationText(either, [alpha])} of ${distance.pValue === null ? 'ξ' : 'the two together'}.`
      : `Nothing is seen, of whatever form: ${pRelationText(either, [alpha])} of ${distance.pValue === null ? 'ξ' : 'the two together'}.`,
    `Distance correlation ${fineCoefficientText(distance.coefficient)} (${corrected})${distance.pValue === null ? ', without a p' : `, ${pRelationText(distanceP, [alpha])} ${how}`}, n = ${n}.`,
    `ξ ${fineCoefficientText(ranks.yOnX)} of ${y} as a function of ${x}, ${fineCoefficientText(ranks.xOnY)} the other way, ${pRelationText(ranksP, [alpha])}${ranks.pMethod === 'permutation' ? ' by permutation' : ''}.`,
    'Neither has a sign, and neither is on the scale of r: they tell whether, not how.',
  ];
}

/** What the search over all pairs found, as a sentence. */
export function unseenInWords({ looked, pairs }: UnseenResult, alpha: number): string {
  const count = (number: number, one: string, many: string) => `${number.toLocaleString('en-GB')} ${number === 1 ? one : many}`;
  const level = coefficientText(alpha);
  if (pairs.length === 0) return `Of ${count(looked, 'pair', 'pairs')} none has something that neither r nor ρ sees at ${level}.`;
  return `Of ${count(looked, 'pair', 'pairs')} ${count(pairs.length, 'has', 'have')} something that neither r nor ρ sees at ${level}; p of any dependence is a bound, or by permutation in fewer than 30 rows (distance correlation) or 50 (ξ), adjusted after Holm.`;
}
