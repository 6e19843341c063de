import { type ImportColumn, type ImportPreview, NO_REMEDIES, type StudyState, type Variable } from '@ivlen/contract';
import { CHUNK_ROWS, inChunks } from '../columns/chunk-codec';
import { withLimitVariable } from '../limits/limit-variable';
import { limitCodes, type ToldLimits } from '../limits/told-limits';
import { countOf } from '../phrases/phrases';
import type { NewStudy } from '../studies/create-study';
import { FIRST_REVISION } from '../studies/first-revision';
import { newVariable } from '../studies/new-variable';
import { type ColumnBlocks, stretches } from './column-blocks';
import { decisionsInWords } from './decisions-in-words';

/** Where the values of a table that was read are. */
export interface TableValues {
  readonly blocks: ColumnBlocks;
  readonly dictionaries: readonly (readonly string[])[];
  readonly limits: readonly ToldLimits[];
}

type DescribedTable = Pick<ImportPreview, 'settings' | 'rows' | 'columns' | 'fileName'>;

/** A study from a table as read: its kept columns with a first codebook. */
export function studyFromTable(name: string, { settings, rows, columns, fileName }: DescribedTable, values: TableValues): NewStudy {
  const kept = columns.map((column, at) => ({ column, at })).filter(({ column }) => !column.leftOut);
  const stored = kept.map(({ column, at }, i) => ({
    variable: newVariable({ ...entryOf(column), id: `v${i + 1}`, missingCodes: settings.missingCodes, version: FIRST_REVISION }),
    dictionary: column.storage === 'code' ? (values.dictionaries[at] ?? []) : null,
    chunks: () => stretches(values.blocks, at, rows, CHUNK_ROWS),
  }));
  const names = new Set(kept.map(({ column }) => column.name));
  const all = stored.flatMap((column, i) => {
    const limits = values.limits[kept[i]?.at ?? -1];
    if (!limits || limits.rows.length === 0) return [column];
    const { limit, noted } = withLimitVariable(column.variable, {
      id: `${column.variable.id}-limit`,
      version: FIRST_REVISION,
      names,
      texts: limits.texts,
    });
    return [
      { ...column, variable: noted },
      { variable: limit, dictionary: limits.texts, chunks: () => inChunks(limitCodes(limits, rows)) },
    ];
  });
  const limitNames = all.filter(({ variable }) => !names.has(variable.name)).map(({ variable }) => variable.name);
  return {
    name,
    rowCount: rows,
    summary: [
      `Brought in from “${fileName}”: ${countOf(rows, 'row')}, ${countOf(stored.length, 'variable')}`,
      ...decisionsInWords(settings, columns),
      ...(limitNames.length > 0 ? [`limits kept in ${limitNames.join(', ')}`] : []),
    ].join('; '),
    state: newState(
      all.map(({ variable }) => variable),
      fileName,
    ),
    columns: all.map(({ variable, ...column }) => ({ ...column, variable: variable.id })),
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
    remedies: NO_REMEDIES,
    leftOut: [],
    pairNotes: {},
    questions: [],
  };
}

/** What the file tells of a column. */
function entryOf({ name, kind, storage, unit, note }: ImportColumn): Pick<ImportColumn, 'name' | 'kind' | 'storage' | 'unit' | 'note'> {
  return { name, kind, storage, unit, note };
}
