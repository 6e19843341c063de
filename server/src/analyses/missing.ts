import type { MissingResult } from '@ivlen/contract';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';

const PATTERNS_LISTED = 30;
const PAIRED = 60;

/** Which variables lack values, and which of them in the same rows. */
export const missing: AnalysisModule<'missing'> = {
  needs: (_, all) => [...all],
  run: (_, columns) => missingValues(columns),
};

function missingValues(columns: AnalysisColumns): MissingResult {
  const counted = columns.variables.map((id) => ({ id, missing: countMissing(columnOf(columns, id)) }));
  const incomplete = counted.filter(({ missing }) => missing > 0).sort((a, b) => b.missing - a.missing);
  const values = incomplete.map(({ id }) => columnOf(columns, id));
  const rows = columns.values[0]?.length ?? 0;
  const patterns = new Map<string, number>();
  for (let row = 0; row < rows; row++) {
    let pattern = '';
    for (let i = 0; i < values.length; i++) if (Number.isNaN(values[i]?.[row])) pattern += `${i} `;
    patterns.set(pattern, (patterns.get(pattern) ?? 0) + 1);
  }
  const completeRows = patterns.get('') ?? 0;
  patterns.delete('');
  const listed = [...patterns].sort((a, b) => b[1] - a[1]);
  const paired = values.slice(0, PAIRED);
  return {
    kind: 'missing',
    variables: incomplete,
    completeRows,
    rows,
    patterns: listed.slice(0, PATTERNS_LISTED).map(([pattern, count]) => ({
      missing: pattern
        .trim()
        .split(' ')
        .map((place) => incomplete[Number(place)]?.id ?? ''),
      rows: count,
    })),
    morePatterns: Math.max(0, listed.length - PATTERNS_LISTED),
    pairs: paired.flatMap((x) => paired.map((y) => countBoth(x, y))),
  };
}

function countMissing(x: Float64Array): number {
  let count = 0;
  for (const value of x) if (value !== value) count++;
  return count;
}

function countBoth(x: Float64Array, y: Float64Array): number {
  let count = 0;
  for (let row = 0; row < x.length; row++) if (x[row] === x[row] && y[row] === y[row]) count++;
  return count;
}
