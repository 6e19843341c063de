import type { RequestOf, SubgroupPairResult } from '@ivlen/contract';
import { acrossGroups, betweenGroups, comparePairwise, compareSlopes, describe, fittedLine } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { groupingOf, groupLabels } from './group-labels';
import { allCorrelatable } from './needed-variables';

/** Every two groups compared in a pair, with slopes, spreads and means. */
export const subgroupPair: AnalysisModule<'subgroup-pair'> = {
  needs: ({ x, y, groups }, all) => [...allCorrelatable(all, [x, y]), groupingOf(groups, all)],
  run: lookCloser,
};

function lookCloser(request: RequestOf<'subgroup-pair'>, columns: AnalysisColumns): SubgroupPairResult {
  const { method, level, adjust } = request;
  const [x, y] = [columnOf(columns, request.x), columnOf(columns, request.y)];
  const { labels, groups } = groupLabels(request.groups, columns);
  const across = acrossGroups([x, y], labels, { method, level });
  const { comparison: _, ...found } = across.compare(0, 1);
  const places = new Map(across.groups.map(({ label }, place) => [label, place]));
  const slopes = compareSlopes(x, y, labels, { level });
  const slopeAt = new Map(slopes.groups.map((slope) => [places.get(slope.label), slope]));
  const of = (keep: (label: number) => boolean) => {
    const rows = [...labels.keys()].filter((row) => keep(labels[row] ?? Number.NaN) && x[row] === x[row] && y[row] === y[row]);
    const values = (column: Float64Array) => describe(Float64Array.from(rows, (row) => column[row] ?? Number.NaN));
    const [a, b] = [values(x), values(y)];
    return { n: rows.length, meanX: finiteOrNull(a.mean), meanY: finiteOrNull(b.mean), sdX: finiteOrNull(a.sd), sdY: finiteOrNull(b.sd) };
  };
  const inGroups = (column: Float64Array) => column.filter((_, row) => labels[row] === labels[row]);
  const pooled = fittedLine(inGroups(x), inGroups(y));
  const { weighted } = betweenGroups(x, y, labels);
  return {
    kind: 'subgroup-pair',
    groups: [...groups],
    everyTwo: comparePairwise(
      found.groups.map(({ coefficient, n, zVariance }) => ({ coefficient, n, zVariance })),
      { method, level, adjust },
    ).map((two) => ({
      first: two.first,
      second: two.second,
      difference: finiteOrNull(
        (found.groups[two.first]?.coefficient ?? Number.NaN) - (found.groups[two.second]?.coefficient ?? Number.NaN),
      ),
      low: two.interval?.low ?? null,
      high: two.interval?.high ?? null,
      z: finiteOrNull(two.z),
      cohensQ: finiteOrNull(two.cohensQ),
      pValue: finiteOrNull(two.pValue),
      adjustedP: finiteOrNull(two.adjustedP),
    })),
    slopes: {
      groups: groups.map((_, place) => {
        const slope = slopeAt.get(place);
        return {
          slope: finiteOrNull(slope?.slope ?? Number.NaN),
          intercept: finiteOrNull(slope?.intercept ?? Number.NaN),
          low: finiteOrNull(slope?.interval?.low ?? Number.NaN),
          high: finiteOrNull(slope?.interval?.high ?? Number.NaN),
        };
      }),
      common: finiteOrNull(slopes.commonSlope),
      pooled: { slope: finiteOrNull(pooled.slope), intercept: finiteOrNull(pooled.intercept) },
      f: finiteOrNull(slopes.f),
      df: slopes.df,
      dfResidual: slopes.dfResidual,
      pValue: finiteOrNull(slopes.pValue),
      because: slopes.undefinedBecause ?? null,
    },
    whole: of((label) => label === label),
    spreads: across.groups.map((group) => of((label) => label === group.label)),
    between: { coefficient: finiteOrNull(weighted.coefficient), df: weighted.df, pValue: finiteOrNull(weighted.pValue) },
  };
}
