/**
 * How many marks a p-value earns: one for each level that it reaches (p ≤ level), judged unrounded.
 * @param levels significance levels in any order
 */
export function countMarks(p: number, levels: readonly number[]): number {
  return levels.filter((level) => p <= level).length;
}
