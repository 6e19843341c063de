import {
  type CorrelationResult,
  type CorrelationSettings,
  type PairCaution,
  pairKey,
  type Remedies,
  type Study,
  type Variable,
} from '@ivlen/contract';
import { adjustPValues, clusterOrder, type Method } from '@ivlen/core';
import { displayName } from '../study/variable-name';
import type { GridCellData } from './cell-data';

/** The coefficients on screen, by every method chosen, in the order chosen. */
export interface Matrix {
  readonly variables: readonly Variable[];
  /** Those whose coefficients are there. */
  readonly methods: readonly Method[];
  /** Whether those of every method chosen are there. */
  readonly complete: boolean;
  cell(row: Variable, column: Variable): GridCellData;
  /** The cell by one of the methods chosen; undefined while its coefficients are not there, or of other variables. */
  cellBy(method: Method, row: Variable, column: Variable): GridCellData | undefined;
}

/** A result with its adjusted p-values and the places of its variables. */
interface Table {
  readonly result: CorrelationResult;
  readonly adjusted: Float64Array | null;
  readonly places: ReadonlyMap<string, number>;
}

/** The family is the distinct pairs with a p, by the method. */
function tableOf(result: CorrelationResult, adjust: CorrelationSettings['adjust']): Table {
  const size = result.variables.length;
  const places = new Map(result.variables.map((id, i) => [id, i]));
  if (adjust === 'none') return { result, adjusted: null, places };
  const below = Array.from({ length: size * size }, (_, at) => at).filter((at) => at % size < Math.floor(at / size));
  const family = adjustPValues(
    below.map((at) => result.pValue[at] ?? Number.NaN),
    adjust,
  );
  const adjusted = new Float64Array(size * size).fill(Number.NaN);
  below.forEach((at, k) => {
    const p = family[k] ?? Number.NaN;
    adjusted[at] = p;
    adjusted[(at % size) * size + Math.floor(at / size)] = p;
  });
  return { result, adjusted, places };
}

/**
 * @param wanted variables in the order of the working set
 * @param results one for each method, undefined while it is not there; the first must be
 * @param cautions by pair; undefined while they are not known
 */
export function buildMatrix(
  study: Study,
  wanted: readonly Variable[],
  results: readonly (CorrelationResult | undefined)[],
  { methods, order, adjust }: Pick<CorrelationSettings, 'methods' | 'order' | 'adjust'>,
  cautions: ReadonlyMap<string, readonly PairCaution[]> | undefined,
): Matrix {
  const tables = results.map((result) => result && tableOf(result, adjust));
  const main = tables[0];
  if (!main) throw new Error('a matrix needs a result');
  // For a moment after a change the variables are still the previous ones.
  const known = wanted.filter(({ id }) => main.places.has(id));
  const shown =
    known.length === main.places.size
      ? known
      : main.result.variables.flatMap((id) => study.state.variables.filter((item) => item.id === id));
  const ordered = inOrder(shown, main, order);
  // A cell is asked for whenever something about the grid changes; it is made once.
  const made = new Map<string, GridCellData | undefined>();
  const cell = (k: number, row: Variable, column: Variable) => {
    const key = `${k}.${row.id}.${column.id}`;
    const found = made.get(key) ?? cellOf(tables, k, row, column, cautions, study.state.remedies);
    made.set(key, found);
    return found;
  };
  return {
    variables: ordered,
    methods: methods.filter((_, k) => tables[k] !== undefined),
    complete: methods.every((_, k) => tables[k] !== undefined && ordered.every(({ id }) => tables[k]?.places.has(id))),
    cell: (row, column) => {
      const found = cell(0, row, column);
      if (!found) throw new Error('a cell of the first method needs its result');
      return found;
    },
    cellBy: (method, row, column) => cell(methods.indexOf(method), row, column),
  };
}

function inOrder(variables: readonly Variable[], { result, places }: Table, order: CorrelationSettings['order']): readonly Variable[] {
  if (order === 'name') return variables.toSorted((a, b) => displayName(a).localeCompare(displayName(b)));
  if (order === 'listed' || variables.length < 3) return variables;
  const size = result.variables.length;
  const at = variables.map(({ id }) => places.get(id) ?? 0);
  const coefficients = Float64Array.from(at.flatMap((i) => at.map((j) => result.coefficient[i * size + j] ?? Number.NaN)));
  return clusterOrder(coefficients).flatMap((i) => variables[i] ?? []);
}

/** Whether a remedy was carried out, and whether for this pair alone. */
function remediedOf(is: boolean, row: Variable, column: Variable, { pairs }: Remedies): GridCellData['remedied'] {
  if (!is) return null;
  return Object.hasOwn(pairs, pairKey(row.id, column.id)) ? 'by-itself' : 'as-all';
}

const NO_CAUTIONS: readonly PairCaution[] = [];

/** Where a pair stands in a result; undefined where the result is of other variables, as for a moment after a change. */
function placeOf({ result, places }: Table, row: Variable, column: Variable): number | undefined {
  const [i, j] = [places.get(row.id), places.get(column.id)];
  return i === undefined || j === undefined ? undefined : i * result.variables.length + j;
}

function cellOf(
  tables: readonly (Table | undefined)[],
  k: number,
  row: Variable,
  column: Variable,
  cautions: ReadonlyMap<string, readonly PairCaution[]> | undefined,
  remedies: Remedies,
): GridCellData | undefined {
  const table = tables[k];
  const at = table && placeOf(table, row, column);
  if (!table || at === undefined) return undefined;
  const { result, adjusted } = table;
  const next = tables[k === 0 ? 1 : 0];
  const secondAt = next && placeOf(next, row, column);
  const second = secondAt === undefined ? undefined : next;
  return {
    row,
    column,
    method: result.methods[at] ?? 'pearson',
    ownMethod: result.methods[at] !== result.methods[0],
    coefficient: result.coefficient[at] ?? Number.NaN,
    p: result.pValue[at] ?? Number.NaN,
    adjustedP: adjusted?.[at] ?? Number.NaN,
    log10P: result.log10P[at] ?? Number.NEGATIVE_INFINITY,
    n: result.n[at] ?? 0,
    low: result.low[at] ?? Number.NaN,
    high: result.high[at] ?? Number.NaN,
    because: result.undefinedBecause[at] ?? null,
    remedied: remediedOf(result.remedied[at] ?? false, row, column, remedies),
    second: second?.result.coefficient[secondAt ?? -1] ?? Number.NaN,
    secondMethod: second?.result.methods[0] ?? null,
    secondP: second?.result.pValue[secondAt ?? -1] ?? Number.NaN,
    secondAdjustedP: second?.adjusted?.[secondAt ?? -1] ?? Number.NaN,
    cautions: cautions?.get(pairKey(row.id, column.id)) ?? NO_CAUTIONS,
  };
}
