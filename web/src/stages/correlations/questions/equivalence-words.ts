import type { EquivalenceTest } from '@ivlen/core';
import { percent } from '../../../coefficients/cell-data';
import { levelInWords } from '../../../coefficients/levels';
import { intervalText, pRelationText } from '../../../numbers/number-text';

/** Whether an association as large as the smallest of interest is ruled out. */
export function equivalenceInWords({ pValue, interval }: EquivalenceTest, bound: number, levels: readonly number[]): string {
  const [alpha = 0.05] = levels;
  const said =
    pValue <= alpha
      ? `Smaller than ±${levelInWords(bound)}: an association that large is ruled out`
      : `That it is smaller than ±${levelInWords(bound)} was not shown`;
  const limits = interval ? `; ${percent(1 - 2 * alpha)} interval ${intervalText(interval.low, interval.high)}` : '';
  return `${said} (two one-sided tests, ${pRelationText(pValue, levels)}${limits}).`;
}
