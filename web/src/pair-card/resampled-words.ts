import type { RequestOf, ResampleResult } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { percent } from '../coefficients/cell-data';
import { fineIntervalText, pText } from '../numbers/number-text';

/** What drawing samples gave, with how many and by which seed. */
export function resampledInWords(
  { what, times, seed, interval, intervalKind, pValue, asExtreme, n }: ResampleResult,
  { method, level }: RequestOf<'resample'>,
): string {
  const { symbol } = COEFFICIENTS[method];
  const drawn = `${times.toLocaleString('en-GB')} ${what === 'bootstrap' ? 'samples of the rows' : 'permutations'}, seed ${seed}, n = ${n}`;
  if (what === 'bootstrap') {
    if (!interval) return `No interval: in too many samples a variable did not vary (${drawn}).`;
    const kind = intervalKind === 'bca' ? 'BCa' : 'percentile';
    return `${percent(level)} bootstrap interval (${kind}) of ${symbol}: ${fineIntervalText(interval.low, interval.high)}; ${drawn}.`;
  }
  if (pValue === null) return 'No test: a variable does not vary.';
  return `Permutation test of independence: p = ${pText(pValue)}; ${asExtreme?.toLocaleString('en-GB')} of ${drawn} were at least as extreme as ${symbol}.`;
}
