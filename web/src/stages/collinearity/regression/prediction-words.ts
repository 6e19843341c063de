import type { CollinearityResult } from '@ivlen/contract';
import type { ModelPrediction } from '@ivlen/core';
import { joined } from '../../../coefficients/coefficient-names';
import { asMeasured, significant } from '../../../figures/as-measured';
import type { ModelTerm } from '../../../predictors/predictor-model';

/** "mayfly taxa = 12.3; the mean of such cases lies in [11.1, 13.5], a new case in [5.2, 19.4], each at 95 % (t, 234 df)." */
export function predictionInWords({ value, mean, newCase, df }: ModelPrediction, outcome: string, level: string): string {
  if (Number.isNaN(value)) return 'There is no prediction, since the regression is not determined.';
  if (!mean || !newCase)
    return `${outcome} = ${significant(value)}; the rows lie exactly on the model, so that nothing tells how sure that is.`;
  const limits = ({ low, high }: { low: number; high: number }) => `[${significant(low)}, ${significant(high)}]`;
  return `${outcome} = ${significant(value)}; the mean of such cases lies in ${limits(mean)}, a new case in ${limits(newCase)}, each at ${level} (t, ${df.toLocaleString('en-GB')} df).`;
}

/**
 * Values beyond those of the rows, each by itself or only together, where the model is a guess; an empty text where there are none.
 * @param leverage of the place, and the largest that a row has; null while that is not known
 */
export function outsideInWords(
  terms: readonly ModelTerm[],
  values: readonly (number | null)[],
  measured: CollinearityResult['measured'],
  { leverage, largest }: { readonly leverage: number; readonly largest: number | null },
): string {
  const out = terms.flatMap((term, k) => {
    const value = values[k] ?? null;
    const { min = null, max = null } = measured[term.columns[0] ?? -1] ?? {};
    if (term.as !== 'quantity' || value === null || !Number.isFinite(value) || min === null || max === null) return [];
    return value < min || value > max ? [`${term.name} (the rows run from ${asMeasured(min)} to ${asMeasured(max)})`] : [];
  });
  // A row's own values give its leverage again to rounding only.
  if (out.length === 0 && largest !== null && leverage > largest * (1 + 1e-9)) {
    return 'Each value was measured, but no row is so unusual in all of them together. There the model is a guess.';
  }
  return out.length === 0 ? '' : `Outside what was measured: ${joined(out)}. There the model is a guess.`;
}
