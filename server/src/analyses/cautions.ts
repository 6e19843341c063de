import { type CautionsResult, methodForPair, type PairCaution, type PairCheckResult, type RequestOf } from '@ivlen/contract';
import { type Caution, type CautionContext, type PairCheck, pairCautions, pairChecks } from '@ivlen/core';
import type { AnalysisModule, NameOf, Tell } from './analysis';
import { type AnalysisColumns, columnOf, rowNumber } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable, findVariable } from './needed-variables';
import { isOrdered } from './pair-remedy';
import { commonSources, componentVariables, sharedComponent } from './shared-component';

/** What a reader should know about each coefficient among some variables. */
export const cautions: AnalysisModule<'cautions'> = {
  needs: ({ variables, groupBy }, all) => [
    ...allCorrelatable(all, variables),
    ...(groupBy === null ? [] : [findVariable(all, groupBy)]),
    ...componentVariables(variables, all),
    // Whether it repeats tells whether the rows are independent.
    ...all.filter(({ kind }) => kind === 'identifier'),
  ],
  looksAt: ['kind', 'derivation', 'detectionLimit'],
  run: cautionsOf,
  counts: 'pairs',
  namesRows: (result, nameOf) => ({
    ...result,
    pairs: result.pairs.map((pair) => ({
      ...pair,
      cautions: pair.cautions.map((caution) => named(caution, nameOf)),
      checks: pair.checks.map((check) => (check.row === null ? check : { ...check, name: nameOf(check.row - 1) })),
    })),
  }),
};

function cautionsOf(request: RequestOf<'cautions'>, columns: AnalysisColumns, tell: Tell): CautionsResult {
  const { variables, method, byVariable, shapeRule, alpha, alternative, withChecks } = request;
  const values = variables.map((id) => columnOf(columns, id));
  const groups = request.groupBy === null ? null : onlyThese(columnOf(columns, request.groupBy), request.groupsOnly);
  const cases = namedCases(columns);
  const facts = new Map(columns.codebook.variables.map((variable) => [variable.id, variable]));
  const total = (variables.length * (variables.length - 1)) / 2;
  const pairs: CautionsResult['pairs'] = [];
  for (let i = 0, done = 0; i < variables.length; i++) {
    for (let j = 0; j < i; j++) {
      const [a, b] = [variables[j] ?? '', variables[i] ?? ''];
      const shared = sharedComponent(a, b, columns);
      const [x, y] = [values[j] ?? new Float64Array(0), values[i] ?? new Float64Array(0)];
      const context: CautionContext = {
        method: methodForPair(method, byVariable, a, b),
        alternative,
        rowsInUse: columns.rowsInUse,
        shapeRule,
        alpha,
        ordinal: [a, b].some((id) => facts.get(id)?.kind === 'ordinal'),
        steps: [isOrdered(facts.get(a)), isOrdered(facts.get(b))],
        limits: [facts.get(a)?.detectionLimit ?? null, facts.get(b)?.detectionLimit ?? null],
        ...(cases ? { repeatedRows: cases.repeatedRows, identifiers: columnOf(columns, cases.identifier) } : {}),
        ...(shared ? { shared } : {}),
        ...(groups && request.groupBy !== a && request.groupBy !== b ? { groups } : {}),
      };
      const cautions = pairCautions(x, y, context).map((caution) => asData(caution, columns, () => commonSources(a, b, columns)));
      const checks = withChecks ? pairChecks(x, y, context).map((check) => checkAsData(check, columns)) : [];
      if (withChecks || cautions.length > 0) pairs.push({ a, b, cautions, checks });
      tell(++done, total);
    }
  }
  return { kind: 'cautions', identifier: cases?.identifier ?? null, pairs };
}

/** Labels of the groups that take part; the others’ rows have none. */
function onlyThese(labels: Float64Array, only: readonly number[] | null): Float64Array {
  const taking = only && new Set(only);
  return taking ? labels.map((label) => (taking.has(label) ? label : Number.NaN)) : labels;
}

/** The identifier that names the cases, the one that repeats least, and how many rows share their value of it; null without any. */
function namedCases(columns: AnalysisColumns): { readonly identifier: string; readonly repeatedRows: number } | null {
  const found = columns.codebook.variables
    .filter(({ kind }) => kind === 'identifier')
    .map(({ id }) => ({ identifier: id, repeatedRows: repeatedRows(columnOf(columns, id)) }));
  return found.toSorted((a, b) => a.repeatedRows - b.repeatedRows)[0] ?? null;
}

/** Rows whose value stands in another row as well. */
function repeatedRows(values: Float64Array): number {
  const seen = new Map<number, number>();
  for (const value of values) if (value === value) seen.set(value, (seen.get(value) ?? 0) + 1);
  return [...seen.values()].reduce((sum, count) => sum + (count > 1 ? count : 0), 0);
}

function asData({ code, level, values, found, remedy }: Caution, columns: AnalysisColumns, common: () => string[]): PairCaution {
  return {
    code,
    level,
    values: valuesAsData(values),
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
      held: remedy.kind === 'component-constant' ? common() : [],
    },
  };
}

function checkAsData({ code, held, values, row }: PairCheck, columns: AnalysisColumns): PairCheckResult {
  return { code, held, values: valuesAsData(values), row: row === undefined ? null : rowNumber(columns, row), name: null };
}

function valuesAsData(values: Readonly<Record<string, number>>) {
  return Object.fromEntries(Object.entries(values).map(([name, value]) => [name, finiteOrNull(value)]));
}

function named(caution: PairCaution, nameOf: NameOf): PairCaution {
  const { remedy } = caution;
  return remedy?.row ? { ...caution, remedy: { ...remedy, name: nameOf(remedy.row - 1) } } : caution;
}
