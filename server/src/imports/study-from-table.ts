import type { ImportColumn, ImportPreview, StudyState, Variable } from '@ivlen/contract';
import { CHUNK_ROWS } from '../columns/chunk-codec';
import { countOf } from '../phrases/phrases';
import type { NewStudy } from '../studies/create-study';
import { FIRST_REVISION } from '../studies/first-revision';
import { type ColumnBlocks, stretches } from './column-blocks';
import { decisionsInWords } from './decisions-in-words';

/** Where the values of a table that was read are. */
export interface TableValues {
  readonly blocks: ColumnBlocks;
  readonly dictionaries: readonly (readonly string[])[];
}

type DescribedTable = Pick<ImportPreview, 'settings' | 'rows' | 'columns' | 'fileName'>;

/** A study from a table as read: its kept columns with a first codebook. */
export function studyFromTable(name: string, { settings, rows, columns, fileName }: DescribedTable, values: TableValues): NewStudy {
  const kept = columns.map((column, at) => ({ column, at })).filter(({ column }) => !column.leftOut);
  const stored = kept.map(({ column, at }, i) => ({
    variable: variableOf(`v${i + 1}`, column, settings.missingCodes),
    dictionary: column.storage === 'code' ? (values.dictionaries[at] ?? []) : null,
    chunks: () => stretches(values.blocks, at, rows, CHUNK_ROWS),
  }));
  return {
    name,
    rowCount: rows,
    summary: [
      `Brought in from “${fileName}”: ${countOf(rows, 'row')}, ${countOf(stored.length, 'variable')}`,
      ...decisionsInWords(settings, columns),
    ].join('; '),
    state: newState(
      stored.map(({ variable }) => variable),
      fileName,
    ),
    columns: stored.map(({ variable, ...column }) => ({ ...column, variable: variable.id })),
  };
}

/** The first codebook entry of a column. */
function variableOf(id: string, { name, kind, storage, unit, note }: ImportColumn, missingCodes: string[]): Variable {
  return {
    id,
    name,
    label: null,
    unit,
    kind,
    storage,
    decimals: null,
    role: null,
    highMeans: null,
    valueLabels: {},
    missingCodes,
    validRange: null,
    note,
    derivation: null,
    version: FIRST_REVISION,
  };
}

function newState(variables: Variable[], source: string): StudyState {
  return {
    variables,
    rowMeaning: null,
    source,
    citation: null,
    exclusions: null,
    rowsChosen: null,
    setAside: null,
    subset: null,
    namedSubsets: [],
    inUse: null,
    accepted: [],
    pairMethods: {},
    pairNotes: {},
    questions: [],
  };
}
