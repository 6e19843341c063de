import type { JointResult, JointTest, RequestOf } from '@ivlen/contract';
import {
  deviationsGivenOthers,
  doornikHansen,
  henzeZirkler,
  mahalanobis,
  mahalanobisP,
  mahalanobisQuantile,
  mardia,
  type NormalityUndefined,
} from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, columnOf, rowNumber, valuesAt } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable } from './needed-variables';

const POINTS_DRAWN = 400;
const FURTHEST_LISTED = 8;
const UNUSUAL_LISTED = 3;
/** A value less far than this from what the others suggest is not called unusual. */
const UNUSUAL = 2;
const LEVEL = 0.05;

/** Joint normality of some variables, with the rows that lie furthest from their common mean. */
export const joint: AnalysisModule<'joint'> = {
  needs: ({ variables }, all) => allCorrelatable(all, variables),
  run: jointOf,
  namesRows: (result, nameOf) => ({ ...result, furthest: result.furthest.map((item) => ({ ...item, name: nameOf(item.row - 1) })) }),
};

function jointOf({ variables, distances }: RequestOf<'joint'>, columns: AnalysisColumns): JointResult {
  const given = variables.map((id) => columnOf(columns, id));
  const places = Uint32Array.from((given[0] ?? new Float64Array(0)).keys()).filter((row) =>
    given.every((column) => column[row] === column[row]),
  );
  const complete = given.map((column) => valuesAt(column, places));
  const { skewness, kurtosis, undefinedBecause } = mardia(complete);
  const hz = henzeZirkler(complete);
  const dh = doornikHansen(complete);
  return {
    kind: 'joint',
    variables: [...variables],
    n: places.length,
    incomplete: columns.rowsInUse - places.length,
    undefinedBecause: undefinedBecause ?? null,
    mardia: {
      skewness: { ...test(skewness), coefficient: finiteOrNull(skewness.coefficient) },
      kurtosis: { ...test(kurtosis), coefficient: finiteOrNull(kurtosis.coefficient) },
    },
    henzeZirkler: { ...test(hz), sampledFrom: hz.sampledFrom ?? null },
    doornikHansen: test(dh),
    ...(distances ? distancesOf(variables, complete, (place) => rowNumber(columns, places[place] ?? 0)) : NONE),
  };
}

const NONE = { distances: null, furthest: [] };

function test(result: {
  statistic: number;
  pValue: number;
  log10P: number;
  df?: number;
  undefinedBecause?: NormalityUndefined;
}): JointTest {
  const { statistic, pValue, log10P, df } = result;
  return {
    statistic: finiteOrNull(statistic),
    df: finiteOrNull(df ?? Number.NaN),
    pValue: finiteOrNull(pValue),
    log10P: finiteOrNull(log10P),
  };
}

function distancesOf(
  variables: readonly string[],
  columns: readonly Float64Array[],
  numberOf: (place: number) => number,
): Pick<JointResult, 'distances' | 'furthest'> {
  const distance = mahalanobis(columns);
  const [n, p] = [distance.length, columns.length];
  if (n === 0 || Number.isNaN(distance[0])) return NONE;
  const order = Uint32Array.from(distance.keys()).sort((a, b) => (distance[a] ?? 0) - (distance[b] ?? 0));
  const drawn = drawnPlaces(n);
  const far = [...order.subarray(-FURTHEST_LISTED)].reverse();
  const given = deviationsGivenOthers(columns, far);
  return {
    distances: {
      theoretical: drawn.map((k) => mahalanobisQuantile((k + 0.5) / n, n, p)),
      observed: drawn.map((k) => distance[order[k] ?? 0] ?? 0),
      rows: drawn.map((k) => numberOf(order[k] ?? 0)),
      limit: finiteOrNull(mahalanobisQuantile(1 - LEVEL / n, n, p)),
    },
    furthest: far.map((place, k) => ({
      row: numberOf(place),
      name: null,
      distance: distance[place] ?? 0,
      pValue: mahalanobisP(distance[place] ?? 0, n, p),
      unusual: unusualIn(variables, columns, place, given[k] ?? new Float64Array(p)),
    })),
  };
}

/** Which values set a row apart, the most unusual first; one at the least. */
function unusualIn(variables: readonly string[], columns: readonly Float64Array[], place: number, givenOthers: Float64Array) {
  const all = variables.map((variable, j) => {
    const column = columns[j] ?? new Float64Array(0);
    const mean = column.reduce((sum, value) => sum + value, 0) / column.length;
    const sd = Math.sqrt(column.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (column.length - 1));
    const value = column[place] ?? Number.NaN;
    return { variable, value, fromMean: (value - mean) / sd, givenOthers: givenOthers[j] ?? 0 };
  });
  all.sort((a, b) => Math.abs(b.givenOthers) - Math.abs(a.givenOthers));
  return all.filter((item, k) => k === 0 || Math.abs(item.givenOthers) > UNUSUAL).slice(0, UNUSUAL_LISTED);
}

/** Places in ascending order of distance that are drawn: the furthest all, the others evenly. */
function drawnPlaces(n: number): number[] {
  const step = Math.max(1, n / POINTS_DRAWN);
  const chosen = new Set<number>();
  for (let k = 0; k < n; k += step) chosen.add(Math.floor(k));
  for (let k = Math.max(0, n - POINTS_DRAWN / 4); k < n; k++) chosen.add(k);
  return [...chosen].sort((a, b) => a - b);
}
