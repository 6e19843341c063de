import type { CautionCode } from '@ivlen/core';
import type { GridCellData } from '../../../coefficients/cell-data';

/** Cautions that are about what a scatterplot looks like, in the order in which they are said. */
const SEEN: Partial<Record<CautionCode, string>> = {
  'fan-shaped': 'spreading wider at one end',
  'one-point': 'carried by one outlying row',
  'groups-reverse': 'the other way inside the groups',
  'groups-hide': 'hidden by the groups',
  'groups-differ': 'different in the groups',
  ties: 'many tied values',
};
const FLAT = 0.1;

/**
 * What the points of a pair look like: "rising, curved, carried by one outlying row".
 * @param curved whether they bend; null where that was not looked for
 */
export function patternWords(cell: GridCellData, curved: boolean | null): string {
  if (cell.because || Number.isNaN(cell.coefficient)) return '';
  const isFlat = Math.abs(cell.coefficient) < FLAT;
  const direction = isFlat ? 'neither rising nor falling' : cell.coefficient > 0 ? 'rising' : 'falling';
  const bend = curved === null ? [] : curved ? ['curved'] : isFlat ? [] : ['about straight'];
  const codes = new Set(cell.cautions.map(({ code }) => code));
  const seen = Object.entries(SEEN).flatMap(([code, words]) => (codes.has(code as CautionCode) ? [words] : []));
  return [direction, ...bend, ...seen].join(', ');
}

/** Whether the points bend, by the caution of the pair. @param known whether cautions were looked for */
export function isCurved(cell: GridCellData, known: boolean): boolean | null {
  return known ? cell.cautions.some(({ code }) => code === 'curved') : null;
}
