/**
 * How many marks a p-value earns: one for each level that it reaches (p ≤ level), judged unrounded.
 * @param levels significance levels in any order
 *
 * @example
 * countMarks(0.004, [0.05, 0.01, 0.001]); // 2
 */
export function countMarks(p: number, levels: readonly number[]): number {
  return levels.filter((level) => p <= level).length;
}
