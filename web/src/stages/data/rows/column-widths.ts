import type { Variable } from '@ivlen/contract';
import { displayName } from '../../../study/variable-name';

/** About the width of a letter of a name, and what stands beside it, in pixels. */
const [LETTER, BESIDE] = [7.7, 34];
export const COLUMN_WIDTH = { usual: 116, widest: 230 };

/** Columns as wide as their names need, between the usual width and a widest one; wider ones only as far as there is room. @param room for all of them */
export function columnWidths(variables: readonly Pick<Variable, 'name'>[], room: number): number[] {
  const { usual, widest } = COLUMN_WIDTH;
  const needed = variables.map((variable) => Math.min(widest, Math.max(usual, Math.ceil(displayName(variable).length * LETTER + BESIDE))));
  const wanted = needed.reduce((sum, width) => sum + width - usual, 0);
  const free = room - usual * variables.length;
  // Where the table has to be scrolled anyway, a name may as well be read.
  const share = free <= 0 || wanted === 0 ? 1 : Math.min(1, free / wanted);
  return needed.map((width) => Math.floor(usual + (width - usual) * share));
}
