import type { JoinRowsBy, OneRowPer, Variable } from '@ivlen/contract';
import { inChunks } from '../columns/chunk-codec';
import type { NewColumn } from '../columns/column-repository';
import { type Columns, type Table, variableOf } from '../columns/columns';
import type { Database } from '../database/connect';
import { DomainError } from '../errors/domain-error';
import { countOf } from '../phrases/phrases';
import { selectAllSettings } from '../settings/settings-repository';
import { createStudy } from './create-study';
import { atFirstRevision } from './first-revision';
import { joinRows } from './join-rows';
import { getStudyAt } from './study-repository';

const LONGEST_STEM = 80;
const BY: Readonly<Record<JoinRowsBy, string>> = {
  mean: 'means of',
  max: 'largest values of',
  min: 'smallest values of',
  first: 'the first of',
  last: 'the last of',
};

/** Makes a new study of the rows in use, with one row for each value of an identifier. @returns its id */
export async function oneRowPer(database: Database, columns: Columns, id: string, { revision, variable, by }: OneRowPer): Promise<string> {
  const study = await getStudyAt(database, id, revision);
  const table: Table = { study: id, rows: study.rows, state: study.state };
  const identifier = variableOf(table, variable);
  const groups = groupRows(await columns.used(database, table, variable));
  if (groups.length === 0) {
    throw new DomainError('nothing-identified', `No row in use has a value of ${identifier.name}.`, {
      where: identifier.name,
      hint: 'Choose another identifier.',
    });
  }
  const joined: NewColumn[] = [];
  const variables: Variable[] = [];
  for (const item of study.state.variables) {
    if (item.derivation) {
      variables.push(item);
      continue;
    }
    const values = joinRows(
      await columns.used(database, table, item.id),
      groups,
      item.storage === 'number' || by === 'first' || by === 'last' ? by : 'same',
    );
    variables.push(described(item, values, by));
    joined.push({
      variable: item.id,
      dictionary: item.storage === 'code' ? await columns.dictionary(database, table, item.id) : null,
      chunks: () => inChunks(values),
    });
  }
  const several = groups.filter((rows) => rows.length > 1).length;
  return createStudy(database, {
    name: `${study.name.slice(0, LONGEST_STEM)}, one row per ${identifier.name.replaceAll('_', ' ')}`.slice(0, 120),
    rowCount: groups.length,
    kind: 'joined',
    summary: `One row per ${identifier.name} from “${study.name}”: ${BY[by]} the rows of each; ${countOf(several, 'of them has', 'of them have')} several rows`,
    state: {
      ...atFirstRevision(study.state),
      variables: atFirstRevision({ ...study.state, variables }).variables,
      rowMeaning: `one ${identifier.name.replaceAll('_', ' ')}`,
      setAside: null,
      subset: null,
      inUse: null,
      accepted: [],
    },
    columns: joined,
    settings: await selectAllSettings(database, id),
  });
}

/** Places of the rows with each value, in order of first appearance; rows without one are left out. */
function groupRows(values: Float64Array): number[][] {
  const groups = new Map<number, number[]>();
  for (const [row, value] of values.entries()) {
    if (value !== value) continue;
    const group = groups.get(value);
    if (group) group.push(row);
    else groups.set(value, [row]);
  }
  return [...groups.values()];
}

/** Means of counts are no counts, and need a decimal more to be shown. */
function described(variable: Variable, values: Float64Array, by: JoinRowsBy): Variable {
  // What stood for missing is missing in the values that were joined.
  const plain = { ...variable, missingCodes: [] };
  if (by !== 'mean' || variable.storage !== 'number' || values.every((value) => value !== value || Number.isInteger(value))) return plain;
  const kind = variable.kind === 'discrete' || variable.kind === 'ordinal' ? 'continuous' : variable.kind;
  return { ...plain, kind, decimals: variable.decimals === null ? null : Math.min(10, variable.decimals + 1) };
}
