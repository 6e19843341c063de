import { type GroupCell, type GroupedPair, methodForPair, type SubgroupsRequest, type SubgroupsResult } from '@ivlen/contract';
import {
  type AcrossGroups,
  acrossGroups,
  bootstrapCorrelation,
  byMethod,
  COEFFICIENTS,
  type CorrelationTest,
  METHOD_NAMES,
  type Method,
  mostControls,
  type PairAcrossGroups,
  type WithinCorrelation,
} from '@ivlen/core';
import type { AnalysisModule, PieceKey, PieceNeeds, Pieces, PreparedVariables, Tell } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { intervalKind } from './correlation-test';
import { finiteOrNull } from './finite-or-null';
import { type GroupLabels, groupingOf, groupLabels } from './group-labels';
import { allCorrelatable } from './needed-variables';

/** Every pair over all rows and in each group, the groups compared, and what is left within them. */
export const subgroups: AnalysisModule<'subgroups'> = {
  needs: ({ variables, control, groups }, all) => [...allCorrelatable(all, [...variables, ...control]), groupingOf(groups, all)],
  run: compareGroups,
  pieces: { of: keysOf, from: piecesOf, needs: needsOf, compute: computePairs },
  counts: 'pairs',
};

function compareGroups(request: SubgroupsRequest, columns: AnalysisColumns, tell: Tell, known: Pieces): SubgroupsResult {
  const isKnown = new Set(known.places);
  const wanted = pairsOf(request).flatMap((_, place) => (isKnown.has(place) ? [] : [place]));
  const pairs: GroupedPair[] = [];
  for (const { places, fields } of [known, computePairs(request, columns, wanted, NOTHING, tell)]) {
    places.forEach((place, k) => {
      pairs[place] = fields.pair?.[k] as GroupedPair;
    });
  }
  const { groups, rowsWithout } = groupLabels(request.groups, columns);
  return { kind: 'subgroups', groups: [...groups], rowsWithout, pairs };
}

const NOTHING: PreparedVariables = { ranks: new Map(), sums: null };

interface Pair {
  /** The id of the first comes first. */
  readonly a: string;
  readonly b: string;
  readonly method: Method;
}

function pairsOf({ variables, method, byVariable }: SubgroupsRequest): Pair[] {
  return variables.flatMap((one, i) =>
    variables.slice(0, i).map((other) => {
      const [a, b] = one < other ? [one, other] : [other, one];
      return { a, b, method: methodForPair(method, byVariable, a, b) };
    }),
  );
}

function keysOf(request: SubgroupsRequest): PieceKey[] {
  const { alternative, level, interval, control, rows, groups } = request;
  const how = JSON.stringify([alternative, level, interval, control, rows, groups]);
  const others = [...control, ...rows.completeFor, ...(rows.group ? [rows.group.by] : []), groups.by];
  return pairsOf(request).map(({ a, b, method }) => ({ key: `${method} ${how}`, variables: [a, b, ...others] }));
}

function piecesOf(_: SubgroupsRequest, { pairs }: SubgroupsResult): Pieces {
  return { places: [...pairs.keys()], fields: { pair: pairs } };
}

/** Each row is gone through once over all rows, once in its group, and once within; resamples and fits to controls take longer. */
const [TIMES, RESAMPLES, FITTING] = [3, 4000, 20];

function needsOf(request: SubgroupsRequest, places: readonly number[], rows: number): PieceNeeds {
  const all = pairsOf(request);
  const each = request.interval === 'bootstrap' ? RESAMPLES : request.control.length > 0 ? FITTING : TIMES;
  const passes = places.reduce((sum, place) => sum + COEFFICIENTS[all[place]?.method ?? 'pearson'].passes, 0);
  return { ranks: [], sums: [], effort: passes * rows * each };
}

function computePairs(
  request: SubgroupsRequest,
  columns: AnalysisColumns,
  places: readonly number[],
  _: PreparedVariables,
  tell: Tell,
): Pieces {
  const all = pairsOf(request);
  const wanted = places.flatMap((place) => (all[place] ? [{ place, ...all[place] }] : []));
  const split = groupLabels(request.groups, columns);
  const byThis = byMethod((method) => wanted.filter((pair) => pair.method === method));
  const pair: GroupedPair[] = [];
  const done: number[] = [];
  for (const method of METHOD_NAMES) {
    if (byThis[method].length === 0) continue;
    const touched = [...new Set(byThis[method].flatMap(({ a, b }) => [a, b]))];
    const compare = comparing(request, columns, split, method, touched);
    for (const { place, a, b } of byThis[method]) {
      done.push(place);
      pair.push(compare(a, b));
      tell(done.length, wanted.length);
    }
  }
  return { places: done, fields: { pair } };
}

