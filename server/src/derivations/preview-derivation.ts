import { canBeCorrelated, type Definition, type DerivationPreview, sourcesOf } from '@ivlen/contract';
import { describe, histogram } from '@ivlen/core';
import { finiteOrNull } from '../analyses/finite-or-null';
import { type Columns, type Table, variableOf } from '../columns/columns';
import type { Connection } from '../database/connect';
import { writtenValue } from '../rows/written-value';
import { groupLabels } from './group-labels';
import { resolveDefinition } from './resolve-definition';

const ROWS_SHOWN = 8;
const UNDEFINED_NAMED = 5;
const BINS = 24;

/** What a definition would give, before anything of it is stored. */
export async function previewDerivation(
  db: Connection,
  columns: Columns,
  table: Table,
  definition: Definition,
): Promise<DerivationPreview> {
  const derivation = resolveDefinition(table.state, definition);
  const { values, dictionary, missing, undefinedRows } = await columns.compute(db, table, { derivation });
  const sources = await Promise.all(
    sourcesOf(derivation).map(async (id) => ({
      variable: variableOf(table, id),
      values: await columns.values(db, table, id),
      dictionary: await columns.dictionary(db, table, id),
    })),
  );
  const labels = groupLabels(derivation);
  const written = (value: number) =>
    dictionary ? writtenValue(value, { storage: 'code' }, dictionary) : (labels[value] ?? finiteOrNull(value));
  return {
    sources: sources.map(({ variable }) => variable.name),
    rows: Array.from({ length: Math.min(ROWS_SHOWN, table.rows) }, (_, row) => ({
      number: row + 1,
      sources: sources.map((source) => {
        const value = source.values[row] ?? Number.NaN;
        return source.variable.storage === 'number' ? finiteOrNull(value) : writtenValue(value, source.variable, source.dictionary);
      }),
      result: written(values[row] ?? Number.NaN),
    })),
    computed: table.rows - missing - undefinedRows.length,
    missing,
    undefinedCount: undefinedRows.length,
    undefinedRows: undefinedRows.slice(0, UNDEFINED_NAMED).map((row) => row + 1),
    before: sources.filter(({ variable }) => canBeCorrelated(variable)).map(({ variable, values: x }) => shapeOf(variable.name, x)),
    after: dictionary ? null : shapeOf(definition.name, values),
  };
}

function shapeOf(name: string, x: Float64Array): NonNullable<DerivationPreview['after']> {
  const { n, skewness } = describe(x);
  return { name, n, skewness: finiteOrNull(skewness), bins: [...histogram(x, { bins: BINS }).counts] };
}
