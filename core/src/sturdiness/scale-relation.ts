import { sortOrder } from '../ranks/sort-order';

/** How a scale stands to the values it is made of. */
export interface ScaleRelation {
  /** −1 where it falls as they rise, so that signs are turned back before they are compared; else 1. */
  readonly sign: 1 | -1;
  /** Whether ranks are the same on it, or the same turned round. */
  readonly keepsRanks: boolean;
}

/**
 * Compares a scale with the raw values, over the rows that have both.
 *
 * @example
 * scaleRelation(Float64Array.of(1, 2, 4), Float64Array.of(1, 0.5, 0.25)); // { sign: -1, keepsRanks: true }
 */
export function scaleRelation(raw: Float64Array, scale: Float64Array): ScaleRelation {
  const rows = Uint32Array.from(raw.keys()).filter((row) => raw[row] === raw[row] && scale[row] === scale[row]);
  const order = sortOrder(Float64Array.from(rows, (row) => raw[row]));
  let [rises, falls, unlike] = [0, 0, 0];
  for (let k = 1; k < order.length; k++) {
    const [before, row] = [rows[order[k - 1]], rows[order[k]]];
    const step = scale[row] - scale[before];
    if (step > 0) rises++;
    else if (step < 0) falls++;
    // Equal on one side only: the ties differ, and with them the ranks.
    if ((step === 0) !== (raw[row] === raw[before])) unlike++;
  }
  const monotone = rises === 0 || falls === 0;
  return { sign: falls > 0 && rises === 0 ? -1 : 1, keepsRanks: monotone && unlike === 0 };
}
