import type { Analysis, ResampleResult } from '@ivlen/contract';
import { bootstrapCorrelation, permutationTest } from '@ivlen/core';
import type { AnalysisColumns } from './analysis-columns';
import { figure } from './figures';
import { pairRows } from './pair-rows';
import type { Tell } from './tell';

/** A bootstrap interval or a permutation test of a pair; the same seed gives the same result. */
export function resample(request: Extract<Analysis, { kind: 'resample' }>, columns: AnalysisColumns, tell: Tell): ResampleResult {
  const { what, method, times, seed, level, alternative } = request;
  const { x, y } = pairRows(request, columns);
  const onProgress = (done: number) => tell(done, times);
  if (what === 'bootstrap') {
    const { coefficient, n, interval, kind } = bootstrapCorrelation(x, y, { method, replicates: times, seed, level, onProgress });
    return {
      kind: 'resample',
      what,
      coefficient: figure(coefficient),
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
    pValue: figure(pValue),
    asExtreme,
  };
}
