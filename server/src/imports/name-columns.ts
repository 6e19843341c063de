import type { ImportProblem, ImportSettings } from '@ivlen/contract';

/** Names for the columns: corrections first, then the header; empty and repeated names are made whole and reported. */
export function nameColumns(header: readonly string[], settings: ImportSettings): { names: string[]; problems: ImportProblem[] } {
  const problems: ImportProblem[] = [];
  const taken = new Set<string>();
  const names = header.map((text, column) => {
    const wanted = (settings.columns[column]?.name ?? text).slice(0, 190);
    const base = wanted === '' ? `column ${column + 1}` : wanted;
    let name = base;
    for (let copy = 2; taken.has(name.toLowerCase()); copy++) name = `${base} (${copy})`;
    taken.add(name.toLowerCase());
    if (wanted === '' && settings.header) {
      problems.push({
        severity: 'note',
        code: 'empty-name',
        column,
        mends: [],
        message: `Column ${column + 1} has no name; it is called “${name}”.`,
        hint: 'Give it a name over its column below.',
      });
    } else if (name !== base) {
      problems.push({
        severity: 'note',
        code: 'duplicate-name',
        column,
        mends: [],
        message: `Column ${column + 1} has the same name as another, “${base}”; it is called “${name}”.`,
        hint: 'Give it a name of its own over its column below.',
      });
    }
    return name;
  });
  return { names, problems };
}
