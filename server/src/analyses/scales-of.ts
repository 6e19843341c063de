import { COMPARED_SCALES, type ComparedScale, type ScalesResult } from '@ivlen/contract';
import { kendall, pearson, spearman, type Transformed } from '@ivlen/core';
import { SCALES } from '../derivations/compute-derived';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { figure } from './figures';
import { shapeOfValues } from './shape-of';

/** A variable on each of the scales that are compared: its shape there, and what its correlations become. */
export function scalesOf({ variable, others }: { variable: string; others: readonly string[] }, columns: AnalysisColumns): ScalesResult {
  const x = columnOf(columns, variable);
  const partners = others.map((id) => ({ id, y: columnOf(columns, id) }));
  const ofRanks = (values: Float64Array) =>
    partners.map(({ y }) => ({ rho: spearman(values, y).coefficient, tau: kendall(values, y).coefficient }));
  const raw = ofRanks(x);
  return {
    kind: 'scales',
    variable,
    scales: COMPARED_SCALES.map((scale) => {
      const { values, reversed, monotone, refused } = onScale(scale, x);
      // Ranks do not mind a scale that keeps the order, and turning it round turns the sign alone.
      const sign = reversed ? -1 : 1;
      const ranked = !values ? [] : monotone ? raw.map(({ rho, tau }) => ({ rho: sign * rho, tau: sign * tau })) : ofRanks(values);
      return {
        scale,
        reversed,
        refused: refused && { ...refused, shift: refused.shift },
        shape: values && shapeOfValues(variable, values, columns.rows),
        correlations: values
          ? partners.map(({ id, y }, k) => ({
              with: id,
              pearson: figure(pearson(values, y).coefficient),
              spearman: figure(ranked[k]?.rho ?? Number.NaN),
              kendall: figure(ranked[k]?.tau ?? Number.NaN),
            }))
          : [],
      };
    }),
  };
}

function onScale(scale: ComparedScale, x: Float64Array): Transformed {
  return scale === 'raw' ? { values: x, reversed: false, monotone: true, refused: null } : SCALES[scale](x);
}
