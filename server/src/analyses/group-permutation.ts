import type { GroupPermutationResult, RequestOf } from '@ivlen/contract';
import { permutationCompare } from '@ivlen/core';
import type { AnalysisModule, Tell } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { groupingOf, groupLabels } from './group-labels';
import { allCorrelatable } from './needed-variables';

/** Whether groups differ in a pair, by shuffling; the same seed gives the same result. */
export const groupPermutation: AnalysisModule<'group-permutation'> = {
  needs: ({ x, y, groups }, all) => [...allCorrelatable(all, [x, y]), groupingOf(groups, all)],
  run: shuffled,
  counts: 'permutations',
};

function shuffled(request: RequestOf<'group-permutation'>, columns: AnalysisColumns, tell: Tell): GroupPermutationResult {
  const { method, times, seed } = request;
  const { labels } = groupLabels(request.groups, columns);
  const { q, pValue, asExtreme, untested } = permutationCompare(columnOf(columns, request.x), columnOf(columns, request.y), labels, {
    method,
    permutations: times,
    seed,
    onProgress: (done) => tell(done, times),
  });
  return { kind: 'group-permutation', q: finiteOrNull(q), pValue: finiteOrNull(pValue), asExtreme, times, seed, untested: untested.length };
}
