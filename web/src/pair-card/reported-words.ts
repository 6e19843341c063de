import type { CorrelationSettings } from '@ivlen/contract';
import { COEFFICIENTS, compareIndependent, formatFixed, type Method, testAgainst } from '@ivlen/core';
import { percent } from '../coefficients/cell-data';
import { coefficientText, intervalText, pRelationText } from '../numbers/number-text';

interface Comparison {
  readonly method: Method;
  readonly settings: Pick<CorrelationSettings, 'level' | 'levels'>;
  readonly coefficient: number;
  readonly n: number;
  readonly reported: number;
  /** null where it is taken as a known value. */
  readonly reportedN: number | null;
}

/** A coefficient against one that another study reported, in a sentence. */
export function againstReported({ method, settings: { level, levels }, coefficient, n, reported, reportedN }: Comparison): string {
  const { symbol } = COEFFICIENTS[method];
  if (reportedN === null) {
    const { z, pValue } = testAgainst({ coefficient, n }, reported, { method, level });
    return `Whether the population’s ${symbol} is ${coefficientText(reported)}, taken as a known value: z = ${formatFixed(z, 3)}, ${pRelationText(pValue, levels)}, two-sided.`;
  }
  const samples = [
    { coefficient, n },
    { coefficient: reported, n: reportedN },
  ] as const;
  const { z, pValue, interval, cohensQ } = compareIndependent(samples, { method, level });
  if (Number.isNaN(z)) return 'One of the samples is too small to be compared, or a coefficient is exactly ±1.';
  const limits = interval
    ? `; difference ${formatFixed(coefficient - reported, 2)}, ${percent(level)} interval ${intervalText(interval.low, interval.high)}`
    : '';
  return `${coefficientText(coefficient)} (n = ${n}) against ${coefficientText(reported)} (n = ${reportedN}): z = ${formatFixed(z, 3)}, ${pRelationText(pValue, levels)}, two-sided${limits}; Cohen’s q = ${formatFixed(cohensQ, 2)}. The samples are taken as independent.`;
}
