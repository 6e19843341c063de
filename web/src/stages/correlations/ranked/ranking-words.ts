import { joined } from '../../../coefficients/coefficient-names';
import { coefficientText } from '../../../numbers/number-text';
import type { Ranking } from './use-ranking';

export const SIGNIFICANCE_WORDS: Readonly<Record<Ranking['significance'], string>> = {
  any: 'any p',
  marked: 'marked ones',
  unmarked: 'unmarked ones',
};
export const CAUTIONED_WORDS: Readonly<Record<Ranking['cautioned'], string>> = {
  any: 'with or without cautions',
  decisive: 'with a caution that could change the conclusion',
  some: 'with any caution',
  none: 'without caution',
};

/** "8 of 66 pairs: pairs of “taxa” and marked ones."; nothing where nothing is left out. */
export function filtersInWords({ find, least, significance, cautioned }: Ranking, shown: number, of: number): string {
  const by = [
    find.trim() ? `pairs of “${find.trim()}”` : '',
    least > 0 ? `coefficients of size ${coefficientText(least)} or more` : '',
    significance === 'any' ? '' : SIGNIFICANCE_WORDS[significance],
    cautioned === 'any' ? '' : `those ${CAUTIONED_WORDS[cautioned]}`,
  ].filter(Boolean);
  return by.length === 0 ? '' : `${shown} of ${of} pairs: ${joined(by)}.`;
}
