import { isFitted, type StudyState, sourcesOf, subsetVariables, type Variable } from '@ivlen/contract';
import type { AppliedChange, ChangeContext } from './applied-change';

/** Brings up to date what follows from a change: versions of derived variables, and how many rows are in use. */
export async function settle({ db, table, columns, number }: ChangeContext, { state, rowCount }: AppliedChange): Promise<StudyState> {
  const settled = { ...state, variables: settleVersions(state) };
  const { setAside, subset, inUse } = settled;
  if (!setAside && !subset) return { ...settled, inUse: null };
  const subsetChanged =
    JSON.stringify(subset) !== JSON.stringify(table.state.subset) ||
    (subset !== null && subsetVariables(subset).some((id) => settled.variables.find((variable) => variable.id === id)?.version === number));
  if (inUse && !subsetChanged && setAside?.version !== number && rowCount === undefined) return settled;
  const rows = await columns.findRowsInUse(db, { ...table, rows: rowCount ?? table.rows, state: settled });
  return { ...settled, inUse: { rows: rows.length, version: number } };
}

/** A derived variable changes whenever one of its sources does. */
function settleVersions({ variables, setAside }: StudyState): Variable[] {
  const settled = new Map<string, number>();
  const versionOf = (id: string): number => {
    const known = settled.get(id);
    if (known !== undefined) return known;
    const variable = variables.find((item) => item.id === id);
    if (!variable) return 0;
    const { derivation, version } = variable;
    const sources = derivation ? sourcesOf(derivation).map(versionOf) : [];
    const fitted = derivation && isFitted(derivation) ? (setAside?.version ?? 0) : 0;
    const newest = sources.reduce((a, b) => Math.max(a, b), Math.max(version, fitted));
    settled.set(id, newest);
    return newest;
  };
  return variables.map((variable) => ({ ...variable, version: versionOf(variable.id) }));
}
