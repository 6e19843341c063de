import type { CorrelationSettings } from '@ivlen/contract';
import { decisiveP } from './cell-data';
import type { Matrix } from './matrix';
import { distinctPairs } from './tally';

/** So many of the strongest pairs are picked. */
const MOST_PICKED = 10;

/** Picked among many, a p by itself says little: it is adjusted after Holm where the study adjusts nothing. */
export function adjustedForPicking(settings: CorrelationSettings): CorrelationSettings {
  return settings.adjust === 'none' ? { ...settings, adjust: 'holm' } : settings;
}

/** The pairs with the largest coefficients among those that reach the first level by their adjusted p. */
export function strongestOf(matrix: Pick<Matrix, 'variables' | 'cell'>, { levels }: Pick<CorrelationSettings, 'levels'>) {
  const [alpha = 0.05] = levels;
  return distinctPairs(matrix)
    .filter((cell) => decisiveP(cell) <= alpha)
    .toSorted(bySize)
    .slice(0, MOST_PICKED);
}

/** The largest coefficient first, those that could not be computed last. */
export function bySize(a: { readonly coefficient: number }, b: { readonly coefficient: number }): number {
  const size = ({ coefficient }: { readonly coefficient: number }) => (Number.isNaN(coefficient) ? -1 : Math.abs(coefficient));
  return size(b) - size(a);
}
