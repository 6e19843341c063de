import { distanceCorrelation, eitherP, rankDependence, unseenPairs } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { columnOf } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable } from './needed-variables';

/** Whether anything at all is there between two variables. */
export const dependence: AnalysisModule<'dependence'> = {
  needs: ({ x, y }, all) => allCorrelatable(all, [x, y]),
  run: ({ x, y, permutations, seed }, columns, tell) => {
    const [a, b] = [columnOf(columns, x), columnOf(columns, y)];
    const distance = distanceCorrelation(a, b, { permutations, seed, onProgress: (done) => tell(done, permutations) });
    const ranks = rankDependence(a, b, { permutations, seed });
    return {
      kind: 'dependence',
      n: distance.n,
      distance: {
        coefficient: finiteOrNull(distance.coefficient),
        corrected: finiteOrNull(distance.corrected),
        correctedUndefined: distance.correctedUndefined ?? null,
        pValue: finiteOrNull(distance.pValue),
        pMethod: distance.pMethod,
      },
      ranks: {
        yOnX: finiteOrNull(ranks.yOnX),
        xOnY: finiteOrNull(ranks.xOnY),
        pValue: finiteOrNull(ranks.pValue),
        pMethod: ranks.pMethod,
      },
      anyP: finiteOrNull(eitherP(distance.pValue, ranks.pValue)),
      undefinedBecause: distance.undefinedBecause ?? null,
      permutations,
      seed,
    };
  },
  counts: 'shuffles',
};

/** Pairs that no straight or monotone coefficient sees. */
export const unseen: AnalysisModule<'unseen'> = {
  needs: ({ variables }, all) => allCorrelatable(all, variables),
  run: ({ variables, alpha, permutations, seed }, columns, tell) => {
    const found = unseenPairs(
      variables.map((id) => columnOf(columns, id)),
      { alpha, permutations, seed, onProgress: tell },
    );
    return {
      kind: 'unseen',
      looked: found.length,
      pairs: found
        .filter((pair) => pair.unseen)
        .toSorted((a, b) => a.anyP - b.anyP || b.distance - a.distance)
        .map(({ i, j, n, r, rho, distance, xi, anyP }) => ({
          x: variables[i] ?? '',
          y: variables[j] ?? '',
          n,
          r: finiteOrNull(r),
          rho: finiteOrNull(rho),
          distance: finiteOrNull(distance),
          xi: finiteOrNull(xi),
          anyP: finiteOrNull(anyP),
        })),
      permutations,
      seed,
    };
  },
  counts: 'pairs',
};
