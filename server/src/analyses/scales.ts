import { COMPARED_SCALES, type ComparedScale, type RequestOf, type ScalesResult } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES, type Transformed, testPair } from '@ivlen/core';
import { SCALES } from '../derivations/compute-derived';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { correlatable, withNumbers } from './needed-variables';
import { shapeOfValues } from './shape';

/** A variable on each of the scales that are compared: its shape there, and what its correlations become. */
export const scales: AnalysisModule<'scales'> = {
  needs: ({ variable, others }, all) => [withNumbers(all, variable), ...others.map((id) => correlatable(all, id))],
  run: scalesOf,
};

function scalesOf({ variable, others }: RequestOf<'scales'>, columns: AnalysisColumns): ScalesResult {
  const x = columnOf(columns, variable);
  const partners = others.map((id) => ({ id, y: columnOf(columns, id) }));
  const all = (values: Float64Array, ofRanks: boolean) =>
    METHOD_NAMES.filter((method) => COEFFICIENTS[method].ofRanks === ofRanks).map((method) => ({
      method,
      coefficients: partners.map(({ y }) => testPair(method, values, y).coefficient),
    }));
  const raw = all(x, true);
  return {
    kind: 'scales',
    variable,
    scales: COMPARED_SCALES.map((scale) => {
      const { values, reversed, monotone, refused } = onScale(scale, x);
      // Ranks do not mind a scale that keeps the order, and turning it round turns the sign alone.
      const sign = reversed ? -1 : 1;
      const turned = () => raw.map(({ method, coefficients }) => ({ method, coefficients: coefficients.map((value) => sign * value) }));
      const found = values ? [...all(values, false), ...(monotone ? turned() : all(values, true))] : [];
      return {
        scale,
        reversed,
        refused: refused && { ...refused, shift: refused.shift },
        shape: values && shapeOfValues(variable, values, columns.rows),
        correlations: values ? partners.map(({ id }, k) => ({ with: id, coefficients: coefficientsAt(found, k) })) : [],
      };
    }),
  };
}

type Correlations = ScalesResult['scales'][number]['correlations'][number]['coefficients'];

function coefficientsAt(found: readonly { method: string; coefficients: readonly number[] }[], k: number): Correlations {
  return Object.fromEntries(found.map(({ method, coefficients }) => [method, finiteOrNull(coefficients[k] ?? Number.NaN)])) as Correlations;
}

function onScale(scale: ComparedScale, x: Float64Array): Transformed {
  return scale === 'raw' ? { values: x, reversed: false, monotone: true, refused: null } : SCALES[scale](x);
}
