import type { Variable } from '@ivlen/contract';
import type { NewStudy } from '../studies/create-study';
import type { ReadTable } from './read-table';

/** A study from a table as read: its kept columns with a first codebook. */
export function studyFromTable(name: string, source: string, { preview, columns }: ReadTable): NewStudy {
  const kept = preview.columns.map((column, i) => ({ column, data: columns[i] })).filter(({ column }) => !column.leftOut);
  const stored = kept.map(({ column, data }, i) => {
    if (!data) throw new Error(`column ${column.name} was described but not read`);
    const variable: Variable = {
      id: `v${i + 1}`,
      name: column.name,
      label: null,
      unit: null,
      kind: column.kind,
      storage: column.storage,
      decimals: null,
      role: null,
      highMeans: null,
      valueLabels: {},
      missingCodes: preview.settings.missingCodes,
      validRange: null,
      note: null,
      derivation: null,
    };
    const dictionary = column.storage === 'code' ? data.dictionary : null;
    return { variable, column: { variable: variable.id, values: data.values, dictionary } };
  });
  return {
    name,
    rowCount: preview.rows,
    summary: `Brought in from “${source}”: ${preview.rows} rows, ${stored.length} variables`,
    state: { variables: stored.map(({ variable }) => variable), rowMeaning: null, source, citation: null, exclusions: null },
    columns: stored.map(({ column }) => column),
  };
}
