import type { GapsResult, RequestOf } from '@ivlen/contract';
import { gapEffects } from '@ivlen/core';
import type { AnalysisModule, Tell } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable } from './needed-variables';

/** What missing values may do to means, SDs and coefficients. */
export const gaps: AnalysisModule<'gaps'> = {
  needs: ({ variables }, all) => allCorrelatable(all, variables),
  run: gapsOf,
  counts: 'pairs',
};

function gapsOf({ variables }: RequestOf<'gaps'>, columns: AnalysisColumns, tell: Tell): GapsResult {
  const found = gapEffects(
    variables.map((id) => columnOf(columns, id)),
    { onProgress: tell },
  );
  const { n, completeRows, iterations, converged, little } = found;
  const idOf = (place: number) => variables[place] ?? '';
  return {
    kind: 'gaps',
    n,
    completeRows,
    iterations,
    converged,
    little: { statistic: finiteOrNull(little.statistic), df: little.df, pValue: finiteOrNull(little.pValue), patterns: little.patterns },
    variables: found.variables.map((moments, j) => ({
      id: idOf(j),
      n: moments.n,
      mean: finiteOrNull(moments.mean),
      sd: finiteOrNull(moments.sd),
      likelyMean: finiteOrNull(moments.likelyMean),
      likelySd: finiteOrNull(moments.likelySd),
    })),
    pairs: found.pairs.map(({ i, j, pairwiseN, likelyInterval, ...pair }) => ({
      a: idOf(i),
      b: idOf(j),
      pairwise: finiteOrNull(pair.pairwise),
      pairwiseN,
      listwise: finiteOrNull(pair.listwise),
      likely: finiteOrNull(pair.likely),
      likelyLow: likelyInterval?.low ?? null,
      likelyHigh: likelyInterval?.high ?? null,
      likelyP: finiteOrNull(pair.likelyP),
      apart: finiteOrNull(pair.apart),
    })),
  };
}
