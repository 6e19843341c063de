import { type Analysis, type CautionsResult, methodForPair, sourcesOf, type Variable } from '@ivlen/contract';
import { pairCautions } from '@ivlen/core';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { figure } from './figures';
import type { Tell } from './tell';

/** What a reader should know about each coefficient among some variables. */
export function cautionsOf(request: Extract<Analysis, { kind: 'cautions' }>, columns: AnalysisColumns, tell: Tell): CautionsResult {
  const { variables, method, byVariable, shapeRule, alpha } = request;
  const places = usedPlaces(request, columns);
  const rowsInUse = columns.values[0]?.length ?? 0;
  const column = (id: string) => {
    const values = columnOf(columns, id);
    return places ? Float64Array.from(places, (place) => values[place] ?? Number.NaN) : values;
  };
  const values = variables.map(column);
  const groups = request.groupBy === null ? null : column(request.groupBy);
  const identifierRepeats = columns.state.variables.some(
    ({ id, kind }) => kind === 'identifier' && columns.variables.includes(id) && repeats(columnOf(columns, id)),
  );
  const codebook = new Map(columns.state.variables.map((variable) => [variable.id, variable]));
  const components = variables.map((id) => componentsOf(id, codebook));
  const total = (variables.length * (variables.length - 1)) / 2;
  const pairs: CautionsResult['pairs'] = [];
  for (let i = 0, done = 0; i < variables.length; i++) {
    for (let j = 0; j < i; j++) {
      const [a, b] = [variables[j] ?? '', variables[i] ?? ''];
      const own = [...(components[i] ?? [])];
      const cautions = pairCautions(values[j] ?? new Float64Array(0), values[i] ?? new Float64Array(0), {
        method: methodForPair(method, byVariable, a, b),
        rowsInUse,
        shapeRule,
        alpha,
        ordinal: [a, b].some((id) => codebook.get(id)?.kind === 'ordinal'),
        sharesComponent: own.some((id) => components[j]?.has(id)),
        identifierRepeats,
        ...(groups && request.groupBy !== a && request.groupBy !== b ? { groups } : {}),
      });
      if (cautions.length > 0)
        pairs.push({ a, b, cautions: cautions.map((caution) => ({ ...caution, figures: asData(caution.figures) })) });
      tell(++done, total);
    }
  }
  return { kind: 'cautions', pairs };
}

/** Under listwise deletion the places of the rows complete for all; null for all rows in use. */
function usedPlaces(
  { variables, completeFor, missing }: Extract<Analysis, { kind: 'cautions' }>,
  columns: AnalysisColumns,
): Uint32Array | null {
  if (missing === 'pairwise') return null;
  const needed = [...new Set([...variables, ...completeFor])].map((id) => columnOf(columns, id));
  return Uint32Array.from((needed[0] ?? new Float64Array(0)).keys()).filter((place) => needed.every((of) => of[place] === of[place]));
}

/** A variable and all that it is computed from. */
function componentsOf(id: string, codebook: ReadonlyMap<string, Variable>, found = new Set<string>()): Set<string> {
  if (found.has(id)) return found;
  found.add(id);
  const derivation = codebook.get(id)?.derivation;
  for (const source of derivation ? sourcesOf(derivation) : []) componentsOf(source, codebook, found);
  return found;
}

function repeats(values: Float64Array): boolean {
  const seen = new Set<number>();
  return values.some((value) => value === value && (seen.has(value) || !seen.add(value)));
}

function asData(figures: Readonly<Record<string, number>>): Record<string, number | null> {
  return Object.fromEntries(Object.entries(figures).map(([name, value]) => [name, figure(value)]));
}
