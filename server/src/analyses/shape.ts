import type { NamedValue, NormalityTestName, ShapeResult } from '@ivlen/contract';
import {
  andersonDarling,
  boxSummary,
  dagostinoPearson,
  density,
  describe,
  histogram,
  jarqueBera,
  lilliefors,
  type NormalityTest,
  type NormalQuantiles,
  normalQuantiles,
  quantilePattern,
  shapiroWilk,
  sortedValues,
} from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { columnOf } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { withNumbers } from './needed-variables';

const DENSITY_POINTS = 128;
const OUTSIDE_LISTED = 40;
const POINTS_DRAWN = 240;

const TESTS: Readonly<Record<NormalityTestName, (x: Float64Array) => NormalityTest>> = {
  'shapiro-wilk': shapiroWilk,
  'anderson-darling': andersonDarling,
  lilliefors,
  'dagostino-pearson': dagostinoPearson,
  'jarque-bera': jarqueBera,
};

/** The shape of one variable: everything that a strip of the Shape stage shows, under any rule and test. */
export const shape: AnalysisModule<'shape'> = {
  needs: ({ variable }, all) => [withNumbers(all, variable)],
  run: ({ variable }, columns) => shapeOfValues(variable, columnOf(columns, variable), columns.rows),
  namesRows: (result, nameOf) => ({
    ...result,
    box: { ...result.box, outside: result.box.outside.map((item) => ({ ...item, name: nameOf(item.row - 1) })) },
  }),
};

/** @param rows numbers, from 0, of the rows that the values are of; null for all */
export function shapeOfValues(id: string, x: Float64Array, rows: Uint32Array | null): ShapeResult {
  // What follows sorts, which has little to do where all is in order already.
  const sorted = sortedValues(x);
  const d = describe(sorted);
  const curve = density(sorted, { points: DENSITY_POINTS });
  const { edges, counts } = histogram(sorted);
  const plot = normalQuantiles(x);
  const distinct = countDistinct(sorted);
  const rowNumber = (place: number) => (rows?.[place] ?? place) + 1;
  return {
    kind: 'shape',
    variable: id,
    description: {
      n: d.n,
      missing: x.length - d.n,
      distinct,
      mean: finiteOrNull(d.mean),
      sd: finiteOrNull(d.sd),
      median: finiteOrNull(d.median),
      min: finiteOrNull(d.min),
      max: finiteOrNull(d.max),
      q1: finiteOrNull(d.q1),
      q3: finiteOrNull(d.q3),
      skewness: finiteOrNull(d.skewness),
      skewnessSe: finiteOrNull(d.skewnessSe),
      excessKurtosis: finiteOrNull(d.excessKurtosis),
      excessKurtosisSe: finiteOrNull(d.excessKurtosisSe),
    },
    histogram: { edges: [...edges], counts: [...counts] },
    density: { x: [...curve.x], y: [...curve.density] },
    box: boxOf(x, d.median, rowNumber),
    quantiles: { ...thinned(plot, rowNumber), outside: plot.outside.length, pattern: quantilePattern(plot, { distinct, density: curve }) },
    tests: testsOf(sorted),
  };
}

function countDistinct(sorted: Float64Array): number {
  let count = 0;
  for (let i = 0; i < sorted.length; i++) if (i === 0 || sorted[i] !== sorted[i - 1]) count++;
  return count;
}

function boxOf(x: Float64Array, median: number, rowNumber: (place: number) => number): ShapeResult['box'] {
  const { whiskers, outside, farOut } = boxSummary(x);
  const named = (place: number): NamedValue => ({ row: rowNumber(place), name: null, value: x[place] ?? Number.NaN });
  const all = [...farOut.map((place) => ({ ...named(place), far: true })), ...outside.map((place) => ({ ...named(place), far: false }))];
  all.sort((a, b) => Math.abs(b.value - median) - Math.abs(a.value - median));
  return {
    whiskers: [finiteOrNull(whiskers[0]), finiteOrNull(whiskers[1])],
    outside: all.slice(0, OUTSIDE_LISTED),
    more: Math.max(0, all.length - OUTSIDE_LISTED),
  };
}

/** Enough points to draw: both ends, evenly spaced ones between, and every one outside the band. */
function thinned(plot: NormalQuantiles, rowNumber: (place: number) => number) {
  const n = plot.sample.length;
  const step = Math.max(1, n / POINTS_DRAWN);
  const chosen = new Set(Array.from({ length: Math.min(n, POINTS_DRAWN) }, (_, i) => Math.min(n - 1, Math.round(i * step))));
  if (n > 0) chosen.add(n - 1);
  plot.sample.forEach((value, i) => {
    if (value < (plot.low[i] ?? 0) || value > (plot.high[i] ?? 0)) chosen.add(i);
  });
  const places = [...chosen].sort((a, b) => a - b);
  const at = (values: ArrayLike<number>) => places.map((i) => values[i] ?? 0);
  return {
    theoretical: at(plot.theoretical),
    sample: at(plot.sample),
    low: at(plot.low),
    high: at(plot.high),
    rows: at(plot.rows).map(rowNumber),
  };
}

function testsOf(x: Float64Array): ShapeResult['tests'] {
  const entries = Object.entries(TESTS).map(([name, test]) => {
    const { statistic, pValue, log10P, undefinedBecause } = test(x);
    return [
      name,
      {
        statistic: finiteOrNull(statistic),
        pValue: finiteOrNull(pValue),
        log10P: finiteOrNull(log10P),
        undefinedBecause: undefinedBecause ?? null,
      },
    ] as const;
  });
  return Object.fromEntries(entries) as ShapeResult['tests'];
}
