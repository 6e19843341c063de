import type { PairResult } from '@ivlen/contract';

/** The least-squares line through the rows of a pair; null where there is none. */
export function fittedLine(result: PairResult | null): { slope: number; intercept: number } | null {
  const line = result?.line;
  return line?.slope != null && line.intercept != null ? { slope: line.slope, intercept: line.intercept } : null;
}
