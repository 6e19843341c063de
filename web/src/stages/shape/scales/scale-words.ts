import type { ScalesResult } from '@ivlen/contract';

const BECAUSE = {
  'values-not-positive': 'are 0 or less',
  'negative-values': 'are negative',
  'zeros-or-both-signs': 'are 0 or of the other sign',
} as const;

type Refused = ScalesResult['scales'][number]['refused'];

/** The amount that makes a refused scale possible, as short as it can be said; null where none does. */
export function servingShift(refused: Refused): number | null {
  return refused?.shift == null ? null : Number(refused.shift.toPrecision(6));
}

/** "3 values are 0 or less". */
export function refusalInWords(refused: Refused): string {
  if (!refused) return '';
  if (refused.because === 'no-variation') return refused.count === 1 ? 'there is one value only' : 'all values are the same';
  return `${refused.count.toLocaleString('en-GB')} ${refused.count === 1 ? 'value' : 'values'} ${BECAUSE[refused.because]}`;
}
