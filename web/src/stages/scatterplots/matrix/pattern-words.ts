import type { CautionCode } from '@ivlen/core';
import type { GridCellData } from '../../correlations/grid-cell-data';

/** Cautions that are about what a scatterplot looks like, in the order in which they are said. */
const SEEN: Partial<Record<CautionCode, string>> = {
  curved: 'curved',
  'fan-shaped': 'spreading wider at one end',
  'one-point': 'carried by one outlying row',
  'groups-reverse': 'the other way inside the groups',
  'groups-hide': 'hidden by the groups',
  'groups-differ': 'different in the groups',
  ties: 'many tied values',
};
const FLAT = 0.1;

/**
 * What the points of a pair look like: "rising, curved". @param sought whether cautions were looked for; without, straightness
 * is not said
 */
export function patternWords(cell: GridCellData, sought = true): string {
  if (cell.because || Number.isNaN(cell.coefficient)) return '';
  const direction = Math.abs(cell.coefficient) < FLAT ? 'neither rising nor falling' : cell.coefficient > 0 ? 'rising' : 'falling';
  const codes = new Set(cell.cautions.map(({ code }) => code));
  const seen = Object.entries(SEEN).flatMap(([code, words]) => (codes.has(code as CautionCode) ? [words] : []));
  const straight = sought && !codes.has('curved') && Math.abs(cell.coefficient) >= FLAT ? ['about straight'] : [];
  return [direction, ...straight, ...seen].join(', ');
}
