import { dot } from '../linear-algebra/dot';
import { orthonormal, withoutDirections } from '../regression/orthonormal';
import type { Way } from './ways';

export interface ShareOfChoices {
  readonly shares: readonly { readonly choice: number; readonly share: number }[];
  readonly together: number;
}

/**
 * Of the spread of the ways' z, the share of each choice: what R² of the additive model loses when the choice is left out;
 * the rest is choices together. Shares need not add up where not all combinations are there. A way that stands for several
 * options of a choice counts as a part of each. Ways without a z are left out; nothing is shared among fewer than two.
 * @param counts how many options each choice has
 */
export function shareOfChoices(ways: readonly Way[], counts: readonly number[]): ShareOfChoices {
  const known = ways.filter(({ z }) => Number.isFinite(z));
  const varying = counts.flatMap((count, choice) => (count > 1 ? [choice] : []));
  const centred = lessMean(Float64Array.from(known, ({ z }) => z));
  const whole = dot(centred, centred);
  if (known.length < 2 || !(whole > 0)) return { shares: varying.map((choice) => ({ choice, share: 0 })), together: 0 };
  const columns = new Map(varying.map((choice) => [choice, columnsOf(known, choice, counts[choice])]));
  const explained = (choices: readonly number[]) => {
    const rest = withoutDirections(centred, orthonormal(choices.flatMap((choice) => columns.get(choice) ?? [])));
    return 1 - dot(rest, rest) / whole;
  };
  const all = explained(varying);
  const shares = varying.map((choice) => ({ choice, share: Math.max(0, all - explained(varying.filter((other) => other !== choice))) }));
  const together = Math.max(0, 1 - shares.reduce((sum, { share }) => sum + share, 0));
  return { shares: shares.toSorted((a, b) => b.share - a.share), together };
}

/** A column for every option but the first, about its mean. */
function columnsOf(ways: readonly Way[], choice: number, count: number): Float64Array[] {
  return Array.from({ length: count - 1 }, (_, k) =>
    lessMean(Float64Array.from(ways, ({ options }) => (options[choice].includes(k + 1) ? 1 / options[choice].length : 0))),
  );
}

function lessMean(column: Float64Array): Float64Array {
  const mean = column.reduce((sum, value) => sum + value, 0) / column.length;
  return column.map((value) => value - mean);
}
