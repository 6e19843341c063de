import type { RequestOf, ResampleResult } from '@ivlen/contract';
import { bootstrapCorrelation, permutationTest } from '@ivlen/core';
import type { AnalysisModule, Tell } from './analysis';
import type { AnalysisColumns } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable } from './needed-variables';
import { pairRows } from './pair-rows';

/** A bootstrap interval or a permutation test of a pair; the same seed gives the same result. */
export const resample: AnalysisModule<'resample'> = {
  needs: ({ x, y }, all) => allCorrelatable(all, [x, y]),
  run: resampled,
  counts: 'samples',
};

function resampled(request: RequestOf<'resample'>, columns: AnalysisColumns, tell: Tell): ResampleResult {
  const { what, method, times, seed, level, alternative } = request;
  const { x, y } = pairRows(request, columns);
  const onProgress = (done: number) => tell(done, times);
  if (what === 'bootstrap') {
    const { coefficient, n, interval, kind } = bootstrapCorrelation(x, y, { method, replicates: times, seed, level, onProgress });
    return {
      kind: 'resample',
      what,
      coefficient: finiteOrNull(coefficient),
      n,
      times,
      seed,
      interval,
      intervalKind: interval && kind,
      pValue: null,
      asExtreme: null,
    };
  }
  const { n, pValue, asExtreme } = permutationTest(x, y, { method, permutations: times, seed, alternative, onProgress });
  return {
    kind: 'resample',
    what,
    coefficient: null,
    n,
    times,
    seed,
    interval: null,
    intervalKind: null,
    pValue: finiteOrNull(pValue),
    asExtreme,
  };
}
