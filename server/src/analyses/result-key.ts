import { createHash } from 'node:crypto';
import type { Analysis, StudyState, Variable } from '@ivlen/contract';
import type { Table } from '../columns/columns';
import { moduleOf } from './analyses';
import { factsOf } from './analysis-columns';

/**
 * What a result hangs on: the versions of the columns it needs, the rows in use, what its kind looks at in the codebook, and
 * the request. A note, a hypothesis, a new name, undo and redo leave it as it is.
 * @param computedBy which build of the computing code makes results
 */
export function resultKey(table: Table, analysis: Analysis, needed: readonly Variable[], computedBy: string): string {
  const { looksAt, namesRows } = moduleOf(analysis);
  const restsOn = [
    computedBy,
    table.study,
    rowsOf(table.state),
    needed.map(({ id, version }) => [id, version]),
    looksAt ? factsOf(table.state, looksAt) : null,
    namesRows ? table.state.variables.filter(({ kind }) => kind === 'identifier').map(({ id, version }) => [id, version]) : null,
    analysis,
  ];
  return createHash('sha256').update(JSON.stringify(restsOn)).digest('hex');
}

/** Says which rows are in use: their version, or that all of the table's are. */
function rowsOf({ inUse }: StudyState): number | null {
  return inUse?.version ?? null;
}
