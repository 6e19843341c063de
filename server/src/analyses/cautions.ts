import { type CautionsResult, methodForPair, type PairCaution, type RequestOf } from '@ivlen/contract';
import { type Caution, pairCautions } from '@ivlen/core';
import type { AnalysisModule, NameOf, Tell } from './analysis';
import { type AnalysisColumns, columnOf, rowNumber } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable, findVariable } from './needed-variables';
import { componentVariables, sharedComponent } from './shared-component';

/** What a reader should know about each coefficient among some variables. */
export const cautions: AnalysisModule<'cautions'> = {
  needs: ({ variables, groupBy }, all) => [
    ...allCorrelatable(all, variables),
    ...(groupBy === null ? [] : [findVariable(all, groupBy)]),
    ...componentVariables(variables, all),
    // Whether it repeats tells whether the rows are independent.
    ...all.filter(({ kind }) => kind === 'identifier'),
  ],
  looksAt: ['kind', 'derivation'],
  run: cautionsOf,
  counts: 'pairs',
  namesRows: (result, nameOf) => ({
    ...result,
    pairs: result.pairs.map((pair) => ({ ...pair, cautions: pair.cautions.map((caution) => named(caution, nameOf)) })),
  }),
};

function cautionsOf(request: RequestOf<'cautions'>, columns: AnalysisColumns, tell: Tell): CautionsResult {
  const { variables, method, byVariable, shapeRule, alpha, alternative } = request;
  const values = variables.map((id) => columnOf(columns, id));
  const groups = request.groupBy === null ? null : columnOf(columns, request.groupBy);
  const identifierRepeats = casesRepeat(columns);
  const kinds = new Map(columns.codebook.variables.map(({ id, kind }) => [id, kind]));
  const total = (variables.length * (variables.length - 1)) / 2;
  const pairs: CautionsResult['pairs'] = [];
  for (let i = 0, done = 0; i < variables.length; i++) {
    for (let j = 0; j < i; j++) {
      const [a, b] = [variables[j] ?? '', variables[i] ?? ''];
      const shared = sharedComponent(a, b, columns);
      const found = pairCautions(values[j] ?? new Float64Array(0), values[i] ?? new Float64Array(0), {
        method: methodForPair(method, byVariable, a, b),
        alternative,
        rowsInUse: columns.rowsInUse,
        shapeRule,
        alpha,
        ordinal: [a, b].some((id) => kinds.get(id) === 'ordinal'),
        identifierRepeats,
        ...(shared ? { shared } : {}),
        ...(groups && request.groupBy !== a && request.groupBy !== b ? { groups } : {}),
      });
      if (found.length > 0) pairs.push({ a, b, cautions: found.map((caution) => asData(caution, columns)) });
      tell(++done, total);
    }
  }
  return { kind: 'cautions', pairs };
}

/** Whether the one identifier that names the cases repeats; where several identify something, none of them does. */
function casesRepeat(columns: AnalysisColumns): boolean {
  const [identifier, ...others] = columns.codebook.variables.filter(({ kind }) => kind === 'identifier');
  if (!identifier || others.length > 0) return false;
  const seen = new Set<number>();
  return columnOf(columns, identifier.id).some((value) => value === value && (seen.has(value) || !seen.add(value)));
}

function asData({ code, level, values, found, remedy }: Caution, columns: AnalysisColumns): PairCaution {
  return {
    code,
    level,
    values: Object.fromEntries(Object.entries(values).map(([name, value]) => [name, finiteOrNull(value)])),
    found: { coefficient: finiteOrNull(found.coefficient), pValue: finiteOrNull(found.pValue) },
    remedy: remedy && {
      kind: remedy.kind,
      coefficient: finiteOrNull(remedy.coefficient),
      pValue: finiteOrNull(remedy.pValue),
      n: remedy.n,
      low: finiteOrNull(remedy.low),
      high: finiteOrNull(remedy.high),
      row: remedy.row === undefined ? null : rowNumber(columns, remedy.row),
      name: null,
    },
  };
}

function named(caution: PairCaution, nameOf: NameOf): PairCaution {
  const { remedy } = caution;
  return remedy?.row ? { ...caution, remedy: { ...remedy, name: nameOf(remedy.row - 1) } } : caution;
}
