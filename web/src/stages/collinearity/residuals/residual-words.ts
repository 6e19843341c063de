import type { ModelRow, RegressionResult } from '@ivlen/contract';
import { joined } from '../../../coefficients/coefficient-names';
import { significant } from '../../../figures/as-measured';
import { pRelationText } from '../../../numbers/number-text';
import { rowInWords } from '../../../study/row-in-words';

/** Whether the spread of the residuals changes, by both forms of the test at the first level. */
export function spreadSentence({ predictors, fitted }: RegressionResult['breuschPagan'], levels: readonly number[]): string {
  const test = ({ statistic, df, pValue }: typeof fitted) =>
    statistic === null || pValue === null ? 'not defined' : `χ²(${df}) = ${significant(statistic)}, ${pRelationText(pValue, levels)}`;
  const level = levels[0] ?? 0.05;
  const changes = [predictors, fitted].filter(({ pValue }) => pValue !== null && pValue <= level).length;
  const tests = `Breusch–Pagan (Koenker’s form): with the predictors ${test(predictors)}; with the fitted values ${test(fitted)}.`;
  if (fitted.pValue === null && predictors.pValue === null) return `${tests} The rows lie on the model, or nearly.`;
  if (changes === 0) return `${tests} No change of their spread was detected.`;
  return `${tests} Their spread changes${changes === 1 ? ' by one of the two' : ''}: standard errors and p are then only approximate.`;
}

/** How many residuals leave the band that normal samples stay in. */
export function quantileSentence({ sample, low, high }: RegressionResult['quantiles']): string {
  if (sample.length === 0) return '';
  const outside = sample.filter((value, i) => value < (low[i] ?? value) || value > (high[i] ?? value)).length;
  if (outside === 0)
    return 'All studentized residuals lie in the band that 95 of 100 normal samples of this size stay in: no departure from normality detected.';
  return `${outside.toLocaleString('en-GB')} of ${sample.length.toLocaleString('en-GB')} points ${outside === 1 ? 'lies' : 'lie'} outside the band that 95 of 100 normal samples of this size stay in: with few rows, p and intervals are then only approximate.`;
}

/** Rows that are fitted whatever their outcome. */
export function aloneSentence(rows: readonly ModelRow[]): string {
  const names = joined(rows.map(({ row, name }) => rowInWords(row, name)));
  const one = rows.length === 1;
  return `${names} ${one ? 'is' : 'are'} fitted whatever the outcome is (leverage 1), such as the only row of a level: a coefficient rests on ${one ? 'it' : 'each'} alone, and ${one ? 'it has' : 'they have'} no Cook’s distance.`;
}
