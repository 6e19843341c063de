import type { ShapeSettings } from '@ivlen/contract';

/** "skewness 2 or excess kurtosis 7", "1.96 standard errors of either". */
export function ruleInWords(rule: ShapeSettings['rule']): string {
  if (rule.kind === 'limits') return `skewness ${rule.skewness} or excess kurtosis ${rule.excessKurtosis}`;
  return `${rule.limit} standard errors of skewness or kurtosis`;
}
