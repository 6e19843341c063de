import { levelsSchema } from '@ivlen/contract';
import { joined } from './coefficient-names';

/** .05 rather than 0.05, as levels are written. */
export function levelInWords(level: number): string {
  return String(level).replace(/^0\./, '.');
}

/** ".05, .01 and .001" */
export function levelsInWords(levels: readonly number[]): string {
  return joined(levels.map(levelInWords));
}

/** Reads levels as people type them: ".1; .05 .01", with decimal comma too where a semicolon or a space separates. */
export function readLevels(text: string): number[] | string {
  const pieces = text
    .trim()
    .split(/[;\s]+|,\s+|,(?=\s*\.)/)
    .filter(Boolean);
  const levels = [...new Set(pieces.map((piece) => Number(piece.replace(',', '.'))))].sort((a, b) => b - a);
  if (levels.length === 0) return 'Write one to three levels, such as .05 .01 .001.';
  if (levels.length > 3) return 'Three levels at most: four asterisks cannot be told apart.';
  const checked = levelsSchema.safeParse(levels);
  return checked.success ? levels : 'Each level is a number above 0 and below 1, such as .05.';
}
