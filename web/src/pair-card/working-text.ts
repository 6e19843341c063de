import type { CorrelationSettings, PairTest } from '@ivlen/contract';
import { COEFFICIENTS, formatFullP, type Method } from '@ivlen/core';
import { displayName } from '../study/variable-name';
import type { IntervalStep } from './interval-steps';
import type { Pair } from './use-pair-selection';

export interface WorkingFacts {
  readonly pair: Pair;
  readonly method: Method;
  readonly test: PairTest;
  readonly alternative: CorrelationSettings['alternative'];
  /** How many variables are held constant. */
  readonly held: number;
  readonly df: number;
  readonly steps: readonly IntervalStep[];
  /** The smallest coefficient that would be found; NaN where that is not known. */
  readonly detectable: number;
  readonly alpha: number;
}

/** The working with all digits, a step on each line, so that the result can be redone by hand. */
export function workingAsText({ pair, method, test, alternative, held, df, steps, detectable, alpha }: WorkingFacts): string {
  const { name, symbol } = COEFFICIENTS[method];
  const { coefficient, n, pValue, log10P, statistic, pMethod } = test;
  const sided = alternative === 'two-sided' ? 'two-sided' : `one-sided (${alternative === 'greater' ? 'positive' : 'negative'})`;
  const p = pValue === null ? null : pValue > 0 ? digits(pValue) : formatFullP(pValue, log10P ?? Number.NEGATIVE_INFINITY);
  const lines = [
    `${name} of ${displayName(pair.x)} and ${displayName(pair.y)}`,
    `n = ${n}`,
    coefficient === null ? null : `${symbol} = ${digits(coefficient)}`,
    statistic && pMethod === 't' && coefficient !== null
      ? `t = ${symbol} · √(n − 2${held > 0 ? ` − ${held}` : ''}) / √(1 − ${symbol}²) = ${digits(coefficient)} · √${df} / √(1 − ${digits(coefficient ** 2)}) = ${digits(statistic.value)}, ${df} degrees of freedom`
      : null,
    statistic && pMethod === 'normal'
      ? `z = ${digits(statistic.value)}, from the normal distribution, its variance corrected for ties`
      : null,
    p === null ? null : `p, ${sided}${pMethod === 'exact' ? ', exact over all orders' : ''} = ${p}`,
    ...steps.map(({ words, exact }) => `${words} = ${digits(exact)}`),
    Number.isFinite(detectable)
      ? `Smallest ${COEFFICIENTS[method].ofRanks ? 'r' : symbol} found at ${digits(alpha)} with a power of 0.8 = ${digits(detectable)}`
      : null,
  ];
  return lines.filter((line) => line !== null).join('\n');
}

/** Every digit that a number has, with a true minus. */
function digits(value: number): string {
  return String(value).replaceAll('-', '−');
}
