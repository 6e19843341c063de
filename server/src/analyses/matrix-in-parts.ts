import type { Analysis, AnalysisResult } from '@ivlen/contract';
import type { Table } from '../columns/columns';
import type { Workers } from '../workers/workers';
import { NO_PIECES } from './analysis';
import type { AnalysisColumns } from './analysis-columns';
import { Spread, sharedProgress } from './spread';

/** An analysis from columns in memory, as the service computes one of which nothing is known or kept; for benchmarks. */
export async function matrixInParts(workers: Workers, table: Table, analysis: Analysis, columns: AnalysisColumns): Promise<AnalysisResult> {
  const { signal } = new AbortController();
  const known = await new Spread(workers).pieces(table, analysis, columns, NO_PIECES, { signal, progress: () => {} });
  return workers.run({ task: 'analyse', analysis, columns, progress: sharedProgress(), known }, signal);
}
