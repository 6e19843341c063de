import type { Variable } from '@ivlen/contract';
import { newVariable } from '../studies/new-variable';

/** What the variable is called that keeps the limits of another. */
export function limitName(name: string): string {
  return `${name} (limit)`;
}

/**
 * The variable that keeps, cell by cell, which limits stood among the numbers of another: what the numbers were read as can
 * be told from them afterwards, rows can be coloured or left out by them, and exports carry them along.
 * @param names names that are taken
 * @param texts the limits as they stood, such as "<0.5"
 * @returns it, and the other one with a note that it is there, and the highest limit of detection
 */
export function withLimitVariable(
  of: Variable,
  { id, version, names, texts }: { id: string; version: number; names: ReadonlySet<string>; texts: readonly string[] },
): { limit: Variable; noted: Variable } {
  let name = limitName(of.name);
  for (let copy = 2; names.has(name); copy++) name = `${of.name} (limit ${copy})`;
  const limit = newVariable({
    id,
    name,
    label: `Limit that stood in ${of.name} in place of a value`,
    kind: 'nominal',
    storage: 'code',
    note: `Missing where ${of.name} holds a value that was measured.`,
    version,
  });
  const note = [of.note, `The limits are kept in ${name}.`].filter(Boolean).join(' ');
  return { limit, noted: { ...of, note, detectionLimit: highestLimit(texts) } };
}

const BELOW = /^[<≤]\s*/;

/** The highest limit that values lie below; null where all texts tell limits of the other side. */
function highestLimit(texts: readonly string[]): number | null {
  const limits = texts.flatMap((text) => {
    if (!BELOW.test(text)) return [];
    const bare = text.replace(BELOW, '');
    const limit = Number.parseFloat(bare.includes('.') ? bare.replaceAll(',', '') : bare.replace(',', '.'));
    return Number.isFinite(limit) ? [limit] : [];
  });
  return limits.length === 0 ? null : limits.reduce((highest, limit) => Math.max(highest, limit));
}
