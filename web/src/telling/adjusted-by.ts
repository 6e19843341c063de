import type { CorrelationSettings } from '@ivlen/contract';
import { adjustmentInWords } from '../coefficients/sentence-parts';
import type { Told } from './told';

/** How the tests of what is told are adjusted for their number; nothing where they are not. */
export function adjustedBy({ adjust }: Pick<CorrelationSettings, 'adjust'>): Pick<Told, 'adjusted'> {
  return adjust === 'none' ? {} : { adjusted: adjustmentInWords(adjust) };
}
