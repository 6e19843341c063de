import { COMPARED_SCALES, SCALE_WORDS, type StudyState } from '@ivlen/contract';
import { describe, formatFixed } from '@ivlen/core';
import { variableOf } from '../columns/columns';
import { SCALES } from '../derivations/compute-derived';
import type { AppliedChange, ChangeContext } from './applied-change';

/** "skewness 9.04, then 0.31": what a scale does to a variable over the rows in use. */
export async function skewnessBeforeAndAfter(
  { db, table, columns }: ChangeContext,
  source: string,
  scaled: Float64Array,
): Promise<{ words: string; figures: object }> {
  const rows = await columns.rowsInUse(db, table);
  const used = rows ? Float64Array.from(rows, (row) => scaled[row] ?? Number.NaN) : scaled;
  const [before, after] = [describe(await columns.used(db, table, source)).skewness, describe(used).skewness];
  return {
    words: `skewness ${fixed(before)}, then ${fixed(after)}`,
    figures: { skewnessBefore: orNull(before), skewnessAfter: orNull(after) },
  };
}

/** Writes down that other scales were looked at and none was kept, with the skewness on each. */
export async function keepNoScale({ db, table, columns }: ChangeContext, id: string): Promise<AppliedChange> {
  const variable = variableOf(table, id);
  const x = await columns.used(db, table, id);
  const tried = COMPARED_SCALES.flatMap((scale) => {
    const { values } = scale === 'raw' ? { values: x } : SCALES[scale](x);
    return values && scale !== 'rank-normal' ? [{ scale, skewness: describe(values).skewness }] : [];
  });
  const list = tried.map(({ scale, skewness }) => `${SCALE_WORDS[scale]} ${fixed(skewness)}`).join(', ');
  return {
    kind: 'no-scale',
    summary: `No other scale kept for ${variable.name}: skewness ${list}`,
    figures: { skewness: Object.fromEntries(tried.map(({ scale, skewness }) => [scale, orNull(skewness)])) },
    state: table.state satisfies StudyState,
  };
}

function fixed(value: number): string {
  return Number.isNaN(value) ? 'undefined' : formatFixed(value, 2);
}

function orNull(value: number): number | null {
  return Number.isFinite(value) ? value : null;
}