function comparing(
  { control, alternative, level, interval }: SubgroupsRequest,
  columns: AnalysisColumns,
  { labels, groups }: GroupLabels,
  method: Method,
  touched: readonly string[],
): (a: string, b: string) => GroupedPair {
  const values = touched.map((id) => columnOf(columns, id));
  const held = control.map((id) => columnOf(columns, id));
  if (held.length > mostControls(method)) return (a, b) => withoutCoefficient(a, b, method, groups.length);
  const across: AcrossGroups = acrossGroups(values, labels, {
    method,
    alternative,
    level,
    interval: intervalKind(method, interval),
    controls: held,
  });
  return (a, b) => {
    const [i, j] = [touched.indexOf(a), touched.indexOf(b)];
    const found = across.compare(i, j);
    if (interval !== 'bootstrap' || held.length > 0) return asData(a, b, method, found);
    const resampled = (test: CorrelationTest, keep: (label: number) => boolean) => {
      if (test.undefinedBecause || test.degenerate) return test;
      const rows = (column: Float64Array | undefined) =>
        (column ?? new Float64Array(0)).filter((_, row) => keep(labels[row] ?? Number.NaN));
      return { ...test, interval: bootstrapCorrelation(rows(values[i]), rows(values[j]), { method, level }).interval };
    };
    return asData(a, b, method, {
      ...found,
      pooled: resampled(found.pooled, (label) => label === label),
      groups: found.groups.map((test, k) => resampled(test, (label) => label === across.groups[k]?.label)),
    });
  };
}

function asData(a: string, b: string, method: Method, found: PairAcrossGroups): GroupedPair {
  const { comparison, random, within, reversed, hidden } = found;
  const [first, second] = found.groups;
  return {
    a,
    b,
    method,
    pooled: cellOf(found.pooled),
    groups: found.groups.map(cellOf),
    untested: [...comparison.untested],
    within: {
      ...withinOf(within),
      n: within.n,
      df: within.statistic?.df ?? null,
      spreadRatio: finiteOrNull(within.spreadRatio),
      meanOfZ: within.meanOfZ ? withinOf(within.meanOfZ) : null,
    },
    homogeneity: {
      q: finiteOrNull(comparison.q),
      df: comparison.df,
      pValue: finiteOrNull(comparison.pValue),
      log10P: finiteOrNull(comparison.log10P),
    },
    random: Number.isNaN(random.coefficient)
      ? null
      : {
          iSquared: random.iSquared,
          tauSquared: random.tauSquared,
          coefficient: random.coefficient,
          low: random.interval?.low ?? null,
          high: random.interval?.high ?? null,
        },
    two:
      first && second && found.groups.length === 2 && !Number.isNaN(comparison.z)
        ? {
            difference: first.coefficient - second.coefficient,
            z: comparison.z,
            cohensQ: comparison.cohensQ,
            low: comparison.interval?.low ?? null,
            high: comparison.interval?.high ?? null,
          }
        : null,
    reversed,
    hidden,
  };
}

function cellOf({ coefficient, n, pValue, log10P, interval, zVariance, undefinedBecause }: CorrelationTest): GroupCell {
  return {
    coefficient: finiteOrNull(coefficient),
    n,
    pValue: finiteOrNull(pValue),
    log10P: finiteOrNull(log10P),
    low: interval?.low ?? null,
    high: interval?.high ?? null,
    zVariance: finiteOrNull(zVariance),
    because: undefinedBecause ?? null,
  };
}

function withinOf({ coefficient, interval, pValue, log10P }: WithinCorrelation) {
  return {
    coefficient: finiteOrNull(coefficient),
    low: interval?.low ?? null,
    high: interval?.high ?? null,
    pValue: finiteOrNull(pValue),
    log10P: finiteOrNull(log10P),
  };
}

const NO_CELL: GroupCell = {
  coefficient: null,
  n: 0,
  pValue: null,
  log10P: null,
  low: null,
  high: null,
  zVariance: null,
  because: 'one-control-only',
};
const NO_WITHIN = { coefficient: null, low: null, high: null, pValue: null, log10P: null };

/** A method that cannot hold so many variables constant. */
function withoutCoefficient(a: string, b: string, method: Method, groups: number): GroupedPair {
  const places = Array.from({ length: groups }, (_, k) => k);
  return {
    a,
    b,
    method,
    pooled: NO_CELL,
    groups: places.map(() => NO_CELL),
    untested: places,
    within: { ...NO_WITHIN, n: 0, df: null, spreadRatio: null, meanOfZ: null },
    homogeneity: { q: null, df: 0, pValue: null, log10P: null },
    random: null,
    two: null,
    reversed: false,
    hidden: false,
  };
}
